import { fittedNow } from '@/core/bench/standing'
import { gaugeRound } from '@/session/actions/gauge'
import { chooseHead } from '@/session/actions/kits'
import { startListening, stopListening } from '@/session/actions/listening'
import { backOffNearRods, roughenPractice, tapPractice, tapRound } from '@/session/actions/practice'
import { currentView, lookAtTap, readAgain, withdrawTap } from '@/session/actions/readings'
import { readHeadAgain } from '@/session/actions/said'
import { markRange } from '@/session/actions/stand'
import { moveOn, pressed, turned, turnedAll, turnedWhole } from '@/session/actions/turning'
import { lugsRead, otherSide, type BenchView } from '@/session/benchView'
import type { Session } from '@/session/session'
import type { Command } from './types'

const when = (test: (view: BenchView, session: Session) => boolean) => (session: Session) => {
  const view = currentView(session)
  return Boolean(view && test(view, session))
}
const practising = (session: Session) => session.get().source === 'practice'
const idle = (session: Session) => session.get().bench.busy === null

const MARKS = { growls: 'It growls here', best: 'It is best here', chokes: 'It chokes here' }

/** Where a drum speaks, marked while tuning. */
const markCommands = (Object.keys(MARKS) as Array<keyof typeof MARKS>).map((mark): Command => ({
  id: `bench.${mark}`,
  label: `${MARKS[mark]}: mark this pitch of the batter`,
  group: 'Bench',
  enabled: when((view) => view.side === 'batter' && readCount(view) > 0),
  run: ({ session }) => {
    if (markRange(session, mark))
      session.notify(`${MARKS[mark]}: marked. Spacing keeps to it.`, { undo: true })
  },
}))

const WHOLE = [-1 / 4, -1 / 8, 1 / 8, 1 / 4]

/** The whole head at once. */
const wholeCommands = WHOLE.map((turns): Command => ({
  id: `bench.all${turns < 0 ? 'Down' : 'Up'}${Math.abs(1 / turns)}`,
  label: `All rods ${turns < 0 ? 'down' : 'up'} 1/${Math.abs(1 / turns)}: they are turned`,
  group: 'Bench',
  enabled: when(() => true),
  run: ({ session }) => turnedWhole(session, turns),
}))

/** Steps to the next or previous drum of the kit. */
function stepDrum(session: Session, by: number): void {
  const view = currentView(session)
  if (!view) return
  const { drums } = view.kit
  const at = drums.findIndex(({ id }) => id === view.drum.id)
  chooseHead(session, drums[(at + by + drums.length) % drums.length].id, view.side)
}

