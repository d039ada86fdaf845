import { isTom } from '../kit/kinds'
import { centsBetween } from '../units/pitch'
import { polished } from './chain'
import { scoreOf } from './cost'
import { centsAbove1Hz } from './known'
import { bestPlan, planOf, type Solved, type Solving } from './solve'
import { LEAST_TURN, STEP_CENTS, type Curves } from './states'
import { MIXED_CENTS } from './verdict'
import type { Gives, Plan, PlanDrum, PlanKind, PlanRequest, Scheme } from './types'

/**
 * Plans that differ in kind from the best: another scheme that fits better, another relation, another drum that stays, least
 * work, as low or as high as all drums speak. Each is labelled by what it is; none is another by a few cents.
 */
/** Two plans are one when no head stands further apart than this. */
const SAME_CENTS = 15
/** Lower or higher is another kind from this on, and from where an avoided pitch would only have pushed the same plan aside. */
const OTHER_ROOT_CENTS = 150
const BESIDE_AVOIDED_CENTS = 50
/** A plan must be better by this in its score to be shown for it. */
const BETTER = 0.02
/** Turns of a plan must be fewer than this part of the best plan's to be a kind of its own. */
const LESS_WORK = 0.6
/** A plan whose score is less than this part of the best one's is none to show. */
const WORST_PART = 0.6

type Planner = (request: PlanRequest, what: PlanKind) => Solving

export function alternativesTo(request: PlanRequest, best: Solved, curves: Curves): Plan[] {
  const plan: Planner = (asked, what) => bestPlan(asked, what, curves)
  const kept: Plan[] = []
  const offer = (other: Plan | null) => {
    if (
      other &&
      other.score >= WORST_PART * best.plan.score &&
      [best.plan, ...kept].every((each) => !alike(each, other))
    )
      kept.push(other)
  }
  offer(otherScheme(request, best.plan, plan))
  offer(otherRelation(request, best.plan, plan))
  offer(otherStays(request, best.plan, plan))
  offer(leastWork(request, best.plan, plan))
  for (const kind of ['lowest', 'highest'] as const) offer(atTheEnd(request, best, kind))
  return kept.sort((a, b) => b.score - a.score)
}

function alike(a: Plan, b: Plan): boolean {
  return a.drums.every((drum, i) =>
    (['batterHz', 'resonantHz'] as const).every(
      (key) => Math.abs(centsBetween(drum[key], b.drums[i][key])) <= SAME_CENTS,
    ),
  )
}

const bestOf = (plans: ReadonlyArray<Plan | null>): Plan | null =>
  plans.reduce((a, b) => (b && (!a || b.score > a.score) ? b : a), null)
const solvedBy = ({ solved }: Solving) => solved?.plan ?? null

/** Another scheme, or another drum that stays, has a root of its own. */
function withoutRoot(request: PlanRequest): PlanRequest {
  const rest = { ...request }
  delete rest.rootHz
  return rest
}

/** A scheme under which less is given up. */
function otherScheme(request: PlanRequest, best: Plan, plan: Planner): Plan | null {
  const toms = request.drums.filter(({ kind }) => isTom(kind)).length
  if (toms < 2) return null
  const schemes: Scheme[] = [
    { kind: 'fourths' },
    { kind: 'thirds' },
    ...(toms > 2 ? [{ kind: 'major-triad' as const }] : [{ kind: 'fifth' as const }]),
  ]
  const anyRoot = withoutRoot(request)
  const found = bestOf(
    schemes
      .filter(({ kind }) => kind !== request.scheme.kind)
      .map((scheme) => solvedBy(plan({ ...anyRoot, scheme }, { kind: 'scheme', scheme }))),
  )
  // Without a scheme everything fits: there a scheme is worth showing for itself.
  const wanted = request.scheme.kind === 'free' ? 0.5 : best.score + BETTER
  return found && found.score > wanted ? found : null
}

const RELATIONS = [0, 300, 400, 500, 700]

