import { seededRandom } from '../numeric/random'
import { CENTS_PER_NEPER, shiftByCents } from '../units/pitch'
import { learnedFrom, lookAhead, slackBelief, startingBelief, stateErrorCents } from './belief'
import { earReadings } from './ear'
import { estimateHead, type HeadState, type KnownBefore } from './estimate'
import { dialAt, dialCents, learnGaugeLaw, pitchOf, tensionOf } from './gauge'
import { MEAN, SECOND, TURN_LAW } from './kalman'
import { explainPair } from './pairCause'
import { fitHills, startsFor } from './poleFit'
import { bareHz, densityOf, partsOf, polesOf, worthOf, type Reader } from './readingLaw'
import { lugReadings, type LugReading } from './readings'
import { hoopPart, rodPulls } from './rods'
import { fitStanding } from './standing'
import type { EvenHead, Ear, Feel, Round } from './types'

/**
 * The judgements of the estimate, as numbers: what a reading is worth, where a head is thought to stand, how surely. They
 * were weighed on heads by several models (docs/decisions/head-estimate.md); whoever changes one sees here what follows.
 */
const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged', depthInches: 6.5 },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}
const twoPoles = (cents: number): [number, number, number] => {
  const [low, high] = [shiftByCents(230, -cents / 2), shiftByCents(230, cents / 2)]
  return [(high ** 2 + low ** 2) / 2, (high ** 2 - low ** 2) / 2, 0]
}
const APART = [1, 7, 30, 100, 400]

test('what a reading is worth, poles 1 to 400 cents apart, at three lugs: the log of its density', () => {
  const worth = (reader: Reader, change: Partial<LugReading>, offCents: number) =>
    APART.map((apart) =>
      [0, 1, 2].map((lug) => {
        const x = twoPoles(apart)
        const hz = shiftByCents(bareHz(x, lug, 8, reader === 'mean' ? 'mean' : 'peak'), offCents)
        const reading = { lug, hz, errorHz: (hz * 2) / CENTS_PER_NEPER, alone: false, ...change }
        return Math.log(densityOf(reading, partsOf(reading, polesOf(x), 8, reader, 0)).total).toFixed(1)
      }),
    ).join(' | ')
  const poles: LugReading['poles'] = [
    { hz: shiftByCents(230, -16), levelDb: -3 },
    { hz: shiftByCents(230, 16), levelDb: 0 },
  ]
  expect({
    mean: worth('mean', {}, 1),
    peak: worth('peak', {}, 1),
    rough: worth('peak', {}, 9),
    slip: worth('peak', {}, 60),
    'slip that came again': worth('peak', { confirmed: true }, 60),
    'looked through, one pole': worth('peak', { alone: true }, 1),
    standing: worth('standing', {}, 3),
    'both poles': worth('peak', { poles }, 0),
  }).toMatchInlineSnapshot(`
   {
     "both poles": "1.6,2.8,1.4 | 2.9,4.1,2.7 | 5.3,10.6,5.1 | -3.3,-3.3,-3.3 | -3.3,-3.3,-3.3",
     "looked through, one pole": "5.6,5.5,5.6 | 5.6,4.3,5.6 | 5.6,0.4,5.6 | 5.6,-3.4,5.6 | 5.6,-3.4,5.6",
     "mean": "5.6,5.6,5.6 | 5.6,5.6,5.6 | 5.6,5.5,5.6 | 5.6,4.9,5.6 | 5.6,3.6,5.6",
     "peak": "5.6,5.6,5.6 | 5.6,5.0,5.6 | 5.5,0.6,5.5 | 5.1,-3.0,5.1 | 3.9,-3.4,3.9",
     "rough": "1.5,1.5,1.5 | 1.5,1.9,2.1 | 1.5,1.9,1.5 | 2.4,-2.5,2.4 | 3.6,-3.4,3.6",
     "slip": "-3.4,-3.4,-3.4 | -3.4,-3.4,-3.4 | -3.4,-3.4,-3.4 | -3.4,1.3,-3.3 | -0.4,-3.1,-0.4",
     "slip that came again": "-9.1,-9.1,-9.1 | -9.1,-9.1,-9.1 | -9.1,-7.5,-7.1 | -7.0,1.3,-5.5 | -0.4,-4.3,-0.4",
     "standing": "4.3,4.7,5.0 | 3.9,5.0,4.7 | 3.8,2.8,3.9 | 3.8,1.6,3.8 | 3.7,0.2,3.7",
   }
  `)
  expect([1, 3, 6].map((z) => worthOf([z]).toFixed(3))).toMatchInlineSnapshot(`
   [
     "0.960",
     "0.387",
     "0.063",
   ]
  `)
})

