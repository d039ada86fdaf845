/**
 * The look-over as data: where hands and eyes go, in their order, what they may find there, what it means, and what it
 * tells the model. Common practice, no source.
 */
export interface Area {
  label: string
  /** What to do here. */
  look: string
  snareOnly?: true
  caution?: string
}

export interface FindingKind {
  area: AreaId
  label: string
  means: string
  todo: string
  /** Whether to go on tuning: yes; yes, knowing what it costs; or no. */
  goOn: 'yes' | 'care' | 'no'
  /** Belongs to one head; otherwise to the whole drum. */
  perHead?: true
  /** Names rods. */
  rods?: true
  /** A new head ends it. */
  endsWithHead?: true
  caution?: string
}

const AREA_LIST = {
  heads: {
    label: 'Heads',
    look: 'Look across the film in a low light: pits, dents, coating worn through. With all rods loose it should lie flat.',
    caution: 'Heat shrinks a film a little and is a last resort: a burn and fume hazard.',
  },
  hoop: {
    label: 'Hoop',
    look: 'Look straight down on head and hoop: the gap is the same all round. On a flat table the hoop does not rock.',
  },
  edge: {
    label: 'Edge',
    look: 'Film off, shell on a flat table, a lamp inside, the room dark: no light under the edge.',
    caution:
      'The lamp gets hot: an LED. Leave edges to a workshop: dust, lead in old lacquer, and an edge is quickly spoilt.',
  },
  rods: {
    label: 'Rods and lugs',
    look: 'Turn each rod out and in with the fingers: dirt, a bent rod, a missing washer, a thread that holds nothing.',
    caution: 'Solvents burn and give off fumes: gloves, open air, no flame.',
  },
  mount: {
    label: 'Mount',
    look: 'The same stroke held by the rim and on its mount. Touch springs, wing nuts and brackets for rattles.',
    caution: 'Kicks and cases are heavy: lift with two. A drum on a chair rolls.',
  },
  wires: {
    label: 'Wires',
    look: 'Strands straight and alike, centred on the head, cords of nylon or plastic strip.',
    snareOnly: true,
  },
  muffling: {
    label: 'Muffling off',
    look: 'Pads, rings and dampers off while tuning; wires off or a stick under them; away from cymbals and other drums.',
    caution: 'Many strokes near the ear add up: tap softly, wear protection.',
  },
} as const satisfies Record<string, Area>

export type AreaId = keyof typeof AREA_LIST
export const AREAS: Record<AreaId, Area> = AREA_LIST
export const AREA_IDS = Object.keys(AREA_LIST) as [AreaId, ...AreaId[]]

