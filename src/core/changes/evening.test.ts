import { evenRequests } from '@ref/changes/heads'
import { digits, EVENING, figures, holds, named, type Lines } from '@ref/changes/held'
import { even } from '../evening/even'

/** What is advised for heads that no model made. */
function evenAdvised(count = 90): Lines {
  const lines = evenRequests(count).map((request, seed) => {
    const answer = even(request)
    const steps = answer.steps.map(({ rods, turns }) => `${rods.join('+')}:${turns.join('+')}`).join(' ')
    return [
      ...[seed, answer.done, answer.reason, steps || '-', answer.pressAfter],
      ...[digits(answer.meanHz), digits(answer.spreadCents), digits(answer.spreadErrorCents)],
      ...[digits(answer.confidence), digits(answer.likelySpreadCents), digits(answer.withinSpreadCents)],
      `next ${answer.readNext} out ${answer.leftOut} ask ${answer.ask} enough ${answer.enough}`,
      `law ${figures(Object.values(answer.learned))}`,
      answer.suspects.map(({ rod, probability }) => `rod ${rod} ${digits(probability)}`).join(' '),
      `mute ${answer.muteOther} standing ${answer.micStoodStill}`,
      answer.disagree.map(({ what, lugs }) => `${what} ${lugs}`).join(' '),
      `rods ${figures(answer.rods.map(({ turns }) => turns))} ${digits(answer.rods[0]?.error ?? 0)}`,
    ].join(' ')
  })
  return named('head', lines)
}

holds('evening', EVENING, evenAdvised)
