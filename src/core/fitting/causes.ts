import type { DrumKind } from '../kit/kinds'
import type { FindingId } from './lookOver'

/**
 * What can be wrong with a drum that will not come right, as data, with the odds of each. Common practice, no source; the
 * figures are judgements, open to argument and kept in one place.
 */
export interface Cause {
  label: string
  /** How often it is behind a complaint, against the others. */
  odds: number
  /** Only on drums of these kinds. */
  kinds?: readonly DrumKind[]
  means: string
  fix: string
  caution?: string
  /** The finding of the look-over that this cause is. */
  finding?: FindingId
  /** Where its mending is done. */
  leads?: 'fit' | 'slack' | 'pair' | 'stand' | 'snare' | 'even'
}

const CAUSE_LIST = {
  'out-of-tune': {
    leads: 'even',
    label: 'Only uneven',
    odds: 3,
    means: 'The rods pull unevenly and nothing is broken.',
    fix: 'Read every lug and even the head.',
  },
  'too-slack': {
    leads: 'even',
    label: 'Too slack to speak',
    odds: 3,
    means: 'The head hangs below the lowest pull at which it speaks.',
    fix: 'Bring all rods up by a quarter turn until the growl goes, then even it.',
  },
  'too-tight': {
    leads: 'even',
    label: 'Too tight',
    odds: 2.5,
    means: 'The head is pulled so far that it chokes.',
    fix: 'Bring all rods down by half a turn, press, read again. A lower note or a smaller step on the other head gives body.',
    caution:
      'A head that bursts or a rod that snaps throws parts. Stay under the limit that the maker states, eyes away from the rim.',
  },
  'worn-head': {
    leads: 'fit',
    label: 'Worn film',
    odds: 3,
    means: 'The film is stretched or beaten: it answers turns less than it did and rings short.',
    fix: 'Fit a new head.',
    finding: 'worn',
  },
  'unsettled-head': {
    leads: 'even',
    label: 'Fresh head, not settled',
    odds: 2.5,
    means: 'Film and collar are still sinking into place.',
    fix: 'Press the centre and read again until pressing changes nothing, then correct.',
  },
  'near-rods-off': {
    leads: 'even',
    label: 'Near rods backed off',
    odds: 2.5,
    means: 'Hard rim shots have turned back the rods nearest the player.',
    fix: 'Feel the rods, bring the loose ones up by what they lost, read the head. Locking washers keep them.',
    finding: 'backs-off',
  },
  'stripped-rod': {
    label: 'Stripped thread',
    odds: 1.2,
    means: 'A rod turns and its thread pulls nothing.',
    fix: 'Change rod and insert. Until then leave that rod out: the passes work around it.',
    finding: 'stripped',
  },
  'dirty-threads': {
    leads: 'slack',
    label: 'Dirty or dry thread',
    odds: 1.8,
    means: 'A rod binds in its thread, so that finger-tight lies and it pulls less than the hand believes.',
    fix: 'Take it out, clean the thread, one small drop of grease at the tip, start it again from slack.',
    caution: 'Solvents burn and give off fumes: gloves, open air, no flame.',
    finding: 'dirty',
  },
  'hoop-out-of-round': {
    label: 'Hoop out of round',
    odds: 1.5,
    means: 'The hoop comes to lie on the shell at two places; the rods there pull no further.',
    fix: 'Change the hoop. No setting of the rods makes this head even.',
    finding: 'hoop-oval',
  },
  'damaged-edge': {
    label: 'Dent or warp in the edge',
    odds: 1.2,
    means: 'The film does not lie on the edge all round.',
    fix: 'The edge needs a workshop; return a new drum.',
    caution: 'Do not sand an edge yourself: dust, lead in old lacquer, and an edge is quickly spoilt.',
    finding: 'edge-light',
  },
  'other-head': {
    leads: 'pair',
    label: 'The other head beats against it',
    odds: 2.5,
    means: 'Both heads’ edge notes lie so close together that they beat.',
    fix: 'Even the other head, then move it a minor third or more away, or to exactly alike.',
  },
  mount: {
    leads: 'stand',
    label: 'The mount eats the ring',
    odds: 2,
    means: 'Held by the rim the drum rings; on its holder it does not.',
    fix: 'Slide the arm out as far as it still clamps, move the clamp, or hang the drum from a mount that isolates it.',
    finding: 'mount-dead',
  },
  'over-muffled': {
    leads: 'stand',
    label: 'Too much muffling',
    odds: 2,
    means: 'Pads, rings or a damper take the ring.',
    fix: 'Everything off, then the lightest layer first, and stop one step earlier than you think.',
    finding: 'muffled',
  },
  'loose-part': {
    label: 'A loose part rattles',
    odds: 2,
    means: 'A washer, a lug’s spring, a wing nut or a bracket rattles along.',
    fix: 'Tighten or pad what stopped it: felt or foam in the lug, a washer under the rod.',
    finding: 'rattle',
  },
  neighbour: {
    label: 'A neighbour answers',
    odds: 2,
    means: 'Another drum or a cymbal rings along in sympathy.',
    fix: 'Tune and test it away from the others; in the kit move their pitches apart.',
  },
  wires: {
    leads: 'snare',
    label: 'Wires',
    odds: 3,
    kinds: ['snare'],
    means: 'Strands are bent, or the wires lie off centre or too loose.',
    fix: 'Cut off bent strands or change the set; centre it; tighten until it does not rattle on, and no further.',
    finding: 'wires-bent',
  },
  'thin-head': {
    label: 'A thin, cheap head',
    odds: 1.5,
    means: 'A very thin ply as batter is papery, pings and dents; as a resonant head it serves well.',
    fix: 'Fit a stouter head, and keep this one for the other side.',
    leads: 'fit',
  },
  'built-in-ring': {
    label: 'A ring or dot in the film',
    odds: 1.5,
    means: 'The film is made to be short: a ring, a dot or a felt is built in.',
    fix: 'Take every other muffling off first; for a longer note fit a plain head.',
    leads: 'fit',
  },
  'nothing-takes-ring': {
    label: 'Nothing takes the ring',
    odds: 2,
    means: 'The drum is well and open: both heads ring on.',
    fix: 'Move the heads further apart, or the lightest layer of muffling; stop one step earlier than you think.',
    leads: 'pair',
  },
  'closed-kick': {
    label: 'The front head throws the beater back',
    odds: 1.5,
    kinds: ['kick', 'floor-tom'],
    means: 'Both heads push one shut cushion of air: the note is hollow and the beater bounces.',
    fix: 'A pillow that just touches the front head, the front head moved a third or more away, or a port.',
    caution:
      'Cutting a port: gloves, a sharp blade away from the hand, the head off the drum. A cut head cannot be mended.',
    leads: 'pair',
  },
  'boomy-room': {
    label: 'The room booms',
    odds: 1.5,
    means: 'A corner or a small room carries the low note on; the drum itself is as it should be.',
    fix: 'Out of the corner; raise the front or resonant head, or the whole drum a little.',
    leads: 'pair',
  },
  nothing: {
    label: 'Nothing is wrong',
    odds: 2.5,
    means: 'All that was asked answers as a sound drum does.',
    fix: 'Leave it. If it still does not please, its tuning may: another relation, another pitch.',
    leads: 'pair',
  },
} as const satisfies Record<string, Cause>

export type CauseId = keyof typeof CAUSE_LIST
export const CAUSE_IDS = Object.keys(CAUSE_LIST) as [CauseId, ...CauseId[]]
export const CAUSES: Record<CauseId, Cause> = CAUSE_LIST
