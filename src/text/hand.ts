import type { HandTarget } from '@/core/records/kit'
import { fixed } from './shown'
import { turnText } from './turns'

/** What a hand finds a head again by: "dial 74, 74.5, 74", "1 1/4 turns from slack", "even by ear". */
export function handText({ dials, slackTurns, ear }: HandTarget): string {
  const alike = (all: ReadonlyArray<number | null>) => all.every((value) => value === all[0])
  const dial = (value: number | null) =>
    value === null ? '–' : fixed(value, Number.isInteger(value) ? 0 : 1)
  const turned = slackTurns && (alike(slackTurns) ? slackTurns.slice(0, 1) : slackTurns)
  return [
    ...(dials ? [`dial ${(alike(dials) ? dials.slice(0, 1) : dials).map(dial).join(', ')}`] : []),
    ...(turned ? [`${turned.map((turn) => turnText(Math.abs(turn))).join(', ')} turns from slack`] : []),
    ...(ear ? ['even by ear'] : []),
  ].join('; ')
}