/** What a low head gives: the ring of its mode is longer, so two poles part at fewer cents. */
test('looked through and one pole found: how likely that is for poles 0.2 to 6 Hz apart', () => {
  const of = (hz: number) =>
    [0.2, 0.5, 1, 2.5, 6].map((apartHz) => {
      const [low, high] = [hz - apartHz / 2, hz + apartHz / 2]
      const x = [(high ** 2 + low ** 2) / 2, (high ** 2 - low ** 2) / 2, 0]
      return [0, 1, 2]
        .map((lug) => {
          const reading = { lug, hz: high, errorHz: hz / 900, alone: true }
          return Math.log(densityOf(reading, partsOf(reading, polesOf(x), 16, 'peak', 0)).total).toFixed(1)
        })
        .join(' ')
    })
  expect([of(70), of(300)]).toMatchInlineSnapshot(`
   [
     [
       "5.8 5.6 4.8",
       "5.8 5.0 3.0",
       "5.8 4.8 3.1",
       "5.8 4.9 3.2",
       "5.8 4.9 3.2",
     ],
     [
       "5.8 5.6 5.5",
       "5.8 5.2 4.7",
       "5.8 5.1 3.8",
       "5.8 4.9 3.1",
       "5.8 4.8 3.2",
     ],
   ]
  `)
})

const said = (state: HeadState) => {
  const { belief, leading, rods, lugs } = state
  const cents = (hz2: number) => (hz2 * CENTS_PER_NEPER) / (2 * belief.x[MEAN])
  const learned = learnedFrom(belief)
  return [
    `${Math.sqrt(belief.x[MEAN]).toFixed(2)} Hz ± ${cents(Math.sqrt(belief.p[0])).toFixed(2)}`,
    `wave ${cents(leading.x[1]).toFixed(1)} ${cents(leading.x[2]).toFixed(1)}`,
    `lugs ± ${Math.max(...stateErrorCents(belief, lugs)).toFixed(1)}`,
    `k ${learned.hz2PerTurn.toFixed(-0)} ± ${learned.hz2PerTurnError.toFixed(0)}`,
    `second ${learned.secondAnswer.toFixed(3)} ± ${learned.secondAnswerError.toFixed(3)}`,
    `out ${state.leftOut.map((lug) => lug + 1)}`,
    `by ${state.knownBy}`,
    `surprise ${state.surprises.map((value) => value.toFixed(1))}`,
    `log ${state.logEvidence.toFixed(1)}`,
    `stories ${state.hypotheses.map(({ reader, weight }) => `${reader} ${weight.toFixed(2)}`).join(' ')}`,
    `rods ${rodPulls(rods).map(({ turns }) => (32 * turns).toFixed(1))} ± ${(32 * rodPulls(rods)[0].error).toFixed(2)}`,
    `hoop ${(32 * hoopPart(rods).turns).toFixed(2)} ± ${(32 * hoopPart(rods).error).toFixed(2)}`,
  ].join('; ')
}
const seen = (rounds: Round[], change: Partial<EvenHead> = {}, known: KnownBefore = {}) =>
  said(estimateHead({ ...HEAD, ...change }, rounds, known))

const FIRST = [228, 231.5, 234, 230, 228.4, 231, 234.6, 230.8]
const LATER = [236, 236.5, 238, 236, 235.6, 236.9, 238.1, 236.2]
const turned = (turns: number[], readingsHz = FIRST): Round => ({
  readingsHz,
  readingErrorCents: 2,
  pressed: true,
  turns,
})
const TURNS = [0.125, 0.0625, 0, 0.0625, 0.125, 0.0625, 0, 0.0625]
const pole = (hz: number, levelDb: number) => ({ hz, levelDb, standardErrorHz: 0.05 })

