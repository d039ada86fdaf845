import { toneOfHead } from '../measurement/headTone'
import { Listener, type MeasuredTap } from '../measurement/listener'
import { measureSound } from '../measurement/measure'
import { isOfHead } from '../measurement/sameHead'
import type { Mode, Tap } from '../measurement/types'
import { lugByUpperModes } from '../measurement/upper'
import { MEASUREMENT_VERSION } from '../measurement/version'
import { gradedTakes, plainTakes, streams, untapped } from '@ref/gradedTakes'
import { holds, MEMBRANE, type Lines } from '@ref/changes/held'

const mode = ({ hz, decaySeconds, levelDb, standardErrorHz }: Mode) =>
  `${hz.toFixed(2)}/${standardErrorHz.toFixed(3)}/${decaySeconds.toFixed(3)}/${levelDb.toFixed(1)}`

function inWords(tap: Tap): string {
  const parts = [tap.verdict, tap.atSeconds.toFixed(3)]
  if (tap.why) parts.push(tap.why.split(/[.:]/)[0].replace(/\d/g, ''))
  if (tap.warning) parts.push(tap.warning)
  if (tap.hz !== null) parts.push(`${tap.hz.toFixed(2)} ± ${tap.standardErrorHz!.toFixed(3)}`)
  parts.push(tap.modes.slice(0, 4).map(mode).join(' '))
  if (tap.alternatives.length > 0)
    parts.push(
      'or',
      ...tap.alternatives.slice(0, 2).map(({ hz, odds }) => `${hz.toFixed(1)}/${odds.toFixed(3)}`),
    )
  if (tap.ringSeconds)
    parts.push(
      `ring ${tap.ringSeconds.to20dB?.toFixed(3)} ${tap.ringSeconds.to60dB?.toFixed(3)} glide ${tap.glideCents?.toFixed(1)}`,
    )
  return parts.join(' ')
}

/** Taps with the time at which each was told. */
function listened(
  sound: Float32Array,
  rateHz: number,
  inches: number,
): Array<MeasuredTap & { told: number }> {
  const listener = new Listener(rateHz, { diameterInches: inches })
  const taps: Array<MeasuredTap & { told: number }> = []
  for (let at = 0; at < sound.length; at += 1024) {
    const heard = listener.push(sound.subarray(at, at + 1024)).taps
    taps.push(...heard.map((tap) => ({ ...tap, told: at / rateHz })))
  }
  return taps
}

const number = (value: number | null) => (value === null ? '-' : value.toFixed(2))

/**
 * What is measured of recorded drums, troubled in steps. Every reading is kept with the version of the measuring that
 * gave it, so a change of these lines goes together with a change of that version, which is one of them.
 */
function measured(): Lines {
  const lines: Lines = { version: MEASUREMENT_VERSION }
  const plain: Array<{ name: string; modes: readonly Mode[] }> = []
  for (const { name, samples, rateHz, options } of plainTakes()) {
    const taps = measureSound(samples, rateHz, options)
    lines[name] = taps.map(inWords).join(' | ')
    plain.push({ name, modes: taps[0].modes })
  }
  for (const { name, samples, rateHz, options } of [...gradedTakes(), ...untapped()])
    lines[name] = measureSound(samples, rateHz, options).map(inWords).join(' | ')
  const heard = streams().map((stream) => ({
    ...stream,
    taps: listened(stream.sound, stream.rateHz, stream.inches),
  }))
  for (const { name, taps, inches } of heard) {
    lines[name] = taps
      .map(({ tap, told, againSeconds, afterSeconds, againstHand }) =>
        [
          tap.atSeconds.toFixed(2),
          tap.verdict,
          number(told),
          number(tap.hz),
          number(againSeconds),
          number(afterSeconds),
          number(againstHand),
        ].join(' '),
      )
      .join(' | ')
    const tone = toneOfHead(
      taps.map(({ tap }) => tap.modes),
      { diameterInches: inches },
    )
    lines[`${name}: the head’s tone`] = [
      tone.sure ? 'sure' : 'asked',
      ...tone.pitches.slice(0, 3).map(({ hz, odds }) => `${hz.toFixed(1)}/${odds.toFixed(3)}`),
    ].join(' ')
  }
  // A floor tom of 16 by 16 inches and a kick of 22 by 18, whose lowest tone a small microphone does not hear.
  const low = { pliesMils: [10] }
  for (const { name, modes } of plain) {
    const told = [
      lugByUpperModes({ ...low, diameterInches: 16, space: { depthInches: 16 } }, modes, {
        hz: 75,
        cents: 400,
      }),
      lugByUpperModes({ ...low, diameterInches: 22, space: { depthInches: 18 } }, modes, {
        hz: 55,
        cents: 400,
      }),
    ].map((each) =>
      each ? `${each.hz.toFixed(1)} ± ${each.errorCents.toFixed(1)} by ${each.used.length}` : 'none',
    )
    lines[`${name}: by its upper modes`] = told.join(', ')
  }
  for (const { name, taps } of heard) {
    lines[`${name}: near what is expected`] = [75, 90, 105, 125, 150]
      .map((expectHz) => taps.map(({ tap }) => Number(isOfHead(tap, { taps: [], expectHz }))).join(''))
      .join(' ')
    const own = taps
      .filter(({ tap }) => tap.hz !== null)
      .slice(0, 3)
      .map(({ tap }) => tap)
    lines[`${name}: whose taps`] = heard
      .map((other) =>
        other.taps.map(({ tap }) => Number(isOfHead(tap, { taps: own, expectHz: null }))).join(''),
      )
      .join(' ')
  }
  return lines
}

holds('measurement', [...MEMBRANE, 'sound', 'measurement'], measured)
