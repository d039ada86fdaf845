import { hasStep, STEP_IDS, STEPS, type StepId } from '@/core/status/steps'
import { chooseHead, goToStop } from '@/session/actions/kits'
import { currentView } from '@/session/currentView'
import { jobView } from '@/session/jobView'
import type { Command } from './types'
import { when } from './when'

export const stepCommand = (step: StepId): string => `bench.${step}`

/** Every step of a drum's job; each works from anywhere on the Bench. */
const toSteps = STEP_IDS.map((step): Command => {
  const { says, key } = STEPS[step]
  return {
    id: stepCommand(step),
    label: says,
    group: 'Bench',
    ...(key ? { shortcut: key } : {}),
    enabled: when(({ drum }) => hasStep(drum, step)),
    run: ({ session }) => {
      const view = currentView(session)
      if (view) goToStop(session, { step, side: view.drum.oneHeaded ? 'batter' : view.side })
    },
  }
})

export const STEP_COMMANDS: Command[] = [
  ...toSteps,
  {
    id: 'bench.next',
    label: 'Next: what the line names, or the next head of the run',
    group: 'Bench',
    shortcut: '.',
    enabled: (session) => Boolean(jobView(session.get())?.next),
    run: ({ session }) => {
      const next = jobView(session.get())?.next
      if (!next) return
      if ('stop' in next) goToStop(session, next.stop)
      else chooseHead(session, next.drum.id, next.side)
    },
  },
]
