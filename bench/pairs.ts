import { learnPair, predictCentre } from '@/core/pair/learn'
import { measureSound } from '@/core/measurement/measure'
import { aboveBy, USUAL_PARTS } from '@/core/pair/model'
import { foretellRing, learnRing } from '@/core/pair/ring'
import { limitsOf, solvePair } from '@/core/pair/solve'
import type { PairDrum, PairReading } from '@/core/pair/types'
import { lugTruth, truthOf, type PracticeHead } from '@/core/practice/model'
import { natureOf } from '@/core/practice/nature'
import { playTap } from '@/core/practice/tap'
import { turnLawPrior } from '@/core/membrane/turnLaw'
import { seededRandom, type Random } from '@/core/numeric/random'
import { medianMs, quantile, printTable } from './stats'

const DRUMS = 24
const TESTS = 8
const SIZES: Array<{ diameterInches: number; depthInches: number; snare?: boolean }> = [
  { diameterInches: 10, depthInches: 7 },
  { diameterInches: 12, depthInches: 8 },
  { diameterInches: 13, depthInches: 9 },
  { diameterInches: 14, depthInches: 6.5, snare: true },
  { diameterInches: 14, depthInches: 12 },
  { diameterInches: 16, depthInches: 14 },
]

/** A drum as its owner knows it, and as it is: films, depth and evenness hidden from the predictor. */
function hiddenDrum(seed: number) {
  const random = seededRandom(4000 + seed)
  const { diameterInches, depthInches, snare } = SIZES[seed % SIZES.length]
  const off = (sd: number) => Math.exp(sd * random.normal())
  const known: PairDrum = {
    ...{
      kind: snare ? 'snare' : 'tom',
      diameterInches,
      depthInches,
      lugs: snare ? 10 : 6,
      threadPitchMm: 1.058,
    },
    ...{ port: null },
    batter: { pliesMils: snare ? [10] : [7, 7], hoop: 'triple-flanged' },
    resonant: { pliesMils: snare ? [3] : [10], hoop: 'triple-flanged' },
  }
  const mass = { batter: off(0.1), resonant: off(0.1) }
  const trueDepth = depthInches * off(0.1)
  const head = (batterHz: number, resonantHz: number, muted: boolean): PracticeHead => ({
    ...{
      diameterInches,
      depthInches: trueDepth,
      lugs: known.lugs,
      hoop: 'triple-flanged',
      threadPitchMm: 1.058,
    },
    pliesMils: known.batter.pliesMils.map((ply) => ply * mass.batter),
    ...{
      evenHz: batterHz,
      rods,
      nature: natureOf({ hoop: 'triple-flanged', lugs: known.lugs, diameterInches }, seed),
    },
    other: {
      pliesMils: known.resonant.pliesMils.map((ply) => ply * mass.resonant),
      ...{ lugHz: resonantHz, muted },
    },
  })
  const rods = Array.from({ length: known.lugs }, () => 0.02 * random.normal())
  const law = turnLawPrior(diameterInches).mean
  const answers = { batter: law * off(0.2), resonant: law * off(0.2) }
  /** True lug pitch and centre for where the heads are set. */
  const truth = (batterHz: number, resonantHz: number) => {
    const lug = lugTruth(head(batterHz, resonantHz, true)).meanHz
    const centre = truthOf(head(batterHz, resonantHz, false)).modes.find(({ m, n }) => m === 0 && n === 1)!
    return { batterHz: lug, resonantHz, centreHz: Math.min(...centre.poles.map(({ hz }) => hz)) }
  }
  const read = (batterHz: number, resonantHz: number): PairReading => {
    const real = truth(batterHz, resonantHz)
    const noise = (hz: number, cents: number) => hz * 2 ** ((cents * random.normal()) / 1200)
    return {
      batterHz: noise(real.batterHz, 2),
      resonantHz: noise(real.resonantHz, 2),
      centreHz: noise(real.centreHz, 3),
    }
  }
  const place = (): [number, number] => settingOf(random, law)
  return { known, truth, read, place, answers, law, head }
}

/** A setting within the octave that such a drum is played in. */
function settingOf(random: Random, law: number): [number, number] {
  const batterHz = Math.sqrt(0.5 * law) * 2 ** random.uniform()
  return [batterHz, aboveBy(batterHz, -250 + 950 * random.uniform())]
}

/** A setting that both heads can take. */
function within(place: () => [number, number], { low, high }: ReturnType<typeof limitsOf>): [number, number] {
  for (;;) {
    const setting = place()
    if (setting.every((hz, i) => Math.log(hz) > low[i] && Math.log(hz) < high[i])) return setting
  }
}

/** A turn that shows what turning does. */
const LEAST_TURNS = 0.1

