import { tapRound } from '@/session/actions/practice'
import { markRange } from '@/session/actions/stand'
import { pressed, turned, turnedAll, turnedWhole } from '@/session/actions/turning'
import type { Command } from './types'
import { practising, readCount, when, whenEvening } from './when'

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

/** Turning and pressing, and what the hand found on the way. */
export const TURN_COMMANDS: Command[] = [
  {
    id: 'bench.why',
    label: 'Why these rods: what is seen, what is not, how sure',
    group: 'Bench',
    shortcut: 'y',
    enabled: whenEvening((view) => view.advice !== null),
    run: ({ open }) => open('why'),
  },
  {
    id: 'bench.feel',
    label: 'Say how the rods feel: loose, alike or tight',
    group: 'Bench',
    shortcut: 'r',
    enabled: whenEvening((view) => view.turnedNow === null && readCount(view) > 0),
    run: ({ open }) => open('feel'),
  },
  {
    id: 'bench.wrinkles',
    label: 'Wrinkles: tighten only the rods beside them',
    group: 'Bench',
    shortcut: 'c',
    enabled: whenEvening((view) => view.phase === 'climb'),
    run: ({ open }) => open('wrinkles'),
  },
  {
    id: 'bench.uneven',
    label: 'Uneven on purpose: turns rod by rod at a pitch',
    group: 'Bench',
    shortcut: 'u',
    enabled: when(() => true),
    run: ({ open }) => open('uneven'),
  },
  {
    id: 'bench.turned',
    label: 'Turned: the next move is made',
    group: 'Bench',
    shortcut: 'Enter',
    enabled: whenEvening(
      (view) => view.phase === 'climb' || (view.phase === 'turn' && view.steps.length > 0),
    ),
    run: ({ session }) => turned(session),
  },
  {
    id: 'bench.turnedAll',
    label: 'All moves of this pass are made',
    group: 'Bench',
    shortcut: 'Shift+Enter',
    enabled: whenEvening((view) => view.phase === 'turn' && view.steps.length > 0),
    run: ({ session }) => turnedAll(session),
  },
  {
    id: 'bench.otherwise',
    label: 'Something else was turned',
    group: 'Bench',
    shortcut: 'e',
    enabled: whenEvening((view) => view.sitting !== null),
    run: ({ open }) => open('otherwise'),
  },
  {
    id: 'bench.pressed',
    label: 'Pressed: the head has settled',
    group: 'Bench',
    shortcut: 'p',
    enabled: whenEvening((view) => view.phase === 'press' || view.phase === 'said'),
    run: ({ session }) => pressed(session),
  },
  {
    id: 'bench.turnedPressed',
    label: 'All moves of this pass are made, and the head is pressed (the practice drum is read again)',
    group: 'Bench',
    shortcut: 'Shift+P',
    enabled: whenEvening((view) => view.phase === 'turn' && view.steps.length > 0),
    // Two acts: a press is taken back as it is, a turn is asked about.
    run: ({ session }) => {
      turnedAll(session)
      pressed(session)
      // The practice drum has no hand that would tap it meanwhile.
      if (practising(session)) void tapRound(session)
    },
  },
  ...markCommands,
  ...wholeCommands,
]
