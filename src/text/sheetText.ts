import type { KitState } from '@/core/log/fold'
import type { Sheet } from '@/core/log/sheets'
import { handText } from './hand'
import { hzText, noteText } from './heads'

/** A sheet as plain lines, for a message or a note: a drum a line, batter and resonant. */
export function sheetText(kit: KitState, sheet: Sheet, a4Hz: number): string {
  const version = sheet.versions.at(-1)
  const lines = kit.drums.flatMap((drum) => {
    const own = version?.drums.get(drum.id)
    const heads = (['batter', 'resonant'] as const).flatMap((side) => {
      const [target, hand] = [own?.[side], own?.hand?.[side]]
      return [
        ...(target ? [`${side} ${hzText(target.meanHz)} Hz (${noteText(target.meanHz, a4Hz)})`] : []),
        ...(hand ? [`${side} ${handText(hand)}`] : []),
      ]
    })
    return heads.length ? [`${drum.name}: ${heads.join(', ')}`] : []
  })
  const notes = version?.notes.trim()
  return [`${sheet.name}, ${kit.name}. A4 ${a4Hz} Hz.`, ...lines, ...(notes ? [notes] : [])].join('\n')
}
