/** Minutes of work, as far as anyone can say: "under a minute", "about 4 min". */
export function minutesText(minutes: number): string {
  if (minutes < 0.75) return 'under a minute'
  const whole = Math.max(1, Math.round(minutes))
  return `about ${whole} min`
}
