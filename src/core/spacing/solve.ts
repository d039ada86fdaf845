import { headCost } from '../fitting/fast'
import { isTom } from '../kit/kinds'
import { turnsBetween } from '../membrane/turnLaw'
import { polished, rootsOf, type Chain, type Placing, type Roots } from './chain'
import { ANCHOR_WEIGHT, scoreOf } from './cost'
import { givesOf, type Placed } from './gives'
import { centsAbove1Hz, knownDrum, type KnownDrum } from './known'
import { wantedCents } from './scheme'
import {
  avoidedBy,
  gridFrom,
  placesOf,
  STEP_CENTS,
  type Curves,
  type Places,
  type State,
  LEAST_TURN,
} from './states'
import type { Plan, PlanDrum, PlanKind, PlannedDrum, PlanRequest, PlanTrouble } from './types'

/** The best plan of a request, and every root beside it. */
export interface Solved {
  plan: Plan
  kit: Prepared
  roots: Roots
}
export type Solving = { solved: Solved; trouble: null } | { solved: null; trouble: PlanTrouble }

/** @param curves centre pitches worked out already, where several plans of one kit are made */
export function bestPlan(
  request: PlanRequest,
  what: PlanKind = { kind: 'best' },
  curves: Curves = new Map(),
): Solving {
  const kit = prepare(request, curves)
  if ('trouble' in kit) return { solved: null, trouble: kit.trouble }
  const found = solve(kit)
  if (!found) return { solved: null, trouble: { what: 'together' } }
  const plan = planOf(found.kit, found.best, what)
  return { solved: { plan, kit: found.kit, roots: found.roots }, trouble: null }
}

/** All there is to choose from, and what binds it. */
export interface Prepared {
  request: PlanRequest
  chain: Chain
  tomDrums: KnownDrum[]
  kickDrums: KnownDrum[]
  snares: Array<{ drum: KnownDrum; places: Places; at: State | null }>
}

function prepare(request: PlanRequest, curves: Curves): Prepared | { trouble: PlanTrouble } {
  const order = request.drums
    .filter(({ kind }) => isTom(kind))
    .sort((a, b) => b.diameterInches - a.diameterInches || (b.depthInches ?? 0) - (a.depthInches ?? 0))
  const known = order.map((drum, i) => anchored(drum, request, i, order.length))
  const others = request.drums.filter(({ kind }) => !isTom(kind)).map((drum) => knownDrum(drum, 1))
  const { fixed = [], pinned = {}, rootHz } = request
  const free = rootHz === undefined && !known.some(({ id }) => fixed.includes(id) || pinned[id] !== undefined)
  const made = new Map<string, Places>()
  for (const [i, drum] of [...known, ...others].entries()) {
    const stays = fixed.includes(drum.id) || staysUnasked(drum, request)
    const places = placesOf(drum, request, { stays, root: free && i === 0 && known.length > 0, curves })
    const trouble = troubleOf(drum, request, places, fixed.includes(drum.id))
    if (trouble) return { trouble }
    made.set(drum.id, places)
  }
  const kicks = others.filter(({ kind }) => kind === 'kick')
  const snares = others
    .filter(({ kind }) => kind === 'snare')
    .map((drum) => {
      const places = made.get(drum.id)!
      const jointly = request.move?.includes(drum.id) && known.length > 0
      return { drum, places, at: jointly && places.held === null ? null : alone(places) }
    })
  const root =
    rootHz === undefined || typeof made.get(order[0]?.id)?.held === 'number' ? null : centsAbove1Hz(rootHz)
  const lowest = order[0] && made.get(order[0].id)!
  if (root !== null && lowest && !lowest.at(root))
    return { trouble: { what: 'no-place', drum: order[0].id, by: 'root' } }
  return {
    request,
    chain: {
      toms: order.map(({ id }) => made.get(id)!),
      kicks: kicks.map(({ id }) => made.get(id)!),
      wanted: order.slice(1).map((_, gap) => wantedCents(request.scheme, gap, order.length - 1)),
      snares: snares.flatMap(({ at }) => (at ? [at.cents] : [])),
      root,
    },
    ...{ tomDrums: known, kickDrums: kicks, snares },
  }
}

/** Just above where the growl ends. */
const ABOVE_GROWL = 2 ** (60 / 1200)

function anchored(drum: PlanDrum, { anchor }: PlanRequest, place: number, count: number): KnownDrum {
  const lowest = anchor === 'lowest' && place === 0
  const weight = lowest || (anchor === 'smallest' && place === count - 1) ? ANCHOR_WEIGHT : 1
  const full = knownDrum(drum, weight)
  // The usual anchor is the lowest pitch at which the largest drum still speaks.
  return lowest ? { ...full, favouriteHz: Math.min(full.favouriteHz, full.lowestHz * ABOVE_GROWL) } : full
}

/**
 * A kick or snare that was read stays: unless it is asked to move, its heads are, or it stands above a limit or
 * on what is to be avoided.
 */
function staysUnasked(drum: KnownDrum, request: PlanRequest): boolean {
  const { move = [], pinned = {}, headRelation } = request
  if (isTom(drum.kind) || !drum.now || move.includes(drum.id) || pinned[drum.id] !== undefined) return false
  if (headRelation && 'byDrum' in headRelation && headRelation.byDrum[drum.id] !== undefined) return false
  const { batterHz, resonantHz } = drum.now
  const within =
    batterHz <= (drum.ceilingHz ?? Infinity) && resonantHz <= (drum.resonantCeilingHz ?? Infinity)
  return within && avoidedBy(drum, request, drum.now) === null
}

