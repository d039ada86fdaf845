import { makeNotATap } from '../reference/notTaps'
import { microphonePlays, readHz } from './microphone'
import { expect, move, openHead, test } from './page'
import { centsApart, walkAround } from './walk'

const RATE_HZ = 44_100
const HEADER_BYTES = 44
const FLOOR_TOM = [
  ...['--diameter', '15', '--depth', '13', '--lugs', '8', '--batter-hz', '104', '--plies', '7,7'],
  ...['--rods', '0.08,-0.05,0.02,0,-0.06,0.04,0,0.03', '--noise-db', '-55'],
]
const AROUND = [1, 2, 3, 4, 5, 6, 7, 8]

/** Strokes of the head at the given seconds, each ringing on under the next, with talk between two of those seconds. */
function strokesAt(
  path: string,
  strokes: ReadonlyArray<{ lug: number; at: number }>,
  seconds: number,
  talk?: { from: number; to: number },
) {
  const sum = new Float64Array(Math.round(seconds * RATE_HZ))
  let header: Buffer = Buffer.alloc(0)
  let lugHz: number[] = []
  for (const { lug, at } of strokes) {
    const one = walkAround(path, { order: [lug], args: FLOOR_TOM, seconds: 2.4, lead: 0.1 })
    header = one.wav.subarray(0, HEADER_BYTES)
    lugHz = one.lugHz
    const from = Math.round((at - 0.1) * RATE_HZ)
    for (let i = 0; HEADER_BYTES + 2 * i + 1 < one.wav.length && from + i < sum.length; i++)
      sum[from + i] += one.wav.readInt16LE(HEADER_BYTES + 2 * i) / 2 ** 15
  }
  if (talk) {
    const { samples } = makeNotATap('speech', 3)
    for (let i = Math.round(talk.from * RATE_HZ); i < talk.to * RATE_HZ; i++)
      sum[i] += 0.6 * samples[i % samples.length]
  }
  const wav = Buffer.concat([header, Buffer.alloc(2 * sum.length)])
  const peak = sum.reduce((top, x) => Math.max(top, Math.abs(x)), 1)
  sum.forEach((x, i) => wav.writeInt16LE(Math.round((32_000 * x) / peak), HEADER_BYTES + 2 * i))
  wav.writeUInt32LE(wav.length - 8, 4)
  wav.writeUInt32LE(2 * sum.length, 40)
  return { wav, lugHz }
}

test('strokes 0.8 s apart are read one after the other, each on its own lug', async ({ page }, info) => {
  const strokes = AROUND.map((lug, i) => ({ lug, at: 3 + 0.8 * i }))
  const { wav, lugHz } = strokesAt(info.outputPath('one.wav'), strokes, 13)
  await microphonePlays(page, wav)
  await openHead(page, 'Floor tom 15')
  await page.getByLabel('read from').selectOption('microphone')
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(move(page).getByText(/^(move 1 of|done)/)).toBeVisible({ timeout: 60_000 })
  for (const lug of AROUND) expect(centsApart(await readHz(page, lug), lugHz[lug - 1])).toBeLessThan(15)
})

test('talk ticks nothing off; two taps of this head tick the open move off, and What was heard says what was what', async ({
  page,
}, info) => {
  const strokes = [
    ...AROUND.map((lug, i) => ({ lug, at: 3 + 1.7 * i })),
    ...[26, 26.4].map((at) => ({ lug: 2, at })),
  ]
  const { wav } = strokesAt(info.outputPath('one.wav'), strokes, 32, { from: 18.5, to: 24 })
  await microphonePlays(page, wav)
  await openHead(page, 'Floor tom 15')
  await page.getByLabel('read from').selectOption('microphone')
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible({ timeout: 60_000 })
  // The talk is over when the two taps come: nothing was ticked off by it, and exactly one move by them.
  await expect(move(page).getByText(/^(move 2 of|press)/i)).toBeVisible({ timeout: 60_000 })
  await page.waitForTimeout(4000)
  await expect(move(page).getByText(/^(move 2 of|press)/i)).toBeVisible()
})