test('where heads are thought to stand, and how surely', () => {
  const poles = [1, 2, 3, 4].map((lug) => ({
    lug,
    modes: [pole(228 + 0.05 * lug, -3 * lug), pole(233 - 0.05 * lug, -12 + 3 * lug)],
  }))
  const far = [1, 2, 3, 4].map((lug) => ({ lug, modes: [pole(190, -3 * lug), pole(240, -12 + 3 * lug)] }))
  const dials = [70, 72, 75, 73, 71, 72, 74, 72]
  const felt: Array<Feel | null> = ['loose', null, 'tight', 'alike', null, null, null, null]
  const heard: Array<Ear | null> = [
    null,
    'higher',
    'much-higher',
    'higher',
    'alike',
    'higher',
    'much-higher',
    'lower',
  ]
  const long = Array.from({ length: 20 }, (_, i) =>
    turned(
      TURNS.map((t) => (i % 2 ? -t : t)),
      i % 2 ? LATER : FIRST,
    ),
  )
  const unturned = { readingsHz: LATER, readingErrorCents: 2, pressed: true }
  const seenOnce = turned(
    TURNS.map(() => 0),
    FIRST.map((hz, i) => (i === 5 ? 262 : hz)),
  )
  expect({
    'as found': seen([{ readingsHz: FIRST }]),
    'three lugs': seen([{ readingsHz: [228, null, 234, null, null, 231, null, null], readingErrorCents: 2 }]),
    'after a pass': seen([turned(TURNS), unturned]),
    'after a pass, not pressed': seen([turned(TURNS), { ...unturned, pressed: false }]),
    'a forecast': seen([turned(TURNS)]),
    'three times as much as asked': seen([turned(TURNS.map((t) => t / 3)), unturned]),
    'worn, wood hoops': seen([turned(TURNS), unturned], { worn: true, hoop: 'wood' }),
    'twenty passes': seen([...long, unturned]),
    'four lugs': seen(
      [turned([0.125, 0, 0.125, 0], [228, 234, 228.4, 233]), { readingsHz: [236, 236, 236.4, 235] }],
      { lugs: 4 },
    ),
    'one slip': seen([{ readingsHz: FIRST.map((hz, i) => (i === 5 ? 300 : hz)) }]),
    'one that came again': seen([seenOnce, { readingsHz: FIRST.map((hz, i) => (i === 5 ? 262.5 : hz)) }]),
    'came again too far off': seen([seenOnce, { readingsHz: FIRST.map((hz, i) => (i === 5 ? 264.5 : hz)) }]),
    'both poles': seen([{ readings: poles }]),
    'poles 404 cents apart': seen([{ readings: far }]),
    'a microphone that stood still': seen([{ readings: poles, mic: 'standing' }]),
    'two lugs of one that stood still': seen([{ readings: poles.slice(0, 2), mic: 'standing' }]),
    'bare numbers of one that stood still, then followed': seen([
      { readingsHz: FIRST, mic: 'standing', turns: TURNS, pressed: true },
      { readingsHz: LATER },
    ]),
    'other head free': seen([{ readingsHz: FIRST, otherHead: 'free' }], {
      other: { hz: 300, pliesMils: [7] },
    }),
    'from slack': seen(
      [{ turns: TURNS.map(() => 1), pressed: true }, { readingsHz: FIRST }],
      {},
      { start: 'slack', slackSchool: 'fingers' },
    ),
    'a slack start nobody named': seen([{ turns: TURNS }, { readingsHz: FIRST }], {}, { start: 'slack' }),
    'one number for the head': seen([
      { wholeHz: 233, turns: TURNS, pressed: true },
      { wholeHz: 238, wholeErrorCents: 8 },
    ]),
    'dials alone': seen([{ gauge: dials }], {}, { aroundHz: 230 }),
    'dials by their law': seen([{ gauge: dials }], {}, { gaugeLaw: { g0: 100, c: 60_000 }, gaugeError: 0.7 }),
    'dials beside readings': seen([{ readingsHz: FIRST, gauge: dials }]),
    'dials of a nearly slack head': seen([{ gauge: dials }], {}, { gaugeLaw: { g0: 100, c: 2_000 } }),
    'felt alone': seen([{ feel: felt }], {}, { aroundHz: 230 }),
    'felt beside readings': seen([{ readingsHz: FIRST, feel: felt }]),
    'ears alone': seen([{ ear: heard, earReference: 1 }], {}, { aroundHz: 230 }),
    'uneven on purpose': seen([{ readingsHz: FIRST }], {}, { modelErrorCents: 6 }),
    'far out': seen([
      { readingsHz: FIRST.map((hz, i) => (i % 4 < 2 ? hz : hz * 1.12)), readingErrorCents: 2 },
    ]),
    learned: seen(
      [turned(TURNS), unturned],
      {},
      {
        learned: { hz2PerTurn: 30_000, hz2PerTurnError: 4_000, secondAnswer: 0.6, secondAnswerError: 0.1 },
      },
    ),
    'learned, far too little': seen(
      [turned(TURNS)],
      {},
      {
        learned: { hz2PerTurn: 5_000, hz2PerTurnError: 4_000, secondAnswer: 0.6, secondAnswerError: 0.1 },
      },
    ),
  }).toMatchInlineSnapshot(`
   {
     "a forecast": "235.36 Hz ± 17.10; wave -10.3 3.0; lugs ± 20.6; k 31690 ± 11164; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.74 mean 0.25 mean 0.01 peak 0.00; rods 0.0,0.3,-0.0,-0.3,0.0,0.3,-0.0,-0.3 ± 4.63; hoop 1.03 ± 1.64",
     "a microphone that stood still": "230.51 Hz ± 0.28; wave -12.8 -12.3; lugs ± 2.1; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods -1.0,-1.0,1.0,1.0,-1.0,-1.0,1.0,1.0 ± 3.57; hoop 1.21 ± 1.47",
     "a slack start nobody named": "231.11 Hz ± 1.21; wave -22.8 3.1; lugs ± 2.2; k 30447 ± 13453; second 0.371 ± 0.104; out ; by pitch; surprise 1.0,1.0; log 0.0; stories mean 0.74 mean 0.25 mean 0.01 peak 0.00; rods -1.2,0.4,1.2,-0.4,-1.2,0.4,1.2,-0.4 ± 4.91; hoop 1.46 ± 1.67",
     "after a pass": "236.68 Hz ± 0.89; wave -8.3 2.4; lugs ± 1.5; k 36103 ± 6831; second 0.384 ± 0.070; out ; by pitch; surprise 1.0,0.1; log 35.7; stories mean 0.92 mean 0.08 mean 0.00 peak 0.00; rods -0.1,0.2,0.1,-0.2,-0.1,0.2,0.1,-0.2 ± 4.53; hoop 1.11 ± 1.56",
     "after a pass, not pressed": "236.68 Hz ± 0.89; wave -8.3 2.4; lugs ± 1.5; k 35787 ± 7309; second 0.385 ± 0.075; out ; by pitch; surprise 1.0,0.1; log 35.6; stories mean 0.92 mean 0.08 mean 0.00 peak 0.00; rods -0.1,0.2,0.1,-0.2,-0.1,0.2,0.1,-0.2 ± 4.53; hoop 1.11 ± 1.56",
     "as found": "231.11 Hz ± 1.21; wave -22.8 3.1; lugs ± 2.2; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.74 mean 0.25 mean 0.01 peak 0.00; rods -2.0,0.3,2.0,-0.3,-2.0,0.3,2.0,-0.3 ± 4.61; hoop 1.03 ± 1.64",
     "bare numbers of one that stood still, then followed": "236.68 Hz ± 0.89; wave -8.3 2.4; lugs ± 1.5; k 35787 ± 7309; second 0.385 ± 0.075; out ; by pitch; surprise 1.0,0.1; log 35.6; stories mean 0.92 mean 0.08 mean 0.00 peak 0.00; rods -0.1,0.2,0.1,-0.2,-0.1,0.2,0.1,-0.2 ± 4.53; hoop 1.11 ± 1.56",
     "both poles": "230.51 Hz ± 0.31; wave -9.3 -15.2; lugs ± 1.9; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories peak 1.00; rods -0.8,-1.1,0.8,1.1,-0.8,-1.1,0.8,1.1 ± 3.55; hoop 1.20 ± 1.48",
     "came again too far off": "231.19 Hz ± 0.68; wave -22.8 4.6; lugs ± 1.5; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0,0.0; log 31.4; stories mean 0.98 mean 0.02 mean 0.00 peak 0.00; rods -2.2,0.5,2.2,-0.5,-2.2,0.5,2.2,-0.5 ± 4.61; hoop 1.15 ± 1.61",
     "dials alone": "230.00 Hz ± 1731.23; wave -6.5 -1.4; lugs ± 1744.5; k 31690 ± 11092; second 0.380 ± 0.100; out ; by gauge; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods -1.2,-0.3,1.2,0.6,-0.9,-0.3,1.0,-0.2 ± 1.64; hoop 0.00 ± 1.92",
     "dials beside readings": "231.11 Hz ± 1.21; wave -22.8 3.1; lugs ± 2.2; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.74 mean 0.25 mean 0.01 peak 0.00; rods -3.7,-0.5,4.0,0.9,-2.4,-0.5,3.0,-0.9 ± 3.29; hoop 0.79 ± 1.44",
     "dials by their law": "220.25 Hz ± 27.10; wave -14.0 -2.2; lugs ± 28.0; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods -2.5,-0.4,2.6,0.9,-1.7,-0.4,1.9,-0.4 ± 1.47; hoop 0.00 ± 1.92",
     "dials of a nearly slack head": "40.55 Hz ± 28.23; wave -31.7 -4.0; lugs ± 33.1; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods -0.2,-0.1,0.2,0.0,-0.1,-0.1,0.2,-0.0 ± 0.16; hoop 0.00 ± 1.92",
     "ears alone": "230.00 Hz ± 1731.23; wave -17.0 8.8; lugs ± 1766.0; k 31690 ± 11092; second 0.380 ± 0.100; out ; by ear; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods -0.3,0.2,0.3,-0.2,-0.3,0.2,0.3,-0.2 ± 1.76; hoop 1.61 ± 1.36",
     "far out": "246.39 Hz ± 4.28; wave -119.0 -92.6; lugs ± 10.7; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.72 mean 0.22 peak 0.00 mean 0.04 peak 0.02; rods -2.1,-2.4,2.1,2.4,-2.1,-2.4,2.1,2.4 ± 5.91; hoop 1.16 ± 1.89",
     "felt alone": "230.00 Hz ± 1731.23; wave -5.6 0.0; lugs ± 1742.5; k 31690 ± 11092; second 0.380 ± 0.100; out ; by feel; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods -1.9,0.0,1.8,0.0,0.0,0.0,0.0,0.0 ± 1.46; hoop 0.00 ± 1.92",
     "felt beside readings": "231.11 Hz ± 1.21; wave -22.8 3.1; lugs ± 2.2; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.74 mean 0.25 mean 0.01 peak 0.00; rods -4.6,0.4,4.1,-0.0,-1.1,0.4,1.1,-0.4 ± 2.23; hoop 0.61 ± 1.55",
     "four lugs": "235.84 Hz ± 2.40; wave 2.4 -0.0; lugs ± 3.4; k 35297 ± 7488; second 0.593 ± 0.117; out ; by pitch; surprise 1.0,0.1; log 14.7; stories mean 0.17 peak 0.02 mean 0.70 peak 0.08 mean 0.04 peak 0.00; rods 1.6,-1.6,1.6,-1.6 ± 1.83; hoop 1.35 ± 1.92",
     "from slack": "231.11 Hz ± 1.22; wave -22.7 3.1; lugs ± 2.2; k 45311 ± 12689; second 0.380 ± 0.070; out ; by pitch; surprise 1.0,1.0; log 0.0; stories mean 0.73 mean 0.26 mean 0.01 peak 0.00; rods -1.2,0.2,1.2,-0.2,-1.2,0.2,1.2,-0.2 ± 3.24; hoop 1.29 ± 1.37",
     "learned": "236.67 Hz ± 0.91; wave -8.0 2.4; lugs ± 1.5; k 29314 ± 3606; second 0.543 ± 0.079; out ; by pitch; surprise 1.0,0.5; log 35.3; stories mean 0.91 mean 0.09 mean 0.00 peak 0.00; rods 0.6,0.2,-0.6,-0.1,0.6,0.2,-0.6,-0.1 ± 3.15; hoop 1.57 ± 1.32",
     "learned, far too little": "232.82 Hz ± 13.56; wave -14.9 3.1; lugs ± 14.9; k 12676 ± 4032; second 0.600 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.74 mean 0.25 mean 0.01 peak 0.00; rods -1.3,0.6,1.3,-0.6,-1.3,0.6,1.3,-0.6 ± 5.51; hoop 1.20 ± 1.72",
     "one number for the head": "237.93 Hz ± 7.65; wave 11.8 -0.0; lugs ± 82.9; k 32591 ± 10301; second 0.380 ± 0.097; out ; by whole; surprise 1.0,1.0; log 0.0; stories peak 0.36 peak 0.24; rods 2.0,0.0,-2.0,0.0,2.0,0.0,-2.0,0.0 ± 1.85; hoop 0.00 ± 1.92",
     "one slip": "231.19 Hz ± 1.26; wave -22.8 4.6; lugs ± 2.7; k 31690 ± 11092; second 0.380 ± 0.100; out 6; by pitch; surprise 1.0; log 0.0; stories mean 0.79 mean 0.20 mean 0.01 peak 0.00; rods -2.0,0.5,2.0,-0.5,-2.0,0.5,2.0,-0.5 ± 4.65; hoop 1.04 ± 1.64",
     "one that came again": "231.19 Hz ± 0.68; wave -22.8 4.6; lugs ± 1.5; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0,0.0; log 25.7; stories mean 0.98 mean 0.02 mean 0.00 peak 0.00; rods -2.2,0.5,2.2,-0.5,-2.2,0.5,2.2,-0.5 ± 4.61; hoop 1.15 ± 1.61",
     "other head free": "232.06 Hz ± 1.21; wave -22.8 3.1; lugs ± 2.2; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.74 mean 0.26 mean 0.01 peak 0.00; rods -2.0,0.3,2.0,-0.3,-2.0,0.3,2.0,-0.3 ± 4.64; hoop 1.03 ± 1.64",
     "poles 404 cents apart": "216.45 Hz ± 0.32; wave -104.0 -169.2; lugs ± 22.7; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories peak 1.00; rods -2.4,-1.9,2.4,1.9,-2.4,-1.9,2.4,1.9 ± 5.85; hoop 1.09 ± 1.89",
     "three lugs": "231.02 Hz ± 6.86; wave -22.3 0.1; lugs ± 15.9; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 0.45 peak 0.03 peak 0.03 mean 0.18 peak 0.05 peak 0.05 mean 0.09 peak 0.12; rods -1.7,0.0,1.7,-0.0,-1.7,0.0,1.7,-0.0 ± 4.39; hoop 1.01 ± 1.63",
     "three times as much as asked": "236.63 Hz ± 1.36; wave -11.4 2.5; lugs ± 2.2; k 50346 ± 10783; second 0.435 ± 0.064; out ; by pitch; surprise 1.0,2.4; log 30.1; stories mean 0.47 mean 0.53 mean 0.00 peak 0.00; rods -0.6,0.2,0.6,-0.2,-0.6,0.2,0.6,-0.2 ± 4.50; hoop 0.68 ± 1.56",
     "twenty passes": "236.68 Hz ± 0.79; wave -8.3 2.2; lugs ± 1.4; k 41269 ± 3688; second 0.343 ± 0.023; out ; by pitch; surprise 1.0,0.1,0.1,0.0,0.0,0.0,0.0,0.0,0.0,0.0,0.0,0.0,0.0,0.0,0.0,17.4; log 536.0; stories mean 1.00 mean 0.00 mean 0.00; rods -0.5,-0.5,1.7,-0.6,-0.5,-0.5,1.7,-0.6 ± 2.40; hoop 0.99 ± 0.93",
     "two lugs of one that stood still": "230.51 Hz ± 20.78; wave 0.0 0.0; lugs ± 83.8; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories peak 0.36 peak 0.24; rods 0.0,0.0,0.0,0.0,0.0,0.0,0.0,0.0 ± 1.79; hoop 0.00 ± 1.90",
     "uneven on purpose": "231.08 Hz ± 2.33; wave -22.6 3.1; lugs ± 4.1; k 31690 ± 11092; second 0.380 ± 0.100; out ; by pitch; surprise 1.0; log 0.0; stories mean 1.00; rods -1.9,0.3,1.9,-0.3,-1.9,0.3,1.9,-0.3 ± 4.56; hoop 1.02 ± 1.64",
     "worn, wood hoops": "236.68 Hz ± 0.89; wave -8.3 2.4; lugs ± 1.5; k 35828 ± 6902; second 0.385 ± 0.062; out ; by pitch; surprise 1.0,0.2; log 35.5; stories mean 0.92 mean 0.08 mean 0.00 peak 0.00; rods -0.4,0.3,0.4,-0.3,-0.4,0.3,0.4,-0.3 ± 5.34; hoop 0.86 ± 1.65",
   }
  `)
})