function troubleOf(
  drum: KnownDrum,
  request: PlanRequest,
  places: Places,
  fixed: boolean,
): PlanTrouble | null {
  const stands = (those: Places) => (those.held !== null ? those.at(those.held) !== null : placeable(those))
  if (stands(places)) return null
  const hit = fixed && drum.now ? avoidedBy(drum, request, drum.now) : null
  if (hit) return { what: 'fixed-avoided', drum: drum.id, ...hit }
  // What binds it is what has to go for it to stand somewhere.
  const unbound = { ...drum, ceilingHz: Infinity }
  const loose = { ...drum, resonantCeilingHz: Infinity }
  const options = { stays: false, root: false, curves: new Map() }
  const without: Array<['avoided' | 'ceiling' | 'resonant-ceiling', Places]> = [
    ['avoided', placesOf(drum, { ...request, avoidHz: [] }, options)],
    ['ceiling', placesOf(unbound, request, options)],
    ['resonant-ceiling', placesOf(loose, request, options)],
  ]
  return { what: 'no-place', drum: drum.id, by: without.find(([, those]) => stands(those))?.[0] ?? 'several' }
}

function placeable(places: Places): boolean {
  return [...places.marks, ...gridFrom(places.from, places)].some(
    (at) => at >= places.from && at <= places.to && places.at(at) !== null,
  )
}

/** Where a drum stands best by itself: players choose a snare so, unless it is asked to go with the toms. */
function alone(places: Places): State | null {
  if (places.held !== null) return places.at(places.held)
  return [...places.marks, ...gridFrom(places.from, places)]
    .map((cents) => places.at(cents))
    .reduce((a, b) => (b && (!a || b.cost < a.cost) ? b : a), null)
}

/** Places of a snare that is to be set with the toms are tried this far apart, then refined. */
const SNARE_STEP = 5

/** Toms and kicks for every place of the snare that can still win, the snare's own cost counted. */
function solve(kit: Prepared): { kit: Prepared; best: Placing; roots: Roots } | null {
  const a4 = centsAbove1Hz(kit.request.a4Hz ?? 440)
  const open = kit.snares.findIndex(({ at }) => at === null)
  if (open < 0) {
    const roots = rootsOf(kit.chain, a4)
    if (!roots) return null
    const first = roots.placing(roots.cost.indexOf(Math.min(...roots.cost)))
    return { kit, best: polished(kit.chain, first, STEP_CENTS), roots }
  }
  const { places } = kit.snares[open]
  const states = [...places.marks, ...gridFrom(a4, places).filter((_, i) => i % SNARE_STEP === 0)]
    .map((at) => places.at(at))
    .filter((state) => state !== null)
    .sort((a, b) => a.cost - b.cost)
  // Without any snare the toms are as cheap as they can be: no dearer place of the snare can win once its own cost is above the rest.
  const floor = Math.min(...(rootsOf(kit.chain, a4)?.cost ?? []))
  let best: ReturnType<typeof solve> = null
  let bestCost = Infinity
  for (const at of states) {
    if (at.cost + floor >= bestCost) break
    const snares = kit.snares.map((each, i) => (i === open ? { ...each, at } : each))
    const found = solve({
      ...kit,
      snares,
      chain: { ...kit.chain, snares: [...kit.chain.snares, at.cents] },
    })
    if (found && totalOf(found.kit, found.best) < bestCost) {
      best = found
      bestCost = totalOf(found.kit, found.best)
    }
  }
  return best
}

/** Cost of a placing with its snares. */
const totalOf = ({ snares }: Prepared, { cost }: Placing): number =>
  snares.reduce((sum, { at }) => sum + (at?.cost ?? 0), cost)

export function planOf(kit: Prepared, placing: Placing, what: PlanKind): Plan {
  const { request, chain, tomDrums, kickDrums } = kit
  const snares = kit.snares.map(({ drum, at }) => ({ drum, at: at! }))
  const placed: Placed = { toms: tomDrums, kicks: kickDrums, snares }
  const all = [
    ...tomDrums.map((drum, i) => ({ drum, at: placing.toms[i] })),
    ...kickDrums.map((drum, i) => ({ drum, at: placing.kicks[i] })),
    ...snares,
  ]
  const drums = request.drums.map(({ id }) => {
    const { drum, at } = all.find((each) => each.drum.id === id)!
    return planned(drum, at, request.keys ?? 2)
  })
  const cost = totalOf(kit, placing)
  return {
    what,
    scheme: request.scheme,
    rootHz: all[0]?.at.batterHz ?? 0,
    ...{ drums, cost, score: scoreOf(cost, request.drums.length) },
    gives: givesOf(placed, placing, chain.wanted, request),
  }
}

function planned(drum: KnownDrum, { batterHz, resonantHz }: State, keys: 1 | 2): PlannedDrum {
  const turns = drum.now
    ? {
        batter: turnsBetween(drum.now.batterHz, batterHz, drum.law.batter),
        resonant: drum.oneHeaded ? 0 : turnsBetween(drum.now.resonantHz, resonantHz, drum.law.resonant),
      }
    : null
  const costs = [turns?.batter ?? 0, turns?.resonant ?? 0].map((each) =>
    headCost(Math.abs(each) < LEAST_TURN ? 0 : each, drum.lugs ?? 8, keys),
  )
  return {
    ...{ id: drum.id, batterHz, resonantHz, turns },
    rods: costs.reduce((sum, cost) => sum + cost.rods, 0),
    minutes: costs.reduce((sum, cost) => sum + cost.minutes, 0),
  }
}
