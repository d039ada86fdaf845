import { scaleLog } from 'd3-scale'
import { noteOf } from '@/text/shown'

export interface SpeaksModel {
  /** Ends of each drum's bar, as parts of the axis from 0 to 1. */
  bars: Array<{ from: number; to: number }>
  notes: Array<{ at: number; label: string }>
}

/** From a large kick's lowest to a high snare's highest; wider where a drum asks for it. */
const USUAL_HZ = [38, 360] as const
const ENDS = 0.97
/** Every E from E1 on, as MIDI numbers. */
const MARKS = [28, 40, 52, 64, 76]

/** Where batters of these sizes speak, on one logarithmic axis of pitch. */
export function speaksModel(
  ranges: ReadonlyArray<{ lowestHz: number; highestHz: number }>,
  a4Hz: number,
): SpeaksModel {
  const low = Math.min(USUAL_HZ[0], ...ranges.map(({ lowestHz }) => lowestHz * ENDS))
  const high = Math.max(USUAL_HZ[1], ...ranges.map(({ highestHz }) => highestHz / ENDS))
  const x = scaleLog([low, high], [0, 1])
  return {
    bars: ranges.map(({ lowestHz, highestHz }) => ({ from: x(lowestHz), to: x(highestHz) })),
    notes: MARKS.map((midi) => a4Hz * 2 ** ((midi - 69) / 12))
      .filter((hz) => hz > low && hz < high)
      .map((hz) => ({ at: x(hz), label: noteOf(hz, a4Hz).name })),
  }
}
