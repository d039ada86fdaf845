import type { EvenAnswer } from '@/core/evening/types'
import { centsBetween } from '@/core/units/pitch'
import { fixed } from './shown'
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

/**
 * One sentence for what the core decided.
 * @param level only evenness was asked for: nothing is said of a pitch that nobody wanted
 */
export function adviceText(answer: EvenAnswer, level = false): string {
  return [decisionText(answer, level), leftOutText(answer), muteText(answer)].filter(Boolean).join(' ')
}

function decisionText(answer: EvenAnswer, level: boolean): string {
  const { reason, done } = answer
  switch (reason) {
    case 'within-tolerance':
      return answer.knownBy === 'whole'
        ? `One number for the head says ${fixed(answer.meanHz, 1)} Hz; its evenness was not read.`
        : `${evenText(answer, level)}: good enough here, leave it.${aloneText(answer)}`
    case 'no-turn-helps':
      return answer.leftAlone.length
        ? `Spread ${CENTS(answer.spreadCents)}: as far as it goes without rod ${listText(answer.leftAlone)}.`
        : `${standsText(answer)}: no turn that a hand can make would bring it closer.${done ? '' : ' The readings still lie outside the tolerance: read again, or leave it so.'}`
    case 'ceiling':
      return 'The target lies above the ceiling set for this head. Stop here, or choose a lower pitch.'
    case 'hoop-or-edge':
      return answer.hoopOrEdgeKnown
        ? `Spread ${CENTS(answer.spreadCents)} is as far as it goes: what looking over found of hoop or edge explains the rest.`
        : answer.suspects.length
          ? `Rods ${listText(answer.suspects.map(({ rod }) => rod))} do not answer: the hoop lies on the shell there, or the edge holds the film. Spread ${CENTS(answer.spreadCents)} is as far as it goes. Look at the hoop from above for an uneven gap.`
          : `Spread ${CENTS(answer.spreadCents)}, and no turn helps any more: hoop or edge pull this head unevenly. Look at the hoop from above for an uneven gap.`
    case 'suspect-rod':
      return suspectText(answer)
    case 'readings-disagree':
      return disagreeText(answer)
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

const BY: Record<NonNullable<EvenAnswer['knownBy']>, string> = {
  pitch: '',
  whole: '',
  gauge: 'Even by the dial; the pitch was not read',
  ear: 'Even by ear, to some 10 cents; the pitch was not read',
  feel: 'The rods feel alike; the pitch was not read',
}

function evenText(answer: EvenAnswer, level: boolean): string {
  const by = answer.knownBy && BY[answer.knownBy]
  return by || `Even to ${CENTS(answer.spreadCents)}${level ? '' : ' and on pitch'}`
}

function standsText(answer: EvenAnswer): string {
  const off = centsBetween(answer.targetHz, answer.meanHz)
  const pitch = Math.round(Math.abs(off)) > 0 ? `, ${CENTS(off)} ${off < 0 ? 'low' : 'high'}` : ''
  return `Spread ${CENTS(answer.spreadCents)}${answer.knownBy === 'pitch' ? pitch : ''}`
}

function suspectText({ suspects }: EvenAnswer): string {
  const rods = suspects.map(({ rod }) => rod)
  if (suspects[0].together)
    return `Rods ${listText(rods)} seem not to answer. Turn both ${directionWord(suspects[0].test.turns[0])} ${turnText(suspects[0].test.turns[0])} and read again: that tells whether the hoop lies on the shell there.`
  const which = `Rod ${rods.join(' or ')}`
  if (suspects.every(({ turns }) => turns >= 2)) {
    const hand = rods.length > 1 ? '; the hand tells which of the two turns too easily' : ''
    return `${which} was turned more than once and the head did not answer${hand}. Look at its thread, its washer and its insert before going on.`
  }
  const { test } = suspects[0]
  return `${which} seems not to answer. Turn ${listText(test.rods)} ${directionWord(test.turns[0])} ${turnText(test.turns[0])} alone and read again: that tells.`
}

function disagreeText({ disagree, readNext }: EvenAnswer): string {
  const words = disagree
    .slice(0, 2)
    .map(({ lugs, cents, what }) =>
      what === 'apart'
        ? `lugs ${listText(lugs)} read ${ROUND(cents)} c apart, more than the head as a whole can be`
        : what === 'opposite'
          ? `lugs ${listText(lugs)} lie ${ROUND(cents)} c apart, and opposite lugs of a head sound alike`
          : `lug ${lugs[0]} lies ${ROUND(cents)} c ${cents < 0 ? 'under' : 'over'} what the other lugs make of it`,
    )
  const what = words.length ? `: ${words.join('; ')}` : ''
  return `These readings cannot stand together${what}. Tap ${listText(readNext)} again: other head muted, wires off, a fingertip on the very middle.`
}

/** A reading that was left out is never passed over in silence. */
function leftOutText({ leftOut, reason, readNext }: EvenAnswer): string {
  if (leftOut.length === 0 || reason === 'readings-disagree') return ''
  const which = `${leftOut.length > 1 ? 'Lugs' : 'Lug'} ${listText(leftOut)}`
  const verb = leftOut.length > 1 ? 'were' : 'was'
  const again = leftOut.some((lug) => readNext.includes(lug)) ? ', tap it again' : ''
  return `${which} ${verb} left out, too far from what the others say${again}.`
}

const muteText = ({ muteOther }: EvenAnswer): string =>
  muteOther ? 'Two tones stand at every lug: the other head answers, near alike. Mute it and read again.' : ''

/** What is done although a whole head would not read so: pairs that are taken as they are, rods that go against their own lug. */
function numbersText({ unlike, against, turns }: EvenAnswer): string {
  const [first] = unlike
  if (against.length) {
    const [one] = against
    return `Rod ${one} goes ${directionWord(turns[one - 1])} although its own lug reads ${turns[one - 1] > 0 ? 'high' : 'low'}: the head as a whole comes even so.`
  }
  if (!first) return ''
  const [a, b] = first.cents < 0 ? first.lugs : [...first.lugs].reverse()
  return `Lug ${a} reads ${ROUND(first.cents)} c over ${b}, opposite to it: if that stays after this pass, look at hoop and edge.`
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
  return `${words.join(', ')}${more}${rest}.${aloneText(answer)}`
}

function aloneText({ leftAlone, suspects }: EvenAnswer): string {
  if (suspects.length)
    return ` Rods ${listText(suspects.map(({ rod }) => rod))} do not answer: leave them, the hoop may lie on the shell there.`
  if (leftAlone.length === 0) return ''
  return ` ${leftAlone.length > 1 ? `Rods ${listText(leftAlone)} hold nothing and are` : `Rod ${leftAlone[0]} holds nothing and is`} left alone.`
}

/** Spread after the pass in words: what the hand leaves is in it. */
export function forecastWords({ withinSpreadCents, likelySpreadCents, knownBy }: EvenAnswer): string {
  if (knownBy === null) return ''
  const within = Math.max(1, Math.round(withinSpreadCents))
  const likely = Math.max(1, Math.round(likelySpreadCents))
  return within === likely
    ? `The spread should come to ${within} c.`
    : `The spread should come within ${within} c, likely ${likely}.`
}

/** Why these rods, in one sentence made from the move itself, or the turns that a deliberately uneven head is to have. */
export function whyText(answer: EvenAnswer, lugHz: readonly number[], onPurpose = false): string {
  const moves = alikeMoves(answer.turns)
  const notes = [leftOutText(answer), muteText(answer), numbersText(answer)]
    .filter(Boolean)
    .map((note) => ` ${note}`)
  if (answer.reason !== null || moves.length === 0) return adviceText(answer)
  if (onPurpose)
    return answer.knownBy === null
      ? 'Each rod goes by the turns chosen for it, from where it stands: the head was not read this time. Stop where you like, such as when the wrinkles just go.'
      : 'Each rod goes towards the turns wanted of it, away from an even pull; mean and pattern are checked after.'
  const off = centsBetween(answer.targetHz, answer.meanHz)
  const whole = moves.flatMap((move) => move.rods).length === answer.turns.length
  const sameWay = moves.every(({ turn }) => Math.sign(turn) === Math.sign(moves[0].turn))
  if (whole && sameWay && Math.abs(off) > answer.spreadCents) {
    const rest = moves.length > 1 ? ', some further to even it' : ', all alike'
    return `The whole head is ${ROUND(off)} c ${off < 0 ? 'low' : 'high'}; every rod goes ${directionWord(-off)}${rest}.${notes.join('')}`
  }
  const against = answer.knownBy === 'pitch' || answer.knownBy === 'whole' ? 'the target' : 'the middle'
  const reason = moveReason(moves[0], lugHz, answer.wantedHz, against)
  return notes.length ? `${reason.where}${notes.join('')}` : `${reason.where} ${reason.after}`
}

/** Where the lugs of a move's rods lie, and what turning them does. */
function moveReason(
  { turn, rods }: { turn: number; rods: readonly number[] },
  lugHz: readonly number[],
  wantedHz: readonly number[],
  against: string,
): { where: string; after: string } {
  const at = rods.map((rod) => centsBetween(wantedHz[rod - 1], lugHz[rod - 1]))
  const mean = at.reduce((sum, cents) => sum + cents, 0) / at.length
  const verb = rods.length > 1 ? 'lie' : 'lies'
  const after =
    turn > 0 ? 'Raising takes the neighbours along.' : 'Coming down sticks: press the head afterwards.'
  const needed = turn > 0 ? mean < -0.5 : mean > 0.5
  const where = needed
    ? `${listText(rods)} ${verb} ${ROUND(mean)} c ${mean < 0 ? 'under' : 'over'} ${against}.`
    : `${listText(rods)} ${directionWord(turn)}: the pattern of the whole head comes even so.`
  return { where, after }
}