export const BENCH_COMMANDS: Command[] = [
  {
    id: 'bench.tap',
    label: 'Tap the practice drum at the lug in focus',
    group: 'Bench',
    shortcut: 't',
    enabled: when((view, session) => view.phase === 'read' && practising(session) && idle(session)),
    run: async ({ session }) => void (await tapPractice(session)),
  },
  {
    id: 'bench.tapRound',
    label: 'Tap the practice drum at every lug left',
    group: 'Bench',
    shortcut: 'a',
    enabled: when((view, session) => view.phase === 'read' && practising(session) && idle(session)),
    run: ({ session }) => tapRound(session),
  },
  {
    id: 'bench.listen',
    label: 'Open or close the microphone',
    group: 'Bench',
    shortcut: 'm',
    enabled: when((_, session) => session.get().source === 'microphone'),
    run: ({ session }) =>
      session.get().hearing.state === 'off' ? startListening(session) : stopListening(session),
  },
  {
    id: 'bench.file',
    label: 'Read a recording',
    group: 'Bench',
    shortcut: 'f',
    enabled: when(
      (view, session) =>
        (view.phase === 'read' || session.get().bench.strike === 'centre') &&
        session.get().source === 'file' &&
        idle(session),
    ),
    run: ({ pickFile }) => pickFile('sound'),
  },
  {
    id: 'bench.heard',
    label: 'What was heard: look at the last taps',
    group: 'Bench',
    shortcut: 'w',
    enabled: when(() => true),
    run: ({ session, open }) => {
      lookAtTap(session, null)
      open('heard')
    },
  },
  {
    id: 'bench.listening',
    label: 'How it listens: order, microphone, confirmation',
    group: 'Bench',
    shortcut: 'h',
    enabled: when(() => true),
    run: ({ open }) => open('listening'),
  },
  {
    id: 'bench.why',
    label: 'Why these rods: what is seen, what is not, how sure',
    group: 'Bench',
    shortcut: 'y',
    enabled: when((view) => view.advice !== null),
    run: ({ open }) => open('why'),
  },
  {
    id: 'bench.feel',
    label: 'Say how the rods feel: loose, alike or tight',
    group: 'Bench',
    shortcut: 'r',
    enabled: when((view) => view.turnedNow === null && readCount(view) > 0),
    run: ({ open }) => open('feel'),
  },
  {
    id: 'bench.look',
    label: 'Look it over: heads, hoop, edge, rods, mount',
    group: 'Bench',
    shortcut: 'o',
    enabled: when(() => true),
    run: ({ open }) => open('look'),
  },
  {
    id: 'bench.fit',
    label: 'Fit a head, or start from slack',
    group: 'Bench',
    shortcut: 'i',
    enabled: when(() => true),
    run: ({ open }) => open('fit'),
  },
  {
    id: 'bench.wrinkles',
    label: 'Wrinkles: tighten only the rods beside them',
    group: 'Bench',
    shortcut: 'c',
    enabled: when((view) => view.phase === 'climb'),
    run: ({ open }) => open('wrinkles'),
  },
  {
    id: 'bench.pair',
    label: 'Both heads: relation, centre pitch, edge to centre',
    group: 'Bench',
    shortcut: 'b',
    enabled: when(() => true),
    run: ({ open }) => open('pair'),
  },
  {
    id: 'bench.compare',
    label: 'Compare two states of this drum: numbers, ring, by ear',
    group: 'Bench',
    shortcut: 'v',
    enabled: when(() => true),
    run: ({ open }) => open('compare'),
  },
  {
    id: 'bench.drastic',
    label: 'One turn on purpose: learn what a head does',
    group: 'Bench',
    enabled: when(() => true),
    run: ({ open }) => open('drastic'),
  },
  {
    id: 'bench.stand',
    label: 'On the stand: ring held and hung, muffling',
    group: 'Bench',
    shortcut: 'j',
    enabled: when(() => true),
    run: ({ open }) => open('stand'),
  },
  {
    id: 'bench.snare',
    label: 'Snare: snare side, wires, bed, ranges',
    group: 'Bench',
    enabled: when((view) => view.drum.kind === 'snare'),
    run: ({ open }) => open('snare'),
  },
  {
    id: 'bench.kick',
    label: 'Kick: feel, tone, port, muffling',
    group: 'Bench',
    enabled: when((view) => view.drum.kind === 'kick'),
    run: ({ open }) => open('kick'),
  },
  {
    id: 'bench.fast',
    label: 'Fast routine for a borrowed drum',
    group: 'Bench',
    enabled: when(() => true),
    run: ({ open }) => open('fast'),
  },
  {
    id: 'bench.fault',
    label: 'Find what is wrong: from complaint to cause',
    group: 'Bench',
    shortcut: 'x',
    enabled: when(() => true),
    run: ({ open }) => open('fault'),
  },
  {
    id: 'bench.hideFault',
    label: 'Hide a fault in the practice drum',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ open }) => open('hide-fault'),
  },
  ...markCommands,
  {
    id: 'bench.uneven',
    label: 'Uneven on purpose: turns rod by rod at a pitch',
    group: 'Bench',
    shortcut: 'u',
    enabled: when(() => true),
    run: ({ open }) => open('uneven'),
  },
  {
    id: 'bench.gaugeRound',
    label: 'Put the simulated gauge on every lug left',
    group: 'Bench',
    enabled: when((view, session) => view.phase === 'read' && practising(session)),
    run: ({ session }) => gaugeRound(session),
  },
  {
    id: 'bench.turned',
    label: 'Turned: the next move is made',
    group: 'Bench',
    shortcut: 'Enter',
    enabled: when((view) => view.phase === 'climb' || (view.phase === 'turn' && view.steps.length > 0)),
    run: ({ session }) => turned(session),
  },
  {
    id: 'bench.turnedAll',
    label: 'All moves of this pass are made',
    group: 'Bench',
    shortcut: 'Shift+Enter',
    enabled: when((view) => view.phase === 'turn' && view.steps.length > 0),
    run: ({ session }) => turnedAll(session),
  },
  {
    id: 'bench.otherwise',
    label: 'Something else was turned',
    group: 'Bench',
    shortcut: 'e',
    enabled: when((view) => view.sitting !== null),
    run: ({ open }) => open('otherwise'),
  },
  {
    id: 'bench.pressed',
    label: 'Pressed: the head has settled',
    group: 'Bench',
    shortcut: 'p',
    enabled: when((view) => view.phase === 'press'),
    run: ({ session }) => pressed(session),
  },
  {
    id: 'bench.moveOn',
    label: 'Show the next move with what is read',
    group: 'Bench',
    shortcut: 'n',
    enabled: when(
      (view) =>
        view.phase === 'read' &&
        ((view.turnedNow === null && readCount(view) >= 3) || view.climb?.stage === 'check'),
    ),
    run: ({ session }) => moveOn(session),
  },
  {
    id: 'bench.keep',
    label: 'Keep the head on a sheet',
    group: 'Bench',
    shortcut: 'k',
    // What was simulated enters no sheet of a drum of one's own.
    enabled: when((view) => fittedNow(view.head) !== null && (!view.practice || view.kit.simulated)),
    run: ({ open }) => open('keep'),
  },
  {
    id: 'bench.readHeadAgain',
    label: 'Read this head again from the first lug: nothing was turned',
    group: 'Bench',
    enabled: when((view) => view.turnedNow === null && readCount(view) > 0),
    run: ({ session }) => readHeadAgain(session),
  },
  {
    id: 'bench.twoTaps',
    label: 'Two taps: which is higher, and by how much',
    group: 'Bench',
    enabled: when(() => true),
    run: ({ open }) => open('two-taps'),
  },
  ...wholeCommands,
  {
    id: 'bench.readAgain',
    label: 'Read this lug again from the start',
    group: 'Bench',
    enabled: when((view) => readCount(view) > 0),
    run: ({ session }) => {
      const view = currentView(session)
      if (view) readAgain(session, view.lug)
    },
  },
  {
    id: 'bench.withdraw',
    label: 'Drop the last tap of this pass',
    group: 'Bench',
    shortcut: 'Backspace',
    enabled: when((view) => view.turnedNow === null && (view.sitting?.passes.at(-1)?.readings.size ?? 0) > 0),
    run: ({ session }) => {
      const last = [...(currentView(session)?.sitting?.passes.at(-1)?.readings.keys() ?? [])].at(-1)
      if (last) withdrawTap(session, last)
    },
  },
  {
    id: 'bench.side',
    label: 'Other head of this drum',
    group: 'Bench',
    shortcut: 's',
    enabled: when(() => true),
    run: ({ session }) => {
      const view = currentView(session)
      if (view) chooseHead(session, view.drum.id, otherSide(view.side))
    },
  },
  {
    id: 'bench.nextDrum',
    label: 'Next drum',
    group: 'Bench',
    shortcut: ']',
    enabled: when((view) => view.kit.drums.length > 1),
    run: ({ session }) => stepDrum(session, 1),
  },
  {
    id: 'bench.previousDrum',
    label: 'Previous drum',
    group: 'Bench',
    shortcut: '[',
    enabled: when((view) => view.kit.drums.length > 1),
    run: ({ session }) => stepDrum(session, -1),
  },
  {
    id: 'bench.roughen',
    label: 'Put the practice head out of tune',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ session }) => roughenPractice(session),
  },
  {
    id: 'bench.backOff',
    label: 'Back off the practice drum’s three near rods',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ session }) => backOffNearRods(session),
  },
]

/** Lugs read in the pass at hand. */
export function readCount(view: BenchView): number {
  const pass = view.sitting?.passes.at(-1)
  return pass ? lugsRead(pass, view.readBy).length : 0
}
