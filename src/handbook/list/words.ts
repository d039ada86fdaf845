import type { Entry } from '../chapters'

export const WORDS = {
  'lug-pitch': {
    title: 'Lug pitch',
    chapter: 'words',
    see: ['centre-pitch', 'reading-a-lug', 'what-pitch-cannot-see'],
  },
  'centre-pitch': {
    title: 'Centre pitch',
    chapter: 'words',
    see: ['lug-pitch', 'edge-to-centre', 'both-heads'],
  },
  spread: { title: 'Spread', chapter: 'words', see: ['tolerance', 'when-to-stop', 'even'] },
  cents: { title: 'Cents', chapter: 'words', see: ['notes-and-a4', 'spread'] },
  'batter-and-resonant': {
    title: 'Batter and resonant head',
    chapter: 'words',
    see: ['both-heads', 'which-head-first'],
  },
  'rod-and-lug': {
    title: 'Rods, lugs and threads',
    chapter: 'words',
    see: ['turn-law', 'stripped-rod', 'dirty-threads'],
  },
  hoop: { title: 'Hoop', chapter: 'words', see: ['hoop-or-edge', 'pairs'] },
  'bearing-edge': { title: 'Bearing edge', chapter: 'words', see: ['hoop-or-edge', 'cutting-heat-and-dust'] },
  film: { title: 'Film, plies and coating', chapter: 'words', see: ['turn-law', 'heads-age'] },
  'finger-tight': { title: 'Finger-tight', chapter: 'words', see: ['start-schools', 'from-slack'] },
  even: { title: 'Even, in tune with itself', chapter: 'words', see: ['spread', 'pairs', 'when-to-stop'] },
  'edge-to-centre': { title: 'Edge to centre', chapter: 'words', see: ['centre-pitch', 'both-heads'] },
  wires: { title: 'Snare wires', chapter: 'words', see: ['snare', 'buzzes'] },
  overtones: { title: 'Overtones of a head', chapter: 'words', see: ['wrong-overtone', 'lug-pitch'] },
} as const satisfies Record<string, Entry>
