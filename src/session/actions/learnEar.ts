import { resultOf } from '@/core/ear/result'
import { withFound } from '@/core/ear/found'
import type { DrillRecord } from '@/core/records/drill'
import type { Session } from '../session'

/** A drill of which is higher that told a threshold: words said by ear on the Bench are taken with it from now on. */
export function learnEar(session: Session, record: DrillRecord): void {
  if (record.kind !== 'higher') return
  const result = resultOf(record)
  if (!result.told) return
  const { ear } = session.get().settings
  const found = {
    hz: record.drum.lugHz,
    thresholdCents: Math.min(400, Math.max(0.5, result.threshold)),
    errorCents: result.error,
    at: record.at,
  }
  session.setSettings({ ear: withFound(ear, found) })
}
