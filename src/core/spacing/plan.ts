import { headCost } from '../fitting/fast'
import { turnsBetween } from '../membrane/turnLaw'
import { ANCHOR_WEIGHT, gapCost, KICK_GAP, kickCost, scoreOf, SEPARATE_CENTS, workCost } from './cost'
import { wantedCents } from './scheme'
import { centsAbove1Hz, knownDrum, statesOf, type KnownDrum, type State } from './states'
import type { Gives, Plan, PlanAnswer, PlannedDrum, PlanRequest, PlanTrouble } from './types'

/**
 * Plans a kit. Toms form a chain by size, kicks hang on its lowest end; costs are of single drums and of neighbours only, so
 * that dynamic programming over all places of every drum finds the cheapest plan there is, for every root at once. The
 * snare is placed first, by its own costs: players choose it by itself.
 * @throws nothing; a kit that cannot be planned is answered with why
 */
export function planKit(request: PlanRequest): PlanAnswer {
  const kit = prepare(request)
  if ('trouble' in kit) return { plans: [], why: kit.trouble }
  const roots = rootsOf(kit)
  const best = bestOf(roots)
  if (!best) return { plans: [], why: null }
  const others = apartFrom(best, roots)
  const plans = [planAt(kit, best, 'best'), ...others.map(({ root, kind }) => planAt(kit, root, kind))]
  const lazy = leastWork(request, kit, plans[0])
  return { plans: [...plans, ...(lazy ? [lazy] : [])].sort((a, b) => a.cost - b.cost), why: null }
}

/** All there is to choose from, and what binds it. */
interface Prepared {
  request: PlanRequest
  /** Lowest first. */
  toms: Array<{ drum: KnownDrum; states: State[] }>
  kicks: Array<{ drum: KnownDrum; states: State[] }>
  snares: Array<{ drum: KnownDrum; at: State }>
  /** For each gap, lowest first, what the scheme wants of it. */
  wanted: number[][]
}

function prepare(request: PlanRequest): Prepared | { trouble: PlanTrouble } {
  const isTom = (kind: string) => kind === 'tom' || kind === 'floor-tom'
  const order = request.drums
    .filter(({ kind }) => isTom(kind))
    .sort((a, b) => b.diameterInches - a.diameterInches || (b.depthInches ?? 0) - (a.depthInches ?? 0))
  const weight = (id: string) =>
    (request.anchor === 'lowest' && id === order[0]?.id) ||
    (request.anchor === 'smallest' && id === order.at(-1)?.id)
      ? ANCHOR_WEIGHT
      : 1
  const known = (drum: PlanRequest['drums'][number]) => {
    const full = knownDrum(drum, weight(drum.id))
    // The usual anchor is the lowest pitch at which the largest drum still speaks.
    return request.anchor === 'lowest' && drum.id === order[0]?.id
      ? { ...full, favouriteHz: aboveGrowl(full) }
      : full
  }
  const a4 = centsAbove1Hz(request.a4Hz ?? 440)
  const snares: Prepared['snares'] = []
  for (const drum of request.drums.filter(({ kind }) => kind === 'snare')) {
    const own = known(drum)
    const states = statesOf(own, request, a4, null)
    if (states.length === 0) return { trouble: troubleOf(drum.id, request) }
    snares.push({ drum: own, at: states.reduce((a, b) => (b.cost < a.cost ? b : a)) })
  }
  const snareHz = snares[0]?.at.batterHz ?? null
  const wanted = order.slice(1).map((_, gap) => wantedCents(request.scheme, gap, order.length - 1))
  const toms: Prepared['toms'] = []
  for (const [i, drum] of order.entries()) {
    const own = known(drum)
    let states = statesOf(own, request, originOf(request, order, wanted, i, a4), snareHz)
    if (i === 0 && request.rootHz !== undefined) states = atRoot(states, request, drum.id)
    if (states.length === 0) return { trouble: troubleOf(drum.id, request) }
    toms.push({ drum: own, states })
  }
  const kicks: Prepared['kicks'] = []
  for (const drum of request.drums.filter(({ kind }) => kind === 'kick')) {
    const own = known(drum)
    const states = statesOf(own, request, a4, null)
    if (states.length === 0) return { trouble: troubleOf(drum.id, request) }
    kicks.push({ drum: own, states })
  }
  return { request, toms, kicks, snares, wanted }
}

/** Just above where the growl ends. */
const ABOVE_GROWL = 2 ** (60 / 1200)
const aboveGrowl = ({ lowestHz, favouriteHz }: KnownDrum) => Math.min(favouriteHz, lowestHz * ABOVE_GROWL)

function troubleOf(drum: string, { fixed = [] }: PlanRequest): PlanTrouble {
  return { what: fixed.includes(drum) ? 'fixed-avoided' : 'no-pitch', drum }
}

/**
 * Each tom's grid is laid so that the scheme's own gaps fall on it, counted from the root, from a tom that stays, or from A.
 */
