import { watched, type Asked } from '../watched'

/** Many times what a slow phone takes for one picture. */
const DEADLINE_MS = 10_000

interface CodesApi {
  read(pixels: Uint8ClampedArray, width: number, height: number): string | null
}

/** Reads codes in pictures, beside the page. */
export const startCodes = (): Asked<CodesApi> =>
  watched<CodesApi>(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }), {
    deadlineMs: () => DEADLINE_MS,
    onLost: () => undefined,
  })