const FINDING_LIST = {
  worn: {
    area: 'heads',
    label: 'stretched or beaten film',
    means: 'It sags with the rods loose, or is pitted through: it cannot be tuned as it was.',
    todo: 'Fit a new head. Until then expect less answer to every turn.',
    goOn: 'care',
    ...{ perHead: true, endsWithHead: true },
  },
  'long-uneven': {
    area: 'heads',
    label: 'long left uneven',
    means: 'A film that was long uneven stays unevenly stretched.',
    todo: 'Even the rods first, then the pitch; change it when it will not come.',
    goOn: 'care',
    ...{ perHead: true, endsWithHead: true },
  },
  'hoop-oval': {
    area: 'hoop',
    label: 'uneven gap: hoop out of round',
    means: 'No setting of the rods makes this head even.',
    todo: 'Change the hoop. What unevenness is left is laid to it.',
    goOn: 'care',
    perHead: true,
  },
  'hoop-rocks': {
    area: 'hoop',
    label: 'hoop rocks on a table',
    means: 'It is bent out of its plane and pulls unevenly.',
    todo: 'Change the hoop. What unevenness is left is laid to it.',
    goOn: 'care',
    perHead: true,
  },
  'edge-light': {
    area: 'edge',
    label: 'light under the edge',
    means: 'A warp or a dent: the film does not lie on all round.',
    todo: 'A workshop’s work; return a new drum.',
    goOn: 'care',
    perHead: true,
  },
  stripped: {
    area: 'rods',
    label: 'thread holds nothing',
    means: 'The rod turns and pulls nothing.',
    todo: 'Change rod and insert. Until then it is left out of every pass.',
    goOn: 'care',
    ...{ perHead: true, rods: true },
    caution: 'Do not force it: a rod that snaps throws parts.',
  },
  dirty: {
    area: 'rods',
    label: 'dirty, dry or bent rod',
    means: 'Finger-tight lies there: the thread stops the hand before the head does.',
    todo: 'Clean it, soak it if it is gummed up, one small drop of grease at the tip. Change a bent one.',
    goOn: 'care',
    ...{ perHead: true, rods: true },
  },
  washer: {
    area: 'rods',
    label: 'missing washer',
    means: 'The rod’s head rubs on the hoop: its feel and its hold are worse.',
    todo: 'Put one in.',
    goOn: 'yes',
    ...{ perHead: true, rods: true },
  },
  'backs-off': {
    area: 'rods',
    label: 'rods that back off',
    means: 'Rim shots turn them back; the pitch will not hold.',
    todo: 'Locking washers or a thread lock meant for rods; feel these before every show.',
    goOn: 'yes',
    ...{ perHead: true, rods: true },
  },
  'mount-dead': {
    area: 'mount',
    label: 'mount eats the ring',
    means: 'Held by the rim it rings, mounted it does not.',
    todo: 'Arm out as far as it still clamps, move the clamp, or an isolating mount.',
    goOn: 'yes',
  },
  rattle: {
    area: 'mount',
    label: 'something rattles',
    means: 'It will be taken for the head, by ear and by microphone.',
    todo: 'Find it by touch; felt, foam or a turn of the wing nut.',
    goOn: 'yes',
  },
  'wires-bent': {
    area: 'wires',
    label: 'bent or uneven wires',
    means: 'They never sound well.',
    todo: 'Cut off bent strands, or change the set. Meanwhile a stick under them while reading.',
    goOn: 'yes',
  },
  'wires-cord': {
    area: 'wires',
    label: 'cotton cord',
    means: 'It stretches, and the wires with it.',
    todo: 'Nylon cord or plastic strip.',
    goOn: 'yes',
  },
  muffled: {
    area: 'muffling',
    label: 'muffling stays on',
    means: 'It shortens every ring and hides the lug’s note.',
    todo: 'Off while tuning; afterwards the lightest layer first.',
    goOn: 'yes',
  },
} as const satisfies Record<string, FindingKind>

export type FindingId = keyof typeof FINDING_LIST
export const FINDINGS: Record<FindingId, FindingKind> = FINDING_LIST
export const FINDING_IDS = Object.keys(FINDING_LIST) as [FindingId, ...FindingId[]]

/** What stands open on a drum: noted and not cleared. */
export interface OpenFinding {
  finding: FindingId
  /** From 1; empty where it names none. */
  rods: number[]
}

/** What open findings tell the model of one head. */
export function knownOf(findings: readonly OpenFinding[]): {
  worn?: true
  deadRods?: number[]
  hoopOrEdge?: true
} {
  const has = (...ids: FindingId[]) => findings.some(({ finding }) => ids.includes(finding))
  const dead = findings.filter(({ finding }) => finding === 'stripped').flatMap(({ rods }) => rods)
  return {
    ...(has('worn', 'long-uneven') ? { worn: true } : {}),
    ...(dead.length ? { deadRods: [...new Set(dead)].sort((a, b) => a - b) } : {}),
    ...(has('hoop-oval', 'hoop-rocks', 'edge-light') ? { hoopOrEdge: true } : {}),
  }
}

/** A step of fitting a head: what to do, what to check, the caution that belongs there. */
export interface FitStep {
  id: string
  todo: string
  check: string
  caution?: string
}

/** Fitting a head up to the slack start, in order; `how` is the school's own way to the start. */
export function fitSteps(how: string): FitStep[] {
  return [
    {
      id: 'wipe',
      todo: 'Wipe shell and edge.',
      check: 'No dust in the inserts, edge smooth under the finger.',
      caution: 'Old lacquer can hold lead: wipe damp, do not sand.',
    },
    {
      id: 'lay',
      todo: 'Lay the head on, its mark in place against the badge.',
      check:
        'The flesh hoop clears the shell all round; turned by hand the head lies flat and does not wobble.',
    },
    {
      id: 'hoop',
      todo: 'Hoop on, every rod started by hand.',
      check: 'Each rod turns freely and stands straight, washer in place.',
    },
    { id: 'start', todo: `Bring all rods to the start: ${how}`, check: 'The hoop sits level, its gap even.' },
  ]
}
