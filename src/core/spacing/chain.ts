import { ENOUGH_STEPS } from '../numeric/slope'
import { gapCost, kickCost, snareCost } from './cost'
import { gridFrom, type Places, type State } from './states'

/**
 * Toms form a chain by size, kicks hang on its lowest end; costs are of single drums and of neighbours only, so that dynamic
 * programming over all places of every drum finds the cheapest plan there is, for every root at once.
 */
export interface Chain {
  /** Lowest first. */
  toms: Places[]
  kicks: Places[]
  /** For each gap, lowest first, what the scheme wants of it. */
  wanted: number[][]
  /** Snare pitches in cents above 1 Hz, which the toms keep away from. */
  snares: number[]
  /** Only this root, in cents; null for any. */
  root: number | null
}

/** A whole plan of toms and kicks: where each stands, and what it costs. */
export interface Placing {
  cost: number
  toms: State[]
  kicks: State[]
}

/** What a placing costs; infinite where a drum must not stand. */
function costOf(chain: Chain, toms: readonly State[], kicks: readonly State[]): number {
  let sum = 0
  toms.forEach((state, i) => {
    sum += state.cost + buzz(chain, state)
    if (i > 0) sum += gapCost(state.cents - toms[i - 1].cents, chain.wanted[i - 1])
  })
  for (const kick of kicks) sum += kick.cost + (toms.length ? kickCost(toms[0].cents - kick.cents) : 0)
  return sum
}

const buzz = ({ snares }: Chain, { cents }: State) =>
  snares.reduce((sum, snare) => sum + snareCost(cents - snare), 0)

/** The cheapest placing for every place of the lowest tom: its cost at once, the placing itself when it is asked for. */
export interface Roots {
  /** In cents above 1 Hz; one without toms. */
  cents: number[]
  cost: number[]
  placing(root: number): Placing
}

/**
 * All roots of a chain; null where nothing goes together.
 * @param a4 a pitch of the grid, in cents above 1 Hz, where no drum is held
 */
export function rootsOf(chain: Chain, a4: number): Roots | null {
  const { toms, kicks, wanted } = chain
  const kickStates = kicks.map((places) => tried(places, gridFrom(a4, places)))
  if (kickStates.some((states) => states.length === 0)) return null
  if (toms.length === 0) {
    const best = kickStates.map((states) => states.reduce((a, b) => (b.cost < a.cost ? b : a)))
    const placing = { cost: costOf(chain, [], best), toms: [], kicks: best }
    return { cents: [0], cost: [placing.cost], placing: () => placing }
  }
  const columns = columnsOf(chain, a4)
  if (columns.some((states) => states.length === 0)) return null
  const cents = columns.map((states) => Float64Array.from(states, (state) => state.cents))
  const own = columns.map((states) => Float64Array.from(states, (state) => state.cost + buzz(chain, state)))
  // From the smallest drum down: cost of the cheapest way on, and where it goes.
  const top = toms.length - 1
  let ahead = own[top]
  const next: Int32Array[] = []
  for (let i = top - 1; i >= 0; i--) {
    const { cost, to } = wayOn(cents[i], cents[i + 1], ahead, wanted[i])
    next[i] = to
    ahead = cost.map((ways, s) => ways + own[i][s])
  }
  const kickAt = kickStates.map((states) => kicksUnder(cents[0], states))
  const cost = Array.from(ahead, (ways, s) => kickAt.reduce((sum, each) => sum + each.cost[s], ways))
  return {
    ...{ cents: Array.from(cents[0]), cost },
    placing: (root) => {
      const path = [root]
      for (let i = 0; i < top; i++) path.push(next[i][path[i]])
      const placed = path.map((at, i) => columns[i][at])
      const below = kickStates.map((states, k) => states[kickAt[k].to[root]])
      return { cost: costOf(chain, placed, below), toms: placed, kicks: below }
    },
  }
}

/** For each lower place the cheapest upper one and what it costs from there on, the gap counted (`gapCost`). */
function wayOn(lower: Float64Array, upper: Float64Array, ahead: Float64Array, wants: readonly number[]) {
  const cost = new Float64Array(lower.length)
  const to = new Int32Array(lower.length)
  const cheapestFirst = Int32Array.from(ahead.keys()).sort((a, b) => ahead[a] - ahead[b] || a - b)
  for (let s = 0; s < lower.length; s++) {
    let least = Infinity
    for (const j of cheapestFirst) {
      // No gap makes a place cheaper than what lies ahead of it.
      if (ahead[j] >= least) break
      const sum = ahead[j] + gapCost(upper[j] - lower[s], wants)
      if (sum < least) {
        least = sum
        to[s] = j
      }
    }
    cost[s] = least
  }
  return { cost, to }
}

/** For each place of the lowest tom the cheapest of a kick's. */
function kicksUnder(lowest: Float64Array, states: readonly State[]) {
  const cost = new Float64Array(lowest.length)
  const to = new Int32Array(lowest.length)
  for (let s = 0; s < lowest.length; s++) {
    cost[s] = Infinity
    for (let k = 0; k < states.length; k++) {
      if (states[k].cost >= cost[s]) continue
      const sum = states[k].cost + kickCost(lowest[s] - states[k].cents)
      if (sum < cost[s]) {
        cost[s] = sum
        to[s] = k
      }
    }
  }
  return { cost, to }
}

