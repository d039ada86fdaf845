import type { Entry } from '../chapters'

export const SCHOOLS = {
  'start-schools': { title: 'Where to start from', chapter: 'schools', see: ['finger-tight', 'from-slack'] },
  'which-head-first': {
    title: 'Which head first',
    chapter: 'schools',
    see: ['both-heads', 'batter-and-resonant'],
  },
  'step-size': {
    title: 'How far at a time',
    chapter: 'schools',
    see: ['crosswise', 'two-keys', 'hand-error'],
  },
  'up-or-down': {
    title: 'Up to the high ones, or down',
    chapter: 'schools',
    see: ['coming-down-sticks', 'ceiling'],
  },
  'ear-or-instrument': {
    title: 'Ear, reading or gauge',
    chapter: 'schools',
    see: ['gauge', 'hear-higher', 'what-pitch-cannot-see'],
  },
  'relation-schools': {
    title: 'What the step between heads does',
    chapter: 'schools',
    see: ['both-heads', 'edge-to-centre', 'warbles'],
  },
  'uneven-on-purpose': {
    title: 'Uneven on purpose',
    chapter: 'schools',
    see: ['what-pitch-cannot-see', 'snare'],
  },
  'lug-by-lug': {
    title: 'Believing every lug by itself',
    chapter: 'schools',
    see: ['even-a-head', 'readings-disagree'],
  },
  'two-keys': { title: 'One key or two', chapter: 'schools', see: ['crosswise', 'step-size'] },
  'spot-or-scheme': {
    title: 'Sweet spot first, or scheme first',
    chapter: 'schools',
    see: ['ranges', 'set-the-kit'],
  },
  fourths: { title: 'Fourths between toms', chapter: 'schools', see: ['set-the-kit', 'thirds'] },
  thirds: { title: 'Thirds and the major chord', chapter: 'schools', see: ['set-the-kit', 'fourths'] },
  fifth: { title: 'A fifth for two toms', chapter: 'schools', see: ['set-the-kit', 'fourths'] },
  'kick-front': { title: 'The front head of a kick', chapter: 'schools', see: ['kick', 'hollow-kick'] },
  'relation-first': {
    title: 'After a change: relation first',
    chapter: 'schools',
    see: ['keep', 'both-heads', 'heads-age'],
  },
} as const satisfies Record<string, Entry>
