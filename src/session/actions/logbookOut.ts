import type { KitState } from '@/core/log/fold'
import { fileName, saveBlob } from '@/files/save'
import { logbookCsv } from '@/text/csv'
import { hereOf } from '../here'
import { lanesOf } from '../logbookView'
import type { Session } from '../session'

/** Everything that the Logbook shows, as CSV. */
export function saveLogbookCsv(session: Session, kit: KitState): void {
  const text = logbookCsv(kit, lanesOf(hereOf(session.get(), kit)))
  saveBlob(new Blob([text], { type: 'text/csv' }), fileName(`${kit.name} logbook`, 'csv'))
}
