import type { Entry } from '../chapters'

export const CAUTIONS = {
  hearing: { title: 'Mind your hearing', chapter: 'cautions', see: ['tired-ear'] },
  'over-tension': {
    title: 'Too tight breaks things',
    chapter: 'cautions',
    see: ['ceiling', 'tension', 'chokes'],
  },
  'cutting-heat-and-dust': {
    title: 'Cutting, heat, dust and solvents',
    chapter: 'cautions',
    see: ['kick-front', 'bearing-edge'],
  },
  lifting: { title: 'Lifting and rolling', chapter: 'cautions', see: ['kick', 'on-the-stand'] },
  'lamps-and-power': {
    title: 'Lamps, heaters and cables',
    chapter: 'cautions',
    see: ['look-over', 'bearing-edge'],
  },
  microphone: { title: 'The microphone', chapter: 'cautions', see: ['microphone-place', 'reading-a-lug'] },
} as const satisfies Record<string, Entry>