function originOf(
  { rootHz, fixed = [], pinned = {} }: PlanRequest,
  order: PlanRequest['drums'],
  wanted: readonly number[][],
  tom: number,
  a4: number,
): number {
  const up = (i: number) => wanted.slice(0, i).reduce((sum, wants) => sum + (wants[0] ?? 0), 0)
  const held = order.findIndex(({ id, now }) => (fixed.includes(id) && now) || pinned[id] !== undefined)
  if (rootHz === undefined && held >= 0) {
    const { id, now } = order[held]
    return centsAbove1Hz(pinned[id] ?? now!.batterHz) - up(held) + up(tom)
  }
  return (rootHz === undefined ? a4 : centsAbove1Hz(rootHz)) + up(tom)
}

/** Only the wanted root, where the lowest tom is not held elsewhere. */
function atRoot(states: State[], { rootHz, fixed = [], pinned = {} }: PlanRequest, id: string): State[] {
  if (fixed.includes(id) || pinned[id] !== undefined) return states
  const want = centsAbove1Hz(rootHz!)
  return states.filter(({ cents }) => Math.abs(cents - want) < 0.01)
}

/** The cheapest plan on one root: which state each drum takes, lowest tom first, then the kicks. */
interface Root {
  cost: number
  toms: number[]
  kicks: number[]
  cents: number
}

/** For every state of the lowest tom the cheapest plan above and below it. */
function rootsOf({ toms, kicks, wanted, snares }: Prepared): Root[] {
  const own = snares.reduce((sum, { at }) => sum + at.cost, 0)
  if (toms.length === 0) {
    const kickStates = kicks.map(({ states }) => cheapest(states.map(({ cost }) => cost)))
    const cost = kicks.reduce((sum, { states }, i) => sum + states[kickStates[i]].cost, own)
    return [{ cost, toms: [], kicks: kickStates, cents: 0 }]
  }
  const top = toms.length - 1
  // From the smallest drum down: cost of the cheapest way on, and where it goes.
  let ahead = toms[top].states.map(({ cost }) => cost)
  const next: number[][] = []
  for (let i = top - 1; i >= 0; i--) {
    const upper = toms[i + 1].states
    const steps = toms[i].states.map((state) => {
      let cost = Infinity
      let at = 0
      for (let j = 0; j < upper.length; j++) {
        const sum = ahead[j] + gapCost(upper[j].cents - state.cents, wanted[i])
        if (sum < cost) {
          cost = sum
          at = j
        }
      }
      return { cost: state.cost + cost, at }
    })
    next[i] = steps.map(({ at }) => at)
    ahead = steps.map(({ cost }) => cost)
  }
  return toms[0].states.map((state, s) => {
    const path = [s]
    for (let i = 0; i < top; i++) path.push(next[i][path[i]])
    const below = kicks.map(({ states }) => {
      const costs = states.map((kick) => kick.cost + kickCost(state.cents - kick.cents))
      const at = cheapest(costs)
      return { at, cost: costs[at] }
    })
    const cost = own + ahead[s] + below.reduce((sum, each) => sum + each.cost, 0)
    return { cost, toms: path, kicks: below.map(({ at }) => at), cents: state.cents }
  })
}

const cheapest = (costs: readonly number[]) =>
  costs.reduce((best, cost, i) => (cost < costs[best] ? i : best), 0)
const bestOf = (roots: readonly Root[]): Root | null =>
  roots.length ? roots.reduce((a, b) => (b.cost < a.cost ? b : a)) : null

/** Another root is another plan when it lies at least so far away and is the best of its own neighbourhood. */
const OTHER_ROOT_CENTS = 150
/** A plan this much dearer than the best, a drum, is none to show. */
const TOO_DEAR = 6

function apartFrom(best: Root, roots: readonly Root[]) {
  const kinds = [
    { kind: 'lower' as const, side: (cents: number) => cents <= best.cents - OTHER_ROOT_CENTS },
    { kind: 'higher' as const, side: (cents: number) => cents >= best.cents + OTHER_ROOT_CENTS },
  ]
  return kinds.flatMap(({ kind, side }) => {
    const root = bestOf(roots.filter(({ cents }) => side(cents)))
    return root && root.cost < best.cost + TOO_DEAR * (root.toms.length + root.kicks.length)
      ? [{ root, kind }]
      : []
  })
}

/** Turns of a plan must be fewer than this part of the best plan's to be a kind of its own. */
const LESS_WORK = 0.6
const ALL_WORK = 1

/** The plan for who would rather not turn, if that is another one; costed as the others are. */
function leastWork(request: PlanRequest, kit: Prepared, best: Plan): Plan | null {
  if ((request.leastWork ?? 0) >= ALL_WORK || !request.drums.some(({ now }) => now)) return null
  const dearer = ({ cost, turns, ...state }: State): State => ({
    ...{ ...state, turns },
    cost: cost + workCost(turns, ALL_WORK) - workCost(turns, request.leastWork ?? 0),
  })
  const priced = <Placed extends { states: State[] }>(each: Placed) => ({
    ...each,
    states: each.states.map(dearer),
  })
  const root = bestOf(rootsOf({ ...kit, toms: kit.toms.map(priced), kicks: kit.kicks.map(priced) }))
  if (!root) return null
  // The same places, at the prices of the request.
  const cost = costAt(kit, root)
  const plan = planAt(kit, { ...root, cost }, 'least-work')
  const turns = (of: Plan) =>
    of.drums.reduce(
      (sum, { turns: each }) => sum + Math.abs(each?.batter ?? 0) + Math.abs(each?.resonant ?? 0),
      0,
    )
  return turns(plan) > LESS_WORK * turns(best) ? null : plan
}

