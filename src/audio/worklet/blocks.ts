/** Gathers the 128-sample quanta of the audio thread into blocks of 2048 and posts them, mono. */
const BLOCK = 2048

class Blocks extends AudioWorkletProcessor {
  private block = new Float32Array(BLOCK)
  private filled = 0

  process(inputs: Float32Array[][]): boolean {
    const channel = inputs[0]?.[0]
    if (!channel) return true
    for (let at = 0; at < channel.length;) {
      const count = Math.min(channel.length - at, BLOCK - this.filled)
      this.block.set(channel.subarray(at, at + count), this.filled)
      this.filled += count
      at += count
      if (this.filled === BLOCK) {
        this.port.postMessage(this.block, [this.block.buffer])
        this.block = new Float32Array(BLOCK)
        this.filled = 0
      }
    }
    return true
  }
}

registerProcessor('humbra-blocks', Blocks)
