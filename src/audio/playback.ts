let context: AudioContext | null = null

/** Plays samples once, as they are; does nothing where the browser has no sound. */
export function play(samples: Float32Array, rateHz: number): void {
  if (typeof AudioContext === 'undefined') return
  context ??= new AudioContext()
  const buffer = context.createBuffer(1, samples.length, rateHz)
  buffer.copyToChannel(new Float32Array(samples), 0)
  const node = context.createBufferSource()
  node.buffer = buffer
  node.connect(context.destination)
  void context.resume()
  node.start()
}