test('hills of a head whose louder poles alone are known: from every start the same', () => {
  const random = seededRandom(8)
  const lines = [20, 90, 300].map((cents) => {
    const x = twoPoles(cents)
    const readingsHz = Array.from({ length: 8 }, (_, lug) =>
      shiftByCents(
        bareHz([x[0], x[1] * Math.cos(0.7), x[1] * Math.sin(0.7)], lug, 8, 'peak'),
        2 * random.normal(),
      ),
    )
    const readings = lugReadings(HEAD, { readingsHz }, new Set())
    const prior = {
      x: [230 ** 2, 0, 0] as [number, number, number],
      p: Float64Array.from([4e8, 0, 0, 0, 2e7, 0, 0, 0, 2e7]),
    }
    const starts = startsFor(readings, 8)
    const hills = fitHills(prior, readings, 8, 'peak', starts)
    return `${starts.length} starts: ${hills
      .map(
        (hill) =>
          `${Math.sqrt(hill.x[0]).toFixed(2)} (${(hill.x[1] / 100).toFixed(0)}, ${(hill.x[2] / 100).toFixed(0)}) ${hill.logEvidence.toFixed(2)}`,
      )
      .join('; ')}`
  })
  expect(lines).toMatchInlineSnapshot(`
   [
     "49 starts: 230.02 (4, 4) 29.15",
     "49 starts: 230.29 (19, 19) 28.49",
     "49 starts: 231.78 (65, 65) 22.97",
   ]
  `)
})

