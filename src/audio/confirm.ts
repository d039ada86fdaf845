import { output } from './playback'

/** Both lie above what heads are measured in: a tap that they sound beside is read as if they did not. */
export const TICK_HZ = 1900
const TICK_SECONDS = 0.03
const LOUDNESS = 0.12

/** A short soft tick: a tap was taken. */
export function confirmWithTick(): void {
  const out = output()
  if (out) tone(out, TICK_HZ, out.currentTime, TICK_SECONDS, LOUDNESS)
}

export const LOW_HZ = 1300
const LOW_SECONDS = 0.09
const LOW_GAP_SECONDS = 0.06

/** Two low tones: a tap was heard and not taken. */
export function confirmRefused(): void {
  const out = output()
  if (!out) return
  for (const n of [0, 1])
    tone(out, LOW_HZ, out.currentTime + n * (LOW_SECONDS + LOW_GAP_SECONDS), LOW_SECONDS, LOUDNESS)
}

const localVoice = () =>
  typeof speechSynthesis === 'undefined' ? undefined : speechSynthesis.getVoices().find((v) => v.localService)

/** A spoken word for a tap that was taken; a tick where this device has no voice of its own. */
export function confirmWithWord(text: string): Promise<void> {
  if (localVoice()) return speak(text)
  confirmWithTick()
  return Promise.resolve()
}

/** Speaks by a voice of this device only; resolves when it is over. Does nothing where there is none. */
export function speak(text: string): Promise<void> {
  const voice = localVoice()
  if (!voice) return Promise.resolve()
  return new Promise((resolve) => {
    const words = new SpeechSynthesisUtterance(text)
    words.voice = voice
    words.rate = 1.3
    words.onend = words.onerror = () => resolve()
    speechSynthesis.speak(words)
    // A voice that never ends must not keep the ear deaf.
    setTimeout(resolve, 6000)
  })
}

/** Plays pitches together, softly, for some seconds: two near each other are heard to beat. */
export function playPitches(pitchesHz: readonly number[], seconds: number): void {
  const out = output()
  if (!out) return
  for (const hz of pitchesHz)
    tone(out, hz, out.currentTime + 0.02, seconds, (2 * LOUDNESS) / pitchesHz.length)
}

function tone(out: AudioContext, hz: number, at: number, seconds: number, loudness: number): void {
  const source = out.createOscillator()
  const gain = out.createGain()
  source.frequency.value = hz
  gain.gain.setValueAtTime(0, at)
  gain.gain.linearRampToValueAtTime(loudness, at + 0.004)
  gain.gain.setValueAtTime(loudness, at + Math.max(0.004, seconds - 0.02))
  gain.gain.linearRampToValueAtTime(0, at + seconds)
  source.connect(gain).connect(out.destination)
  source.start(at)
  source.stop(at + seconds + 0.05)
}
