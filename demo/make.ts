import { nearRods } from '@/core/kit/uneven'
import { mkdirSync, writeFileSync } from 'node:fs'
import { roughRods } from '@/core/practice/drum'
import { seededRandom } from '@/core/numeric/random'
import { writeKitFile, SCHEMA_VERSION } from '@/core/records/plain'
import type { Drum, Side } from '@/core/records/kit'
import { turnLawOf } from '@/core/membrane/turnLaw'
import {
  DAYS,
  DECK_GIGS,
  DRUMS,
  END_MS,
  GIGS,
  HUMID_WEEK,
  KIT_ID,
  KIT_NAME,
  NOTES,
  REHEARSALS,
} from './scenario'
import { add, clockMs, day, drift, events, hand, random, round, sit, sitKit, states } from './sittings'

/** Writes public/demo/lounge.humbra.json: eight weeks of log, made by the practice drum so that it agrees with itself. */

const [kick, floor, tom12, tom10, snare] = DRUMS.map(({ drum }) => drum)
const BOTH = ['batter', 'resonant'] as const

/** The air of one day: a dry room that was damp for a week, and some chance. */
const air = (() => {
  const chance = seededRandom(11)
  return Array.from({ length: DAYS.found + 2 }, (_, daysBefore) => {
    const { from, to } = HUMID_WEEK
    const damp =
      daysBefore <= from + 2 && daysBefore >= to - 2
        ? Math.sin((Math.PI * (from + 2 - daysBefore)) / (from - to + 4))
        : 0
    return {
      celsius: round(20.5 + 1.5 * Math.sin(daysBefore / 6) - 1.5 * damp + 0.5 * chance.normal(), 1),
      humidity: round(49 + 4 * Math.sin(daysBefore / 4.3) + 24 * damp + 1.5 * chance.normal(), 0),
    }
  })
})()

/** How a head answers: cents for a percent of humidity and for a gig, and what its near rods lose at one, in turns. */
function natureOf(drum: Drum, side: Side) {
  const percent = drum === floor ? -0.42 : drum === kick ? -0.1 : -0.06
  return {
    percent: side === 'batter' ? percent : 0.6 * percent,
    gig: side === 'batter' ? 0.16 : 0.05,
    near: drum === snare && side === 'batter' ? 0.011 : 0.0006,
  }
}

/** All rods of a head by so many cents: what the film and the shell do. */
function moveBy(drum: Drum, side: Side, cents: number): void {
  const hz = states.get(`${drum.id}/${side}`)!.evenHz
  drift(drum, side, () => (2 * hz * hz * cents) / 1731.2 / turnLawOf(drum, side, undefined))
}

let today = DAYS.found as number
/** The days until then pass: the air changes, bands play, a fresh film settles. */
function passTo(daysBefore: number): void {
  for (; today > daysBefore; today--) {
    const change = air[today - 1].humidity - air[today].humidity
    const gig = [...GIGS.map(([at]) => at), ...DECK_GIGS].includes(today)
    for (const { drum } of DRUMS)
      for (const side of BOTH) {
        const { percent, gig: taken, near } = natureOf(drum, side)
        moveBy(drum, side, percent * change)
        if (!gig) continue
        moveBy(drum, side, -taken * (0.5 + random.uniform()))
        const loose = nearRods(drum.lugs)
        drift(drum, side, (rod) => (loose.includes(rod) ? -near * (0.6 + 0.8 * random.uniform()) : 0))
      }
    const age = DAYS.headChange - today
    if (age >= 0) moveBy(tom12, 'batter', -7 * Math.log((age + 1.4) / (age + 0.4)))
  }
}

/** Batters are read now and then, and a head that left its band is brought back. */
function check(daysBefore: number, hour: number, drums: readonly Drum[], passes: number): void {
  passTo(daysBefore)
  for (const [i, { drum, lounge }] of DRUMS.filter(({ drum }) => drums.includes(drum)).entries()) {
    day(daysBefore, hour + i / 2)
    sit(drum, 'batter', lounge.batterHz, lounge.resonantHz, passes)
  }
}

day(DAYS.found, 8)
add({ kind: 'kitEdited', change: { what: 'kitMade', name: KIT_NAME, simulated: true }, ...hand })
for (const { drum } of DRUMS)
  add({ kind: 'kitEdited', change: { what: 'drumAdded', drum, after: null }, ...hand })
sitKit(DAYS.found, 'lounge', 9)
check(51, 17, [floor, snare], 0)
check(47, 17, [snare], 3)
check(44, 17, [floor, tom10, snare], 0)
check(39, 17, [snare, tom12], 0)

