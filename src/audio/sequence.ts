import { output } from './playback'

export interface Playing {
  /** Resolves when the last sound is over, or it was stopped. */
  done: Promise<void>
  stop(): void
}

/**
 * Plays sounds one after another with a pause between, as they are.
 * @param onSound the place in the list as each begins; null when it is over
 * @returns null where the browser has no sound
 */
export function playInTurn(
  sounds: readonly Float32Array[],
  rateHz: number,
  gapSeconds: number,
  onSound: (place: number | null) => void,
): Playing | null {
  const out = output()
  if (!out) return null
  const nodes: AudioBufferSourceNode[] = []
  const timers: Array<ReturnType<typeof setTimeout>> = []
  let finish: () => void = () => undefined
  const done = new Promise<void>((resolve) => (finish = resolve))
  let at = 0.05
  sounds.forEach((samples, place) => {
    const buffer = out.createBuffer(1, samples.length, rateHz)
    buffer.copyToChannel(new Float32Array(samples), 0)
    const node = out.createBufferSource()
    node.buffer = buffer
    node.connect(out.destination)
    node.start(out.currentTime + at)
    nodes.push(node)
    timers.push(setTimeout(() => onSound(place), 1000 * at))
    at += samples.length / rateHz + (place < sounds.length - 1 ? gapSeconds : 0)
  })
  const end = () => {
    onSound(null)
    finish()
  }
  timers.push(setTimeout(end, 1000 * at))
  return {
    done,
    stop() {
      timers.forEach(clearTimeout)
      for (const node of nodes) {
        try {
          node.stop()
        } catch {
          // Not begun yet, or over: nothing to stop.
        }
      }
      end()
    },
  }
}