test('forecasts: what is believed before a reading, from slack, and after a pass that is still to be made', () => {
  const start = startingBelief(HEAD, undefined, 230 ** 2, 0.05)
  const slack = slackBelief(HEAD, undefined, 'fingers')
  const next = lookAhead(start, TURNS)
  const line = (belief: typeof start) =>
    [
      belief.x[MEAN],
      belief.x[TURN_LAW],
      belief.x[SECOND],
      ...[0, 6, 12, 18, 24].map((at) => Math.sqrt(belief.p[at])),
    ]
      .map((value) => value.toPrecision(4))
      .join(' ')
  expect([start, slack, next].map(line)).toMatchInlineSnapshot(`
   [
     "5.290e+4 3.169e+4 1.204e+4 1.058e+5 2645 2645 1.109e+4 5273",
     "2218 3.169e+4 1.204e+4 1764 766.4 766.4 1.109e+4 5273",
     "5.488e+4 3.169e+4 1.204e+4 1.058e+5 2668 2646 1.109e+4 5273",
   ]
  `)
})

test('an ear’s words and their errors, in cents', () => {
  const words: Array<Ear | null> = [null, 'much-lower', 'lower', 'alike', 'higher', 'much-higher']
  const lines = earReadings({ ear: words, earReference: 1 }, 200).map(
    ({ hz, errorHz }) =>
      `${(CENTS_PER_NEPER * Math.log(hz / 200)).toFixed(0)} ± ${((CENTS_PER_NEPER * errorHz) / hz).toFixed(0)}`,
  )
  expect(lines).toEqual(['0 ± 5', '-60 ± 30', '-20 ± 14', '0 ± 7', '20 ± 14', '60 ± 30'])
})

