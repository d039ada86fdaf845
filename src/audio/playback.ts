import { once } from '@/core/numeric/once'

const context = once(() => new AudioContext())

/** The one context that everything is played through; null where the browser has no sound. */
export function output(): AudioContext | null {
  if (typeof AudioContext === 'undefined') return null
  const out = context()
  void out.resume()
  return out
}

/** Plays samples once, as they are; does nothing where the browser has no sound. */
export function play(samples: Float32Array, rateHz: number): void {
  const out = output()
  if (!out) return
  const buffer = out.createBuffer(1, samples.length, rateHz)
  buffer.copyToChannel(new Float32Array(samples), 0)
  const node = out.createBufferSource()
  node.buffer = buffer
  node.connect(out.destination)
  node.start()
}
