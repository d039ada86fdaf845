import type { Page } from '@playwright/test'

/** Keeps the level of everything that the page plays, as rms in dB, in the order in which it is played. */
export async function hearWhatIsPlayed(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const played: number[] = []
    Object.assign(window, { played })
    const start = AudioBufferSourceNode.prototype.start
    AudioBufferSourceNode.prototype.start = function (...args) {
      const samples = this.buffer?.getChannelData(0)
      if (samples) {
        const power = samples.reduce((sum, x) => sum + x * x, 0) / samples.length
        played.push(10 * Math.log10(power))
      }
      start.apply(this, args as [])
    }
  })
}

export const playedDb = (page: Page) =>
  page.evaluate(() => (window as unknown as { played: number[] }).played)
