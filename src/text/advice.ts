import type { EvenAnswer } from '@/core/evening/types'
import { centsBetween } from '@/core/units/pitch'
import { directionWord, listText, turnText } from './turns'

/** Groups of rods that turn alike, largest move first. */
export function alikeMoves(turns: readonly number[]): Array<{ turn: number; rods: number[] }> {
  const groups = new Map<number, number[]>()
  turns.forEach((turn, i) => {
    if (turn !== 0) groups.set(turn, [...(groups.get(turn) ?? []), i + 1])
  })
  return [...groups]
    .map(([turn, rods]) => ({ turn, rods }))
    .sort((a, b) => Math.abs(b.turn) - Math.abs(a.turn) || a.rods[0] - b.rods[0])
}

const ROUND = (cents: number) => String(Math.round(Math.abs(cents)))
const CENTS = (cents: number) => `${ROUND(cents)} ${ROUND(cents) === '1' ? 'cent' : 'cents'}`

/** One sentence for what the core decided. */
export function adviceText(answer: EvenAnswer): string {
  switch (answer.reason) {
    case 'within-tolerance':
      return `Even to ${CENTS(answer.spreadCents)} and on pitch: good enough here, leave it.${silentText(answer)}`
    case 'no-turn-helps':
      return answer.leftAlone.length
        ? `Spread ${CENTS(answer.spreadCents)}: as far as it goes without rod ${listText(answer.leftAlone)}.`
        : `Spread ${CENTS(answer.spreadCents)}: no turn that a hand can make would bring it closer.`
    case 'ceiling':
      return 'The target lies above the ceiling set for this head. Stop here, or choose a lower pitch.'
    case 'hoop-or-edge':
      return answer.silentRods.length
        ? `Rods ${listText(answer.silentRods)} do not answer: the hoop lies on the shell there, or the edge holds the film. Spread ${CENTS(answer.spreadCents)} is as far as it goes. Look at the hoop from above for an uneven gap.`
        : answer.hoopOrEdgeKnown
          ? `Spread ${CENTS(answer.spreadCents)} is as far as it goes: what looking over found of hoop or edge explains the rest.`
          : `Spread ${CENTS(answer.spreadCents)}, and no turn helps any more: hoop or edge pull this head unevenly. Look at the hoop from above for an uneven gap.`
    case 'dead-rod':
      return `Rod ${answer.silentRods.join(' or ')} was turned and the head did not answer${answer.silentRods.length > 1 ? '; the hand tells which of the two turns too easily' : ''}. Look at its thread, its washer and its insert before going on.`
    case 'back-to-slack':
      return 'The pitch keeps swinging past the target and back. Let all rods down to finger-tight and come up again.'
    case 'need-readings':
      return answer.readNext.length
        ? `Too little is known yet. Tap ${listText(answer.readNext)} next.`
        : 'The readings do not agree well enough to turn anything. Read the lugs once more.'
    case null:
      return moveText(answer)
  }
}

function moveText(answer: EvenAnswer): string {
  const moves = alikeMoves(answer.turns)
  const all = moves.length === 1 && moves[0].rods.length === answer.turns.length
  const words = moves.slice(0, 3).map(({ turn, rods }, i) => {
    const verb = turn > 0 ? 'raise' : 'lower'
    const first = i === 0 ? verb[0].toUpperCase() + verb.slice(1) : verb
    return `${first} ${all ? 'all rods' : listText(rods)} by ${turnText(turn)}`
  })
  const more = moves.length > 3 ? ', and the others as listed' : ''
  const rest = moves.flatMap((move) => move.rods).length < answer.turns.length ? '; leave the rest' : ''
  return `${words.join(', ')}${more}${rest}.${silentText(answer)}`
}

function silentText({ silentRods, leftAlone }: EvenAnswer): string {
  const dead = leftAlone.length
    ? ` ${leftAlone.length > 1 ? `Rods ${listText(leftAlone)} hold nothing and are` : `Rod ${leftAlone[0]} holds nothing and is`} left alone.`
    : ''
  return silentRods.length
    ? `${dead} Rods ${listText(silentRods)} do not answer: leave them, the hoop may lie on the shell there.`
    : dead
}

/** Why these rods, in one sentence: what the readings show, or the turns that a deliberately uneven head is to have. */
export function whyText(answer: EvenAnswer, lugHz: readonly number[], onPurpose = false): string {
  const off = centsBetween(answer.targetHz, answer.meanHz)
  const moves = alikeMoves(answer.turns)
  if (answer.reason !== null || moves.length === 0) return adviceText(answer)
  if (onPurpose)
    return 'Each rod goes towards the turns wanted of it, away from an even pull; mean and pattern are checked after.'
  const whole = moves.flatMap((move) => move.rods).length === answer.turns.length
  const low = lugHz.indexOf(Math.min(...lugHz))
  const high = lugHz.indexOf(Math.max(...lugHz))
  const pair = (lug: number) =>
    lugHz.length % 2
      ? `${lug + 1}`
      : `${Math.min(lug, (lug + lugHz.length / 2) % lugHz.length) + 1} and ${Math.max(lug, (lug + lugHz.length / 2) % lugHz.length) + 1}`
  const gap = ROUND(centsBetween(lugHz[low], lugHz[high]))
  if (whole && Math.abs(off) > answer.spreadCents) {
    return `The whole head is ${ROUND(off)} c ${off < 0 ? 'low' : 'high'}; every rod goes ${directionWord(-off)}, some further to even it.`
  }
  if (moves[0].turn > 0) {
    return `${pair(low)} ${lugHz.length % 2 ? 'lies' : 'lie'} ${gap} c under ${pair(high)}. Raising them takes their neighbours along.`
  }
  return `${pair(high)} ${lugHz.length % 2 ? 'lies' : 'lie'} ${gap} c over ${pair(low)}. Coming down sticks: press the head afterwards.`
}