/** Places of every tom: a grid on which the scheme's gaps fall, its own marks, and its neighbours' marks a gap away. */
function columnsOf(chain: Chain, a4: number): State[][] {
  const { toms, wanted, root } = chain
  const up = (i: number) => wanted.slice(0, i).reduce((sum, wants) => sum + (wants[0] ?? 0), 0)
  const heldAt = toms.findIndex(({ held }) => held !== null)
  const origin = root ?? (heldAt >= 0 ? toms[heldAt].held! - up(heldAt) : a4)
  return toms.map((places, i) => {
    if (places.held !== null) return tried(places, [])
    if (i === 0 && root !== null) return [places.at(root)].filter((state) => state !== null)
    const neighbours = [
      ...(i > 0 ? wanted[i - 1].flatMap((want) => toms[i - 1].marks.map((mark) => mark + want)) : []),
      ...(i < toms.length - 1
        ? wanted[i].flatMap((want) => toms[i + 1].marks.map((mark) => mark - want))
        : []),
    ]
    return tried(places, [...gridFrom(origin + up(i), places), ...neighbours])
  })
}

/** Of some pitches and a drum's own marks those where it may stand. */
function tried(places: Places, cents: readonly number[]): State[] {
  if (places.held !== null) return [places.at(places.held)].filter((state) => state !== null)
  const own = [...cents, ...places.marks].filter((at) => at >= places.from && at <= places.to)
  return own.map((at) => places.at(at)).filter((state) => state !== null)
}

const REFINED = 1e-9

/**
 * A placing off the grid: blocks of neighbouring drums are moved together to where one of them meets a mark, a gap its scheme,
 * or the cost its lowest point, for as long as that helps. Exact at limits and edges.
 */
export function polished(chain: Chain, { toms, kicks, cost }: Placing, reachCents: number): Placing {
  let best: Placing = { toms, kicks, cost }
  const blocks = blocksOf(chain, best)
  for (let round = 0; round < ENOUGH_STEPS; round++) {
    const before = best.cost
    for (const block of blocks) best = shifted(chain, best, block, reachCents)
    if (before - best.cost < REFINED) break
  }
  return best
}

/** Which drums move: some toms in a row, with the kicks or without. */
interface Block {
  from: number
  to: number
  kicks: boolean
}

function blocksOf({ toms, kicks }: Chain, placing: Placing): Block[] {
  const blocks: Block[] = []
  for (let from = 0; from < placing.toms.length; from++)
    for (let to = from; to < placing.toms.length; to++) {
      if (toms.slice(from, to + 1).some(({ held }) => held !== null)) break
      blocks.push({ from, to, kicks: false })
      if (from === 0 && kicks.length) blocks.push({ from, to, kicks: true })
    }
  if (kicks.length) blocks.push({ from: 1, to: 0, kicks: true })
  return blocks
}

function shifted(chain: Chain, placing: Placing, { from, to, kicks }: Block, reach: number): Placing {
  if (chain.root !== null && from === 0 && to >= 0 && !(kicks && to < from)) return placing
  const moves = (i: number) => i >= from && i <= to
  const at = (shift: number): Placing | null => {
    const toms = placing.toms.map((state, i) => (moves(i) ? chain.toms[i].at(state.cents + shift) : state))
    const below = placing.kicks.map((state, i) =>
      kicks && chain.kicks[i].held === null ? chain.kicks[i].at(state.cents + shift) : state,
    )
    if (toms.includes(null) || below.includes(null)) return null
    const placed = { toms: toms as State[], kicks: below as State[] }
    return { ...placed, cost: costOf(chain, placed.toms, placed.kicks) }
  }
  const marks = [
    ...placing.toms.flatMap(({ cents }, i) =>
      moves(i) ? chain.toms[i].marks.map((mark) => mark - cents) : [],
    ),
    ...(kicks
      ? placing.kicks.flatMap(({ cents }, i) => chain.kicks[i].marks.map((mark) => mark - cents))
      : []),
    ...gapsAround(chain, placing, from, to),
  ].filter((shift) => Math.abs(shift) <= reach && Math.abs(shift) > REFINED)
  const points = [-reach, ...marks, 0, reach].sort((a, b) => a - b)
  let best = placing
  const take = (shift: number) => {
    const next = at(shift)
    if (next && next.cost < best.cost - REFINED) best = next
  }
  marks.forEach(take)
  // Between two marks the cost is smooth: its lowest point by a parabola, twice.
  for (let i = 1; i < points.length; i++) lowestBetween(points[i - 1], points[i], at).forEach(take)
  return best
}

/** Shifts that bring a block's outer gaps to what the scheme wants. */
function gapsAround({ wanted }: Chain, { toms }: Placing, from: number, to: number): number[] {
  if (to < from) return []
  const below = from > 0 ? wanted[from - 1].map((want) => toms[from - 1].cents + want - toms[from].cents) : []
  const above =
    to < toms.length - 1 ? wanted[to].map((want) => toms[to + 1].cents - want - toms[to].cents) : []
  return [...below, ...above]
}

function lowestBetween(low: number, high: number, at: (shift: number) => Placing | null): number[] {
  if (high - low < REFINED) return []
  const xs = [low + 1e-7 * (high - low), (low + high) / 2, high - 1e-7 * (high - low)]
  const costs = xs.map((x) => at(x)?.cost ?? null)
  if (costs.includes(null)) return []
  const [a, b, c] = costs as number[]
  const bend = a - 2 * b + c
  if (bend <= 0) return [xs[1]]
  const half = (xs[2] - xs[0]) / 2
  return [Math.max(low, Math.min(high, xs[1] + (half * (a - c)) / (2 * bend)))]
}
