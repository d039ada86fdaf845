import type { Page } from '@playwright/test'

/**
 * The microphone plays this recording, sample for sample, from the moment it is opened. The stream is a real one, but the
 * page's own audio graph takes the recording in its place: between two graphs a busy machine loses samples. What the browser
 * itself does to a stream is tried in microphone.spec.ts.
 */
export async function microphonePlays(page: Page, wav: Buffer): Promise<void> {
  await page.addInitScript((base64) => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.resolve(new AudioContext().createMediaStreamDestination().stream)
    AudioContext.prototype.createMediaStreamSource = function () {
      const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
      const node = this.createBufferSource()
      void this.decodeAudioData(bytes.buffer).then((buffer) => {
        node.buffer = buffer
        node.start()
      })
      return node as unknown as MediaStreamAudioSourceNode
    }
  }, wav.toString('base64'))
}

export async function readHz(page: Page, lug: number): Promise<number> {
  const label = await page
    .getByRole('button', { name: new RegExp(`^Lug ${lug}, [\\d.]+ Hz`) })
    .getAttribute('aria-label')
  return Number(/([\d.]+) Hz/.exec(label!)![1])
}