function costAt({ toms, kicks, snares, wanted }: Prepared, root: Root): number {
  const at = toms.map(({ states }, i) => states[root.toms[i]])
  const below = kicks.map(({ states }, i) => states[root.kicks[i]])
  const own = [...at, ...below, ...snares.map((each) => each.at)].reduce((sum, { cost }) => sum + cost, 0)
  const gaps = wanted.reduce((sum, wants, i) => sum + gapCost(at[i + 1].cents - at[i].cents, wants), 0)
  const kick = at.length ? below.reduce((sum, { cents }) => sum + kickCost(at[0].cents - cents), 0) : 0
  return own + gaps + kick
}

function planAt(kit: Prepared, root: Root, kind: Plan['kind']): Plan {
  const { toms, kicks, snares, request } = kit
  const placed = [
    ...toms.map(({ drum, states }, i) => ({ drum, at: states[root.toms[i]] })),
    ...kicks.map(({ drum, states }, i) => ({ drum, at: states[root.kicks[i]] })),
    ...snares,
  ]
  const drums = request.drums.map(({ id }) => {
    const { drum, at } = placed.find((each) => each.drum.id === id)!
    return planned(drum, at, request.keys ?? 2)
  })
  const rootHz = placed[0]?.at.batterHz ?? 0
  const { cost } = root
  return { kind, rootHz, drums, cost, score: scoreOf(cost, request.drums.length), gives: givesOf(kit, root) }
}

/** Less than this on every rod is not turned. */
const LEAST_TURN = 1 / 64

function planned(drum: KnownDrum, { batterHz, resonantHz }: State, keys: 1 | 2): PlannedDrum {
  const turns = drum.now
    ? {
        batter: turnsBetween(drum.now.batterHz, batterHz, drum.law.batter),
        resonant: turnsBetween(drum.now.resonantHz, resonantHz, drum.law.resonant),
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

/** Nearer than this is nothing given up. */
const FAVOURITE_GIVES = 40
const GAP_GIVES = 12
const SNARE_GIVES = 70

/** What a plan gives up, drum by drum, lowest first. */
function givesOf({ toms, kicks, snares, wanted }: Prepared, root: Root): Gives[] {
  const at = toms.map(({ states }, i) => states[root.toms[i]])
  const own = ({ drum }: { drum: KnownDrum }, { cents }: State): Gives[] => {
    const off = cents - centsAbove1Hz(drum.favouriteHz)
    const beyond =
      Math.min(0, cents - centsAbove1Hz(drum.lowestHz)) + Math.max(0, cents - centsAbove1Hz(drum.highestHz))
    if (Math.abs(beyond) > 1) return [{ what: 'range', drum: drum.id, cents: beyond }]
    return Math.abs(off) > FAVOURITE_GIVES ? [{ what: 'favourite', drum: drum.id, cents: off }] : []
  }
  const gaps = wanted.flatMap((wants, i): Gives[] => {
    const gap = at[i + 1].cents - at[i].cents
    const ends = { drum: toms[i].drum.id, next: toms[i + 1].drum.id }
    const want = wants.reduce((a, b) => (Math.abs(gap - b) < Math.abs(gap - a) ? b : a), wants[0] ?? gap)
    if (gap < SEPARATE_CENTS && Math.abs(gap - want) <= GAP_GIVES)
      return [{ what: 'close', ...ends, cents: gap }]
    return Math.abs(gap - want) > GAP_GIVES ? [{ what: 'gap', ...ends, cents: gap, wanted: want }] : []
  })
  const snare = snares[0]?.at
  const buzz = toms.flatMap(({ drum }, i): Gives[] => {
    const off = snare ? at[i].cents - snare.cents : Infinity
    return Math.abs(off) < SNARE_GIVES ? [{ what: 'snare', drum: drum.id, cents: off }] : []
  })
  const kick = kicks.flatMap(({ drum, states }, i): Gives[] => {
    const gap = at.length ? at[0].cents - states[root.kicks[i]].cents : KICK_GAP.least
    return gap < KICK_GAP.least || gap > KICK_GAP.most ? [{ what: 'kick', drum: drum.id, cents: gap }] : []
  })
  return [
    ...toms.flatMap((tom, i) => own(tom, at[i])),
    ...gaps,
    ...buzz,
    ...kicks.flatMap((each, i) => own(each, each.states[root.kicks[i]])),
    ...kick,
    ...snares.flatMap((each) => own(each, each.at)),
  ]
}