passTo(DAYS.headChange)
day(DAYS.headChange, 10)
add({
  kind: 'headFitted',
  drum: tom12.id,
  side: 'batter',
  head: { ...tom12.batter, fittedOn: new Date(clockMs).toISOString().slice(0, 10) },
  ...hand,
})
states.set(`${tom12.id}/batter`, { ...states.get(`${tom12.id}/batter`)!, ...roughRods(6, 138, 104) })
sit(tom12, 'batter', 146.8, 185, 4)
check(34, 12, [tom12], 0)
check(32, 17, [tom12, snare], 3)

passTo(DAYS.deck)
sitKit(DAYS.deck, 'deck', 4)
passTo(DAYS.backToLounge)
sitKit(DAYS.backToLounge, 'lounge', 9)
check(21, 17, [floor, tom12, snare], 0)

// The humid week: the floor tom sinks; the snare is played hard and its near rods back off.
check(17, 17, [floor, snare], 3)
check(14, 17, [floor, kick], 0)
check(12, 17, [floor, tom10], 0)
passTo(DAYS.humid)
day(DAYS.humid, 11)
drift(floor, 'batter', (rod) => -0.004 - 0.006 * Math.cos((4 * Math.PI * rod) / 8))
sit(floor, 'batter', 116.5, 147, 0)
drift(floor, 'batter', (rod) => -0.004 - 0.02 * Math.cos((4 * Math.PI * rod) / 8 + 0.6))
check(7, 17, [floor, snare], 0)
check(4, 17, [tom12], 0)
check(3, 17, [snare], 0)
check(1, 17, [tom12], 3)
passTo(DAYS.checked)
drift(snare, 'batter', (rod) => (nearRods(snare.lugs).includes(rod) ? -0.09 : -0.003))
drift(tom10, 'resonant', () => -0.022)
for (const [i, { drum, lounge }] of DRUMS.entries()) {
  day(DAYS.checked, 11 + i / 2)
  sit(drum, 'resonant', lounge.resonantHz, lounge.batterHz, 0)
  sit(drum, 'batter', lounge.batterHz, lounge.resonantHz, 0)
}
day(DAYS.checked, 15)
add({ kind: 'kitEdited', change: { what: 'sheetChosen', sheet: 'demo-sheet-lounge' }, ...hand })

const momentOf = (daysBefore: number, hour: number) =>
  new Date(END_MS - daysBefore * 86_400_000 - (16 - hour) * 3_600_000).toISOString()
const play = (what: 'gig' | 'rehearsal', daysBefore: number, minutes: number, room: string, sheet: string) =>
  add({
    ...{ kind: 'occasionNoted', occasion: `demo-${what}-${daysBefore}`, what, minutes, room },
    ...{ on: momentOf(daysBefore, 20), sheet: `demo-sheet-${sheet}`, words: '' },
    loadInAt: what === 'gig' ? momentOf(daysBefore, 17) : null,
    doorsAt: what === 'gig' ? momentOf(daysBefore, 19) : null,
    ...hand,
  })
for (const [at, minutes] of GIGS) play('gig', at, minutes, 'Lounge', 'lounge')
for (const at of DECK_GIGS) play('gig', at, 90, 'Open deck', 'deck')
for (const at of REHEARSALS) play('rehearsal', at, 60, 'Lounge', 'lounge')
for (const [at, drum, words] of NOTES) add({ kind: 'dayNoted', on: momentOf(at, 23), drum, words, ...hand })
add({
  kind: 'weatherNoted',
  room: 'Lounge',
  samples: air.slice(0, DAYS.found + 1).map(({ celsius, humidity }, daysBefore) => ({
    ...{ at: momentOf(daysBefore, 12), celsius, humidityPercent: humidity },
  })),
  ...hand,
})
add({
  ...{
    kind: 'filmNoted',
    film: 'demo-spare-14',
    name: 'spare snare batter',
    diameterInches: 14,
    side: 'batter',
  },
  head: { ...snare.batter, fittedOn: null },
  ...hand,
})

mkdirSync('public/demo', { recursive: true })
const file = {
  format: 'humbra-kit' as const,
  schema: SCHEMA_VERSION,
  exportedAt: new Date(END_MS).toISOString(),
  kit: KIT_ID,
  events,
  practice: [...states.values()].map((s) => ({
    ...s,
    evenHz: round(s.evenHz, 4),
    rods: s.rods.map((rod) => round(rod, 5)),
  })),
}
writeFileSync('public/demo/lounge.humbra.json', writeKitFile(file))
console.log(`demo: ${events.length} events`)