test('a dial: its law from two pitches, its cents with and without one', () => {
  const law = { g0: 96, c: 55_000 }
  const at = (hz: number) => ({ dial: dialAt(law, tensionOf(HEAD, hz)), tension: tensionOf(HEAD, hz) })
  const found = learnGaugeLaw([at(200), at(240)])!
  expect(found.g0).toBeCloseTo(96, 6)
  expect(found.c).toBeCloseTo(55_000, 2)
  // Two pitches some two hundredths apart in tension tell no law; three hundredths and more do.
  expect(learnGaugeLaw([at(200), at(201.5)])).toBeNull()
  expect(learnGaugeLaw([at(200), at(206)])).not.toBeNull()
  expect(pitchOf(HEAD, tensionOf(HEAD, 217))).toBeCloseTo(217, 6)
  expect(tensionOf({ ...HEAD, depthInches: undefined }, 217).toFixed(0)).toMatchInlineSnapshot(`"2094"`)
  // A unit of 15 below the end is a fifteenth of the tension, half of that in pitch: 57.7 cents.
  expect(dialCents(82, 81, law).cents).toBeCloseTo(57.7, 1)
  expect(dialCents(82, 81, law).error).toBeCloseTo(57.7, 1)
  // Without a law 0.45 of the reading is the guess: 36.45 below.
  expect(dialCents(82, 81, null, 2)).toEqual({
    cents: expect.closeTo(23.7, 1),
    error: expect.closeTo(47.5, 1),
  })
})

