import type { Entry } from '../chapters'

export const ORDER = {
  'order-of-work': {
    title: 'The order of work',
    chapter: 'order',
    see: ['look-over', 'fit-a-head', 'even-a-head', 'both-heads', 'keep'],
  },
  'look-over': {
    title: 'Look before you turn',
    chapter: 'order',
    see: ['hoop-or-edge', 'worn-head', 'stripped-rod', 'order-of-work'],
  },
  'fit-a-head': {
    title: 'Fit a head',
    chapter: 'order',
    see: ['from-slack', 'seating', 'start-schools', 'over-tension'],
  },
  'from-slack': {
    title: 'Up from slack',
    chapter: 'order',
    see: ['crosswise', 'step-size', 'turn-law', 'finger-tight'],
  },
  crosswise: { title: 'Crosswise, never in a circle', chapter: 'order', see: ['two-keys', 'step-size'] },
  'even-a-head': {
    title: 'Even a head',
    chapter: 'order',
    see: ['pairs', 'seating', 'when-to-stop', 'reading-a-lug', 'hearing'],
  },
  pairs: {
    title: 'Why opposite lugs sound alike',
    chapter: 'order',
    see: ['what-pitch-cannot-see', 'even-a-head', 'hoop'],
  },
  seating: {
    title: 'Press and settle',
    chapter: 'order',
    see: ['coming-down-sticks', 'will-not-hold', 'heads-age'],
  },
  'coming-down-sticks': { title: 'Coming down sticks', chapter: 'order', see: ['seating', 'up-or-down'] },
  'when-to-stop': {
    title: 'When to stop',
    chapter: 'order',
    see: ['tolerance', 'hand-error', 'seating', 'what-pitch-cannot-see'],
  },
  'both-heads': {
    title: 'Set both heads to each other',
    chapter: 'order',
    see: ['relation-schools', 'edge-to-centre', 'centre-pitch', 'reading-with-other-head'],
  },
  'reading-with-other-head': {
    title: 'Mute the other head',
    chapter: 'order',
    see: ['both-heads', 'reading-a-lug'],
  },
  'on-the-stand': { title: 'Back on the stand', chapter: 'order', see: ['short-on-its-mount', 'ring'] },
  'ring-and-muffling': {
    title: 'Ring and muffling',
    chapter: 'order',
    see: ['ring', 'over-muffled', 'rings-too-long'],
  },
  'set-the-kit': {
    title: 'Set the drums to each other',
    chapter: 'order',
    see: ['fourths', 'thirds', 'fifth', 'spot-or-scheme', 'ranges', 'separation'],
  },
  keep: { title: 'Keep it as a sheet', chapter: 'order', see: ['retune-run', 'relation-first'] },
  'retune-run': {
    title: 'Retune run',
    chapter: 'order',
    see: ['quick-check', 'relation-first', 'fast-routine'],
  },
  'quick-check': { title: 'Quick check', chapter: 'order', see: ['retune-run', 'forecast'] },
  'fast-routine': {
    title: 'Five minutes a drum',
    chapter: 'order',
    see: ['order-of-work', 'retune-run', 'relation-first'],
  },
  snare: {
    title: 'The snare drum',
    chapter: 'order',
    see: ['wires', 'snare-bed', 'uneven-on-purpose', 'edge-to-centre'],
  },
  'snare-bed': { title: 'Snare bed', chapter: 'order', see: ['snare', 'uneven-on-purpose'] },
  kick: { title: 'The kick drum', chapter: 'order', see: ['kick-front', 'hollow-kick', 'boomy'] },
  'back-to-slack': {
    title: 'Back to slack, and up again',
    chapter: 'order',
    see: ['from-slack', 'coming-down-sticks'],
  },
  compare: {
    title: 'Compare two states',
    chapter: 'order',
    see: ['one-turn-on-purpose', 'ring-and-muffling'],
  },
  'find-what-is-wrong': {
    title: 'Find what is wrong',
    chapter: 'order',
    see: ['look-over', 'growls', 'chokes', 'warbles', 'buzzes'],
  },
} as const satisfies Record<string, Entry>
