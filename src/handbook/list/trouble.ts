import type { Entry } from '../chapters'

export const TROUBLE = {
  growls: { title: 'It growls or flaps', chapter: 'trouble', see: ['ranges', 'from-slack', 'worn-head'] },
  chokes: { title: 'It chokes', chapter: 'trouble', see: ['ranges', 'over-tension', 'edge-to-centre'] },
  warbles: {
    title: 'It warbles or beats',
    chapter: 'trouble',
    see: ['even', 'relation-schools', 'even-a-head'],
  },
  'short-on-its-mount': {
    title: 'Short only on its mount',
    chapter: 'trouble',
    see: ['on-the-stand', 'ring'],
  },
  'over-muffled': { title: 'Too dead everywhere', chapter: 'trouble', see: ['ring-and-muffling', 'chokes'] },
  'rings-too-long': {
    title: 'It rings too long',
    chapter: 'trouble',
    see: ['ring-and-muffling', 'relation-schools'],
  },
  'hollow-kick': { title: 'Hollow, it bounces', chapter: 'trouble', see: ['kick', 'kick-front'] },
  boomy: { title: 'It booms', chapter: 'trouble', see: ['kick', 'set-the-kit'] },
  papery: { title: 'Papery, it pings', chapter: 'trouble', see: ['thin-head', 'edge-to-centre'] },
  buzzes: {
    title: 'It buzzes or rattles',
    chapter: 'trouble',
    see: ['loose-part', 'wires', 'answers-along'],
  },
  wrinkles: { title: 'Wrinkles', chapter: 'trouble', see: ['from-slack', 'fit-a-head'] },
  'will-not-come-even': {
    title: 'It will not come even',
    chapter: 'trouble',
    see: ['pairs', 'back-to-slack', 'hoop-or-edge', 'readings-disagree'],
  },
  'will-not-hold': {
    title: 'It will not hold its pitch',
    chapter: 'trouble',
    see: ['seating', 'forecast', 'near-rods', 'heads-age'],
  },
  'nothing-wrong': { title: 'Nothing is wrong', chapter: 'trouble', see: ['order-of-work', 'when-to-stop'] },
  'worn-head': {
    title: 'A worn or stretched film',
    chapter: 'trouble',
    see: ['heads-age', 'look-over', 'will-not-hold'],
  },
  'heads-age': {
    title: 'How heads age',
    chapter: 'trouble',
    see: ['worn-head', 'forecast', 'relation-first'],
  },
  'stripped-rod': {
    title: 'A thread that holds nothing',
    chapter: 'trouble',
    see: ['rod-that-does-not-answer', 'look-over', 'over-tension'],
  },
  'dirty-threads': { title: 'Dirty or dry threads', chapter: 'trouble', see: ['finger-tight', 'look-over'] },
  'near-rods': { title: 'The rods nearest you', chapter: 'trouble', see: ['will-not-hold', 'forecast'] },
  'loose-part': { title: 'A loose part', chapter: 'trouble', see: ['buzzes', 'look-over'] },
  'thin-head': {
    title: 'Thin heads, rings and dots',
    chapter: 'trouble',
    see: ['film', 'papery', 'rings-too-long'],
  },
} as const satisfies Record<string, Entry>