/** One relation for all toms: where the asked one costs more, or where they are mixed now. */
function otherRelation(request: PlanRequest, best: Plan, plan: Planner): Plan | null {
  const { headRelation } = request
  const now = request.drums.flatMap((drum) =>
    isTom(drum.kind) && drum.now && !drum.oneHeaded
      ? [centsBetween(drum.now.batterHz, drum.now.resonantHz)]
      : [],
  )
  const mixed = !headRelation && now.length > 1 && Math.max(...now) - Math.min(...now) > MIXED_CENTS
  const asked = headRelation && 'resonantAboveCents' in headRelation ? headRelation.resonantAboveCents : null
  if (!mixed && asked === null) return null
  const found = bestOf(
    RELATIONS.filter((cents) => cents !== asked).map((resonantAboveCents) =>
      solvedBy(
        plan({ ...request, headRelation: { resonantAboveCents } }, { kind: 'relation', resonantAboveCents }),
      ),
    ),
  )
  return found && (mixed || found.score > best.score + BETTER) ? found : null
}

/** One more tom that stays as it is. */
function otherStays(request: PlanRequest, best: Plan, plan: Planner): Plan | null {
  const { fixed = [] } = request
  const rest = withoutRoot(request)
  const stood = (id: string) => {
    const own = best.drums.find((each) => each.id === id)
    return own?.turns && Math.abs(own.turns.batter) + Math.abs(own.turns.resonant) < LEAST_TURN
  }
  return bestOf(
    request.drums
      .filter((drum) => isTom(drum.kind) && !fixed.includes(drum.id) && !stood(drum.id) && withinLimits(drum))
      .map(({ id }) => solvedBy(plan({ ...rest, fixed: [...fixed, id] }, { kind: 'stays', drum: id }))),
  )
}

const withinLimits = ({ now, ceilingHz = Infinity, resonantCeilingHz = Infinity }: PlanDrum) =>
  Boolean(now) && now!.batterHz <= ceilingHz && now!.resonantHz <= resonantCeilingHz

const turnsOf = ({ drums }: Plan) =>
  drums.reduce((sum, { turns }) => sum + Math.abs(turns?.batter ?? 0) + Math.abs(turns?.resonant ?? 0), 0)

/** The plan for who would rather not turn, at the prices of the request. */
function leastWork(request: PlanRequest, best: Plan, plan: Planner): Plan | null {
  if ((request.leastWork ?? 0) >= 1 || !request.drums.some(({ now }) => now)) return null
  const lazy = plan({ ...request, leastWork: 1 }, { kind: 'least-work' }).solved
  if (!lazy || turnsOf(lazy.plan) > LESS_WORK * turnsOf(best)) return null
  const dearer = request.drums.length * (1 / lazy.plan.score - 1)
  const work = (1.4 * (1 - (request.leastWork ?? 0)) * turnsOf(lazy.plan)) / 0.5
  const cost = Math.max(0, dearer - work)
  return { ...lazy.plan, cost, score: scoreOf(cost, request.drums.length) }
}

/** The lowest or highest root at which every drum speaks and the scheme is whole. */
function atTheEnd(request: PlanRequest, best: Solved, kind: 'lowest' | 'highest'): Plan | null {
  const { plan, kit, roots } = best
  if (kit.chain.toms.length === 0 || kit.chain.root !== null) return null
  const apart = Math.max(
    OTHER_ROOT_CENTS,
    request.avoidHz?.length ? 2 * (request.avoidWithinCents ?? 50) + BESIDE_AVOIDED_CENTS : 0,
  )
  const sign = kind === 'lowest' ? -1 : 1
  const from = centsAbove1Hz(plan.rootHz)
  const ends = roots.cents
    .map((cents, root) => ({ cents, root }))
    .filter(({ cents, root }) => sign * (cents - from) >= apart + STEP_CENTS && roots.cost[root] < Infinity)
    .sort((a, b) => sign * (b.cents - a.cents))
  for (const { root } of ends) {
    const placing = roots.placing(root)
    const { gives } = planOf(kit, placing, { kind })
    if (gives.some(({ what }) => BROKEN.has(what))) continue
    const exact = planOf(kit, polished(kit.chain, placing, STEP_CENTS / 2), { kind })
    const far = sign * (centsAbove1Hz(exact.rootHz) - from) >= apart
    return far ? exact : planOf(kit, placing, { kind })
  }
  return null
}
/** What a plan at the end of the ranges must not give up. */
const BROKEN = new Set<Gives['what']>(['range', 'gap', 'close', 'snare'])
