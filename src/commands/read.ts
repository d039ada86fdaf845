import { gaugeRound } from '@/session/actions/gauge'
import { startListening, stopListening } from '@/session/actions/listening'
import { tapPractice, tapRound } from '@/session/actions/practice'
import { lookAtTap, readAgain, withdrawTap } from '@/session/actions/readings'
import { currentView } from '@/session/currentView'
import { readHeadAgain } from '@/session/actions/said'
import { moveOn } from '@/session/actions/turning'
import { recipeOpen } from '@/session/benchView'
import type { Command } from './types'
import { idle, practising, readCount, when, whenEvening } from './when'

/** Reading a head: taps, recordings, the gauge, and what was heard of them. */
export const READ_COMMANDS: Command[] = [
  {
    id: 'bench.tap',
    label: 'Tap the practice drum at the lug in focus',
    group: 'Bench',
    shortcut: 't',
    enabled: whenEvening((view, session) => view.phase === 'read' && practising(session) && idle(session)),
    run: async ({ session }) => void (await tapPractice(session)),
  },
  {
    id: 'bench.tapRound',
    label: 'Tap the practice drum at every lug left',
    group: 'Bench',
    shortcut: 'a',
    enabled: whenEvening((view, session) => view.phase === 'read' && practising(session) && idle(session)),
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
    id: 'bench.gaugeRound',
    label: 'Put the simulated gauge on every lug left',
    group: 'Bench',
    enabled: whenEvening((view, session) => view.phase === 'read' && practising(session)),
    run: ({ session }) => gaugeRound(session),
  },
  {
    id: 'bench.moveOn',
    label: 'Show the next move with what is read',
    group: 'Bench',
    shortcut: 'n',
    enabled: whenEvening(
      (view) =>
        view.phase === 'read' &&
        ((view.turnedNow === null && readCount(view) >= 3) ||
          recipeOpen(view) ||
          view.climb?.stage === 'check'),
    ),
    run: ({ session }) => moveOn(session),
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
  {
    id: 'bench.readAgain',
    label: 'Read this lug again from the start',
    group: 'Bench',
    enabled: whenEvening((view) => readCount(view) > 0),
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
    enabled: whenEvening(
      (view) => view.turnedNow === null && (view.sitting?.passes.at(-1)?.readings.size ?? 0) > 0,
    ),
    run: ({ session }) => {
      const last = [...(currentView(session)?.sitting?.passes.at(-1)?.readings.keys() ?? [])].at(-1)
      if (last) withdrawTap(session, last)
    },
  },
]