test('why two tones: by the swing of their levels, by what the other head could do, and how much of it is heard', () => {
  const free = { ...HEAD, depthInches: 6.5, other: { hz: 234, pliesMils: [10] } }
  const round = (swing: number, apartHz: number, lugs = 4): Round => ({
    otherHead: 'free',
    readings: Array.from({ length: lugs }, (_, i) => ({
      lug: 2 * i + 1,
      modes: [pole(226, 0), pole(226 + apartHz, 20 * Math.log10(Math.E) * swing * (i % 2 ? 1 : -1))],
    })),
  })
  const cause = (swing: number, apartHz: number, lugs?: number) =>
    explainPair(free, round(swing, apartHz, lugs))!.cause
  const { coupledCents } = explainPair(free, round(0, 10))!
  expect(coupledCents!.toFixed(0)).toMatchInlineSnapshot(`"132"`)
  // Alternating levels swing by the square root of two times their size.
  expect([0.25, 0.31, 0.33, 0.6, 0.62, 0.65].map((swing) => cause(swing, 17))).toEqual([
    'other-head',
    'other-head',
    'either',
    'either',
    'either',
    'unevenness',
  ])
  expect(cause(0, 17, 2)).toBe('either')
  const edges = [6, 8, 10, 12, 14, 20, 24, 26, 28, 30, 34].map((hz) => `${hz} ${cause(0, hz)}`)
  expect(edges).toMatchInlineSnapshot(`
   [
     "6 unevenness",
     "8 unevenness",
     "10 unevenness",
     "12 other-head",
     "14 other-head",
     "20 other-head",
     "24 other-head",
     "26 other-head",
     "28 other-head",
     "30 unevenness",
     "34 unevenness",
   ]
  `)
  // An other head far away moves next to nothing here.
  const heard = [234, 236, 238, 240, 243, 246, 250].map((hz) =>
    explainPair({ ...free, other: { hz, pliesMils: [10] } }, round(0, 17))!.coupledCents?.toFixed(0),
  )
  expect(heard).toMatchInlineSnapshot(`
   [
     "132",
     "140",
     "149",
     "158",
     "173",
     undefined,
     undefined,
   ]
  `)
})