/** Centre pitch foretold after so many readings, and where the inverse lands. */
export function benchPairs(): void {
  const counts = [0, 1, 2, 3, 4, 6]
  const misses = counts.map(() => [] as number[])
  const claimed = counts.map(() => [] as number[])
  const landed: number[] = []
  const relation: number[] = []
  for (let seed = 0; seed < DRUMS; seed++) {
    const { known, truth, read, place, answers, law } = hiddenDrum(seed)
    const seen = Array.from({ length: 6 }, () => read(...place()))
    const tests = Array.from({ length: TESTS }, () => truth(...place()))
    counts.forEach((count, i) => {
      const learned = learnPair(known, seen.slice(0, count))
      for (const each of tests) {
        const { hz, errorCents } = predictCentre(known, each.batterHz, each.resonantHz, learned)
        misses[i].push(Math.abs(1200 * Math.log2(hz / each.centreHz)))
        claimed[i].push(misses[i].at(-1)! <= 1.96 * errorCents ? 1 : 0)
      }
    })
    // A wanted centre and relation, from three readings: turned, read, and once more.
    const goal = truth(...within(place, limitsOf(known, { batter: law, resonant: law })))
    const above = 1200 * Math.log2(goal.resonantHz / goal.batterHz)
    let now = seen[0]
    let [b, r] = [now.batterHz, now.resonantHz]
    // As the app does: what the first round's turns did is known in the next.
    const turnLaw: { batter?: number; resonant?: number } = {}
    for (let round = 0; round < 3; round++) {
      const { turns } = solvePair({
        turnLaw,
        ...{
          drum: known,
          now,
          seen: seen.slice(0, 3),
          want: { centreHz: goal.centreHz, resonantAboveCents: above },
        },
      })
      b = Math.sqrt(Math.max(900, b * b + answers.batter * turns.batter))
      r = Math.sqrt(Math.max(900, r * r + answers.resonant * turns.resonant))
      const then = read(b, r)
      for (const side of ['batter', 'resonant'] as const) {
        const moved = then[`${side}Hz`] ** 2 - now[`${side}Hz`] ** 2
        if (Math.abs(turns[side]) > LEAST_TURNS) turnLaw[side] ??= moved / turns[side]
      }
      now = then
    }
    const end = truth(b, r)
    landed.push(Math.abs(1200 * Math.log2(end.centreHz / goal.centreHz)))
    relation.push(Math.abs(1200 * Math.log2(end.resonantHz / end.batterHz) - above))
  }
  const cents = (values: readonly number[], q: number) => quantile(values, q).toFixed(1)
  printTable(
    `Centre pitch of ${DRUMS} practice drums with hidden films, depth and unevenness, over an octave: error in cents`,
    ['readings', 'median', '90%', 'within 95% claim'],
    counts.map((count, i) => [
      String(count),
      cents(misses[i], 0.5),
      cents(misses[i], 0.9),
      `${Math.round((100 * claimed[i].reduce((sum, x) => sum + x, 0)) / claimed[i].length)}%`,
    ]),
  )
  printTable(
    'Set to a wanted centre and relation after three readings, turned three times: distance in cents',
    ['', 'median', '90%'],
    [
      ['centre', cents(landed, 0.5), cents(landed, 0.9)],
      ['relation', cents(relation, 0.5), cents(relation, 0.9)],
    ],
  )
  benchRing()
  const { known } = hiddenDrum(1)
  const ms = medianMs(() =>
    solvePair({
      ...{ drum: known, now: { batterHz: 180, resonantHz: 200, centreHz: 112 } },
      want: { centreHz: 120, resonantAboveCents: 498 },
    }),
  )
  printTable('Both heads solved, median', ['', 'time'], [['12 by 8, one reading', `${ms.toFixed(1)} ms`]])
}

const RING_DRUMS = 12
const RING_COUNTS = [0, 1, 2, 4]

/** Ring of a stroke on the centre foretold after so many strokes that were played and measured. */
function benchRing(): void {
  const misses = RING_COUNTS.map(() => [] as number[])
  const claimed = RING_COUNTS.map(() => [] as number[])
  for (let seed = 0; seed < RING_DRUMS; seed++) {
    const { known, place, head } = hiddenDrum(seed)
    const stroke = (take: number) => {
      const [batterHz, resonantHz] = place()
      const lug = 'centre' as const
      const made = playTap(head(batterHz, resonantHz, false), {
        ...{ lug, rateHz: 24_000, seed: take, noiseDb: -52, finger: false, seconds: 2.4 },
      })
      const low = made.modes.filter(({ m, n }) => m === 0 && n === 1).reduce((a, b) => (b.hz < a.hz ? b : a))
      const [tap] = measureSound(made.samples, made.rateHz, {
        ...{ diameterInches: known.diameterInches, tap: 'centre', expectHz: low.hz, expectCents: 100 },
      })
      return {
        ...{ batterHz, resonantHz, glideCents: tap.glideCents ?? null, layers: [], hung: null },
        decaySeconds: tap.poles[0]?.decaySeconds ?? null,
        trueSeconds: low.decaySeconds,
      }
    }
    const strokes = Array.from({ length: 12 }, (_, i) => stroke(i))
    const seen = strokes
      .slice(0, 4)
      .flatMap((each) => (each.decaySeconds === null ? [] : [{ ...each, decaySeconds: each.decaySeconds }]))
    RING_COUNTS.forEach((count, i) => {
      const learned = learnRing(known, seen.slice(0, count), USUAL_PARTS)
      for (const each of strokes.slice(4)) {
        const { decaySeconds, factor } = foretellRing(known, each, learned, USUAL_PARTS)
        const off = Math.abs(Math.log(decaySeconds / each.trueSeconds))
        misses[i].push(off)
        claimed[i].push(off <= 1.96 * Math.log(factor) ? 1 : 0)
      }
    })
  }
  const part = (values: readonly number[], q: number) =>
    `${Math.round(100 * (Math.exp(quantile(values, q)) - 1))}%`
  printTable(
    `Ring of the lowest note of ${RING_DRUMS} practice drums foretold (films, depth, own loss hidden): off by`,
    ['strokes', 'median', '90%', 'within 95% claim'],
    RING_COUNTS.map((count, i) => [
      String(count),
      part(misses[i], 0.5),
      part(misses[i], 0.9),
      `${Math.round((100 * claimed[i].reduce((sum, x) => sum + x, 0)) / claimed[i].length)}%`,
    ]),
  )
}
