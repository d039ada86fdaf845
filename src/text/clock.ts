import { formatDistanceStrict } from 'date-fns'
import { dateTimeText } from './logbook'

/** That a device's clock stands behind the newest entry of a kit: what that does, and what to do about it. */
export function behindText(kit: string, newestAt: string, nowMs: number): string {
  const newest = Date.parse(newestAt)
  const by = formatDistanceStrict(newest, nowMs)
  return `This device’s clock stands ${by} behind the newest entry of ${kit}, of ${dateTimeText(newest)}. One of two clocks is wrong. What you do here is put right behind that entry, so that nothing newer is lost; set the clock.`
}