test('a microphone that stands still: the poles and their axis from how levels change', () => {
  const fit = (apartHz: number, place: number, lugs = 6) => {
    const readings = Array.from({ length: lugs }, (_, i) => {
      const angle = (2 * Math.PI * i) / 8 - 0.5
      const level = (value: number) => 20 * Math.log10(Math.abs(value) + 1e-3)
      return {
        lug: i + 1,
        modes: [
          pole(230 - apartHz / 2 + 0.03 * i, level(Math.sin(angle) * Math.sin(place))),
          pole(230 + apartHz / 2 - 0.02 * i, level(Math.cos(angle) * Math.cos(place))),
          pole(400, -70),
        ],
      }
    })
    const found = fitStanding({ readings, mic: 'standing' }, 8)!
    return [found.mean, found.cosine, found.sine, found.chiSquared, Math.sqrt(found.variance)]
      .map((value) => value.toFixed(1))
      .join(' ')
  }
  expect([fit(3, 0.3), fit(3, 1.2), fit(0.05, 0.7), fit(0.25, 0.7), fit(3, 0.7, 2)]).toMatchInlineSnapshot(`
   [
     "52907.8 369.8 548.2 1.7 13.9",
     "52907.8 369.8 548.2 0.5 13.9",
     "52905.7 0.0 0.0 0.0 1269.8",
     "52905.7 0.0 0.0 0.0 1269.8",
     "52903.4 0.0 0.0 0.0 1269.9",
   ]
  `)
})
