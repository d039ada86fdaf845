import { frontChoices } from '@/core/bench/pairing'
import type { DrumPair } from '@/core/status/drum'
import type { Stroke } from '@/core/status/strokes'
import { headKey, type KitState } from '@/core/log/fold'
import { hzText } from '@/text/heads'
import { strokeText } from '@/text/strokes'

/** A state that can be chosen: a stroke that was kept, or one that is only planned. */
export interface StateChoice {
  value: string
  label: string
  stroke: Stroke | null
  /** Where both heads would stand; null for a stroke. */
  at: { batterHz: number; resonantHz: number } | null
}

/** All states of a drum: its strokes, the newest first; what is aimed at; of a kick, fronts as the model foretells them. */
export function choicesOf(
  pair: DrumPair,
  aims: { batterHz: number; resonantHz: number } | null,
  kick: boolean,
): StateChoice[] {
  const heard = pair.strokes.filter(({ modes }) => modes.length > 0)
  const fronts = kick && pair.batterHz !== null && pair.drum.resonant ? frontChoices(pair).fronts : []
  return [
    ...heard.map((stroke) => ({ value: stroke.id, label: strokeText(stroke), stroke, at: null })).reverse(),
    ...(aims
      ? [
          {
            ...{ value: 'aimed', stroke: null, at: aims },
            label: `as aimed: ${hzText(aims.batterHz)} and ${hzText(aims.resonantHz)} Hz`,
          },
        ]
      : []),
    ...fronts.map(({ cents, label, batterHz, resonantHz }) => ({
      ...{ value: `front:${cents}`, stroke: null, at: { batterHz, resonantHz } },
      label: `front ${label}, foretold`,
    })),
  ]
}

/** What both heads are to be brought to, where that is a pitch. */
export function aimsOf(kit: KitState, drum: string) {
  const of = (side: 'batter' | 'resonant') => {
    const aim = kit.aims.get(headKey(drum, side))
    return aim && 'hz' in aim ? aim.hz : null
  }
  const [batterHz, resonantHz] = [of('batter'), of('resonant')]
  return batterHz !== null && resonantHz !== null ? { batterHz, resonantHz } : null
}
