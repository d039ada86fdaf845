import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { expect, openHead, test } from '../page'

test('a recording is measured and laid on the lug in focus; a text file is refused', async ({
  page,
}, info) => {
  const path = info.outputPath('tap.wav')
  const out = execFileSync('node', [
    'cli/run.mjs',
    'tap',
    '--diameter',
    '10',
    '--lugs',
    '6',
    '--batter-hz',
    '175',
    '--at',
    'lug:2',
    '--plies',
    '7,7',
    '--noise-db',
    '-50',
    '--out',
    path,
  ])
  const truth = JSON.parse(out.toString()) as { lugHz: number[] }
  await openHead(page, 'Tom 10')
  await page.getByLabel('read from').selectOption('file')
  await page.keyboard.press('2')
  await page.getByLabel('Recording to read').setInputFiles(path)
  const lug = page.getByRole('button', { name: /^Lug 2, [\d.]+ Hz/ })
  await expect(lug).toBeVisible({ timeout: 20_000 })
  const read = Number(/([\d.]+) Hz/.exec((await lug.getAttribute('aria-label'))!)![1])
  expect(Math.abs(1200 * Math.log2(read / truth.lugHz[1]))).toBeLessThan(2)
  await page
    .getByLabel('Recording to read')
    .setInputFiles({ name: 'letter.wav', mimeType: 'text/plain', buffer: Buffer.from('Dear all') })
  await expect(page.getByText(/letter\.wav is no recording/)).toBeVisible()
})

test('a recording is read as it comes: FLAC, OGG, MP3, M4A, AIFF; a picture of the name is none', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await page.getByLabel('read from').selectOption('file')
  for (const [i, name] of ['flac', 'ogg', 'mp3', 'm4a', 'aiff'].entries()) {
    await page.keyboard.press(String(i + 1))
    await page.getByLabel('Recording to read').setInputFiles(`e2e/recordings/tap.${name}`)
    // 180 Hz, of the practice drum: what a coder loses is no pitch.
    await expect(
      page.getByRole('button', { name: new RegExp(`^Lug ${i + 1}, (179\\.9|180\\.[01])`) }),
    ).toBeVisible()
  }
  // A recorded tom as it is: it begins with the stroke and glides, and settles near 120 Hz by its late spectrum.
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('file')
  await page
    .getByLabel('Recording to read')
    .setInputFiles('/usr/share/sonic-pi/samples/drum_tom_mid_soft.flac')
  await expect(page.getByRole('button', { name: /^Lug 1, 1(19\.[5-9]|20\.\d)/ })).toBeVisible()
  await page.getByLabel('Recording to read').setInputFiles('docs/screenshots/bench.png')
  await expect(page.getByText(/bench\.png is no recording/)).toBeVisible()
})

test('the routes answer as the commands do', async ({ request }) => {
  const body = {
    head: {
      side: 'batter',
      diameterInches: 14,
      lugs: 8,
      hoop: 'triple-flanged',
      threadPitchMm: 1.058,
      pliesMils: [10],
    },
    target: { hz: 234 },
    rounds: [{ readingsHz: [228.1, 230, 231, 229, 228, 230.2, 231.1, 229.1] }],
  }
  const even = await request.post('/api/even', { data: body })
  const command = execFileSync('node', ['cli/run.mjs', 'even'], { input: JSON.stringify(body) })
  expect(await even.json()).toEqual(JSON.parse(command.toString()))
  const pair = {
    drum: {
      diameterInches: 12,
      depthInches: 8,
      lugs: 6,
      threadPitchMm: 1.058,
      batter: { pliesMils: [7, 7] },
      resonant: { pliesMils: [10] },
    },
    now: { batterHz: 180, resonantHz: 190 },
    want: { centreHz: 120, resonantAboveCents: 498 },
  }
  const both = await request.post('/api/pair', { data: pair })
  const said = execFileSync('node', ['cli/run.mjs', 'pair'], { input: JSON.stringify(pair) })
  expect(await both.json()).toEqual(JSON.parse(said.toString()))
  const kit = {
    drums: [
      { id: 'a', name: '12', kind: 'tom', diameterInches: 12 },
      { id: 'b', name: '16', kind: 'floor-tom', diameterInches: 16 },
    ],
    scheme: 'fourths',
    avoidHz: [82.4],
  }
  const plan = await request.post('/api/plan', { data: kit })
  const planned = execFileSync('node', ['cli/run.mjs', 'plan'], { input: JSON.stringify(kit) })
  expect(await plan.json()).toEqual(JSON.parse(planned.toString()))
  const wrong = await request.post('/api/even', { data: { ...body, rounds: [{ readingsHz: [1] }] } })
  expect(wrong.status()).toBe(422)
  const wav = `${test.info().outputPath('a.wav')}`
  execFileSync('node', ['cli/run.mjs', 'tap', '--out', wav, '--noise-db', '-50'])
  const measured = await request.post('/api/measure?diameter=14', { data: readFileSync(wav) })
  const line = JSON.parse(
    execFileSync('node', ['cli/run.mjs', 'measure', '--diameter', '14', wav]).toString(),
  )
  const [tap] = ((await measured.json()) as { taps: object[] }).taps
  expect({ file: wav, ...tap }).toEqual(line)
})
