'use client'

import Link from 'next/link'
import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { SheetCard } from '@/charts/SheetCard'
import { fileName, pngOfSvg, saveBlob } from '@/files/save'
import { shareFile } from '@/files/share'
import { useKit, useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import type { Sheet } from '@/core/log/sheets'
import { format } from 'date-fns'
import { cardModel, type CardModel } from '@/charts/sheetCard.model'
import type { KitState } from '@/core/log/fold'
import { layersText } from '@/text/strokes'

const CARD_ID = 'sheet-card'

/** A PNG of three times the size prints cleanly on a page. */
const PNG_TIMES = 3

/** One sheet on one page: printed, or saved as a drawing. */
export function PrintScreen() {
  const session = useSession()
  const state = useSelect(({ phase, settings }) => ({ phase, settings }))
  const kit = useKit()
  const wanted = useSearchParams().get('sheet')
  const [trouble, setTrouble] = useState<string | null>(null)
  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  const sheet = kit?.sheets.find(({ id }) => id === wanted) ?? kit?.sheets.find(({ id }) => id === kit.sheet)
  if (!kit || !sheet) {
    return (
      <div className="p-8">
        <h1 className="text-4xl font-bold">No sheet to print</h1>
        <Link href="/sheets" className="mt-4 inline-flex min-h-11 items-center text-lg underline">
          To the sheets
        </Link>
      </div>
    )
  }
  const model = cardOf(kit, sheet, state.settings.a4Hz)
  const drawing = () => new XMLSerializer().serializeToString(document.getElementById(CARD_ID)!)
  const savePng = async () => {
    const png = await pngOfSvg(drawing(), model.width, model.height, PNG_TIMES)
    if (png) saveBlob(png, fileName(sheet.name, 'png'))
    setTrouble(png ? null : 'This browser could not make the picture. Save it as SVG, or print it.')
  }
  const share = async () => {
    const png = await pngOfSvg(drawing(), model.width, model.height, PNG_TIMES)
    const done = png && (await shareFile(png, fileName(sheet.name, 'png'), sheet.name))
    setTrouble(done === 'saved' ? 'This device shares no pictures: it was saved instead.' : null)
  }
  return (
    <div className="px-4 pb-8 md:px-7 print:p-0">
      <div className="flex flex-wrap items-center justify-between gap-3 pt-3 pb-4 md:pt-5 print:hidden">
        <h1 className="text-3xl font-bold">{sheet.name} on paper</h1>
        <div className="flex flex-wrap gap-3">
          <Button tone="act" onClick={() => window.print()}>
            Print
          </Button>
          <Button
            onClick={() =>
              saveBlob(new Blob([drawing()], { type: 'image/svg+xml' }), fileName(sheet.name, 'svg'))
            }
          >
            Save as SVG
          </Button>
          <Button onClick={() => void savePng()}>Save as PNG</Button>
          <Button onClick={() => void share()}>Share the picture</Button>
        </div>
        <p className="w-full text-soft">
          One page, A4 or Letter, black on white, with boxes to write what was read. {trouble}
        </p>
      </div>
      <div className="paper max-w-[740px] bg-white p-6 print:m-0 print:max-w-none print:p-0 [&>svg]:h-auto [&>svg]:w-full print:[&>svg]:mx-auto print:[&>svg]:max-h-[245mm] print:[&>svg]:w-auto print:[&>svg]:max-w-full">
        <SheetCard model={model} id={CARD_ID} />
      </div>
    </div>
  )
}

/** The newest version of a sheet as a card; drums that have left the kit are left out. */
function cardOf(kit: KitState, sheet: Sheet, a4Hz: number): CardModel {
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
