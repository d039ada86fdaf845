import { expose } from 'comlink'
import jsQR from 'jsqr'

/** The text of a code in a picture; null where none can be read. */
const read = (pixels: Uint8ClampedArray, width: number, height: number) =>
  jsQR(pixels, width, height, { inversionAttempts: 'dontInvert' })?.data ?? null

expose({ read })
