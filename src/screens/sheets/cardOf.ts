import type { Sheet } from '@/core/log/sheets'
import { format } from 'date-fns'
import { cardModel, type CardModel } from '@/charts/sheetCard.model'
import type { KitState } from '@/core/log/fold'
import { layersText } from '@/text/strokes'

/** The newest version of a sheet as a card; drums that have left the kit are left out. */
export function cardOf(kit: KitState, sheet: Sheet, a4Hz: number): CardModel {
  const version = sheet.versions.at(-1)!
  return cardModel({
    ...{ name: sheet.name, kit: kit.name, notes: version.notes, a4Hz },
    date: format(new Date(version.at), 'd MMMM yyyy'),
    drums: kit.drums.flatMap((drum) => {
      const says = version.drums.get(drum.id)
      return says ? [{ drum, says, layers: layersText(says.layers) }] : []
    }),
  })
}
