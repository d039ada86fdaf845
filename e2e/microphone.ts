import { execFileSync } from 'node:child_process'
import { chromium, type Browser, type Page, type TestInfo } from '@playwright/test'

/**
 * The microphone plays this recording, sample for sample, from the moment it is opened. The stream is a real one, but the
 * page's own audio graph takes the recording in its place: between two graphs a busy machine loses samples. What the browser
 * itself does to a stream is tried in microphone.spec.ts.
 */
export async function microphonePlays(page: Page, wav: Buffer): Promise<void> {
  await page.addInitScript((base64) => {
    const opened: MediaStream[] = []
    Object.assign(window, { opened })
    navigator.mediaDevices.getUserMedia = () => {
      const { stream } = new AudioContext().createMediaStreamDestination()
      opened.push(stream)
      return Promise.resolve(stream)
    }
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

const ARGS = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--use-fake-ui-for-media-stream',
  '--use-fake-device-for-media-stream',
]

/**
 * A browser whose capture device plays a tap on lug 1 of a 12 inch tom, over and over: as a drummer would, it taps again when a tap
 * was lost. The real permission path, worklet and worker.
 * @returns with it the pitch that the tap has
 */
export async function browserThatHears(info: TestInfo): Promise<{ browser: Browser; lugHz: number }> {
  const path = info.outputPath('tap.wav')
  const drum = '--diameter 12 --depth 7 --lugs 6 --batter-hz 146 --plies 7,7 --at lug:1'
  const sound = '--noise-db -55 --rate 44100 --lead 2.5 --seconds 5'
  const out = execFileSync('node', ['cli/run.mjs', 'tap', ...`${drum} ${sound}`.split(' '), '--out', path])
  const truth = JSON.parse(out.toString()) as { lugHz: number[] }
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [...ARGS, `--use-file-for-fake-audio-capture=${path}`],
  })
  return { browser, lugHz: truth.lugHz[0] }
}

/** On a busy machine the fake device loses or repeats 10 ms pieces: some cents. A wrong rate would be 147. */
export const HEARD_CENTS = 25
