import { once } from '@/core/numeric/once'

/**
 * Reads the samples out of a sound font (SoundFont Technical Specification 2.04, sections 4 to 7): the list `shdr` of
 * 46-byte sample headers and the 16-bit samples of `smpl`. Only what the tests need of it.
 */
export interface FontSample {
  /** Place in the list of headers. */
  number: number
  name: string
  rateHz: number
  /** Unpacked when first asked for. */
  readonly samples: Float32Array
  readonly count: number
}

const HEADER_BYTES = 46

export function readSoundFont(bytes: Uint8Array): FontSample[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const text = (at: number, length = 4) =>
    String.fromCharCode(...bytes.subarray(at, at + length)).replace(/\0.*$/, '')
  const chunks = new Map<string, { at: number; size: number }>()
  const walk = (from: number, to: number) => {
    for (let at = from; at + 8 <= to;) {
      const size = view.getUint32(at + 4, true)
      if (text(at) === 'LIST') walk(at + 12, at + 8 + size)
      else chunks.set(text(at), { at: at + 8, size })
      at += 8 + size + (size % 2)
    }
  }
  walk(12, bytes.length)
  const headers = chunks.get('shdr')!
  const data = chunks.get('smpl')!
  // The last header only marks the end.
  const count = Math.floor(headers.size / HEADER_BYTES) - 1
  return Array.from({ length: count }, (_, number) => {
    const at = headers.at + number * HEADER_BYTES
    const start = view.getUint32(at + 20, true)
    const end = view.getUint32(at + 24, true)
    const unpacked = once(() => {
      const samples = new Float32Array(end - start)
      for (let i = 0; i < samples.length; i++)
        samples[i] = view.getInt16(data.at + 2 * (start + i), true) / 32768
      return samples
    })
    return {
      ...{ number, name: text(at, 20), rateHz: view.getUint32(at + 36, true), count: end - start },
      get samples() {
        return unpacked()
      },
    }
  })
}
