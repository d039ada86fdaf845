import { backOffNearRods, roughenPractice } from '@/session/actions/practice'
import type { Command } from './types'
import { practising, when } from './when'

/** What is done to the practice drum on the Bench. */
export const PRACTICE_COMMANDS: Command[] = [
  {
    id: 'bench.hideFault',
    label: 'Hide a fault in the practice drum',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ open }) => open('hide-fault'),
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
