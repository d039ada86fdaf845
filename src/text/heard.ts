import type { InputAdvice } from '@/core/measurement/input'
import type { PairExplained } from '@/core/head/pairCause'
import { fixed } from './shown'

/** What to do about the input, in words. */
export const INPUT_ADVICE: Record<InputAdvice, string> = {
  'too-loud': 'The input is nearly overdriven: turn it down, or move the microphone away.',
  'too-soft': 'The taps come in faint: turn the input up, or move the microphone closer.',
  'noisy-room': 'The room is loud beside the taps: move the microphone closer, or wait for quiet.',
}

/** What keeps the microphone closed, and what a reader of heads does then. */
export const MICROPHONE_TROUBLE = {
  refused: {
    what: 'The browser may not use the microphone for this page.',
    then: 'Allow it in the address bar’s site settings and press Listen again, or read from a recording.',
  },
  missing: {
    what: 'No microphone was found.',
    then: 'Plug one in and press Listen again, or read from a recording.',
  },
  insecure: {
    what: 'Browsers open the microphone only on a secure address.',
    then: 'Open Humbra over https, or on the machine it runs on as http://localhost; or record on the phone and read the recording.',
  },
  busy: {
    what: 'The microphone could not be opened: another program may be using it.',
    then: 'Close that one and press Listen again.',
  },
  lost: {
    what: 'The microphone went away.',
    then: 'What was read is kept. Plug it in and press Listen again.',
  },
  silent: {
    what: 'The microphone is open and sends nothing at all: muted at its switch or in the system?',
    then: 'What was read is kept.',
  },
  unsupported: {
    what: 'This browser cannot hand over raw sound.',
    then: 'Read from a recording instead.',
  },
}

/** Why two tones are heard at the edge, in words. */
export function pairText({ cause, apartCents }: PairExplained): string {
  const apart = `Two tones ${Math.max(1, Math.round(apartCents))} c apart:`
  if (cause === 'unevenness') return `${apart} the head pulls unevenly. Evening it brings them together.`
  if (cause === 'other-head') return `${apart} the other head answers. Mute it, and one of them goes away.`
  return `${apart} the head's own unevenness, or the other head answering. Mute the other head and tap again to know.`
}

/** Level of a room in dB under full scale: "−52 dB". */
export function levelText(rms: number): string {
  return rms > 1e-5 ? `−${Math.round(-20 * Math.log10(Math.min(1, rms)))} dB` : 'silent'
}

/** Size of a file for people: "1.7 MB". */
export function bytesText(bytes: number): string {
  return bytes < 100_000 ? `${Math.round(bytes / 1000)} KB` : `${fixed(bytes / 1e6, 1)} MB`
}

/** How fast two tones beat: "beats 3 times a second". */
export function beatText(a: number, b: number): string {
  const beats = Math.abs(a - b)
  if (beats < 0.05) return 'no beat: alike'
  return beats < 1 ? `one beat in ${fixed(1 / beats, 1)} s` : `${fixed(beats, 1)} beats a second`
}
