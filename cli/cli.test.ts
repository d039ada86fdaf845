import { spawnSync } from 'node:child_process'
import { closeSync, mkdtempSync, openSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seededRandom } from '@/core/numeric/random'
import { usualDrum } from '@/core/records/usualDrum'
import { decodeWav, encodeWav } from '@/core/sound/wav'
import { LONG } from '@ref/long'
import { linesOf as lines, run } from './testCli'

const folder = mkdtempSync(join(tmpdir(), 'humbra-'))

test('as a process: a request a line, each answered in its place, and the exit code', () => {
  const { status, stdout, stderr } = spawnSync('node', ['cli/run.mjs', 'pair'], {
    ...{ input: `nonsense\n${JSON.stringify({ ...PAIR, want: { batterHz: 200, ratio: 1.5 } })}\n` },
    encoding: 'utf8',
  })
  expect(lines(stdout)).toMatchObject([{ error: { where: 'request' } }, { batterHz: 200 }])
  expect([status, stderr]).toEqual([1, ''])
  expect(spawnSync('node', ['cli/run.mjs', 'sing'], { encoding: 'utf8' })).toMatchObject({
    ...{ status: 2, stdout: '', stderr: expect.stringMatching(/no command sing/) },
  })
})

test('a tap is written, and measured to within two cents of the truth that was printed', async () => {
  const file = join(folder, 'a.wav')
  for (const [size, hz] of [
    ['14', '234'],
    ['12', '180'],
    ['16', '95'],
  ].slice(0, LONG ? 3 : 1)) {
    const rods = '0.05,-0.02,0.03,0,0.02,-0.03,0,0.01'
    const truth = lines(
      (
        await run([
          'tap',
          '--diameter',
          size,
          '--batter-hz',
          hz,
          '--at',
          'lug:3',
          '--rods',
          rods,
          '--noise-db',
          '-50',
          '--out',
          file,
        ])
      ).stdout,
    )[0] as { lugHz: number[]; poles: object[]; modes: object[] }
    expect(truth.poles.length).toBe(2)
    const measured = await run(['measure', '--diameter', size, file])
    expect(measured.status).toBe(0)
    const [tap] = lines(measured.stdout) as Array<{ hz: number; verdict: string; note: string }>
    expect(tap.verdict).toBe('ok')
    expect(Math.abs(1200 * Math.log2(tap.hz / truth.lugHz[2]))).toBeLessThan(2)
  }
})

test('many files, wrong ones among them: each answered in its place, exit code 1', async () => {
  const good = join(folder, 'b.wav')
  await run(['tap', '--out', good])
  const letter = join(folder, 'letter.wav')
  writeFileSync(letter, 'Dear all')
  const { stdout, status } = await run(['measure', good, letter, join(folder, 'none.wav')])
  const answers = lines(stdout)
  expect(status).toBe(1)
  expect(answers[0]).toMatchObject({ file: good, verdict: 'ok' })
  expect(answers[1]).toMatchObject({ error: { where: letter } })
  expect(answers[2]).toMatchObject({ error: { what: expect.stringMatching(/no such file/) } })
})

test('even answers line by line and goes on after a wrong one', async () => {
  const good = {
    head: {
      side: 'batter',
      diameterInches: 14,
      lugs: 4,
      hoop: 'wood',
      threadPitchMm: 1.058,
      pliesMils: [10],
    },
    ...{ target: { hz: 200 }, rounds: [{ readingsHz: [196, 199, 197, 200] }] },
  }
  const { stdout, status } = await run(
    ['even'],
    `${JSON.stringify(good)}\nnonsense\n${JSON.stringify({ ...good, gaugeLaw: {} })}\n${JSON.stringify(good)}\n`,
  )
  const answers = lines(stdout)
  expect(status).toBe(1)
  expect(answers.length).toBe(4)
  expect(answers[0]).toEqual(answers[3])
  expect(answers[0]).toMatchObject({ done: false, advice: expect.stringMatching(/\.$/) })
  expect(answers[1]).toMatchObject({ error: { where: 'request' } })
  expect(answers[2]).toMatchObject({ error: { where: 'gaugeLaw.g0' } })
})

test('wrong usage is exit code 2, with nothing on standard output; help is 0', async () => {
  for (const args of [
    ['sing'],
    [],
    ['measure'],
    ['measure', '--loud'],
    ['tap', '--at', 'rim', '--out', 'x'],
    ['tap', '--rods', '1,2', '--out', 'x'],
  ]) {
    const { status, stdout, stderr } = await run(args)
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr.length).toBeGreaterThan(0)
  }
  for (const name of ['measure', 'even', 'tap']) expect((await run([name, '--help'])).status).toBe(0)
})

test('a centre tap tells glide and ring; a standing microphone is played too', async () => {
  const file = join(folder, 'centre.wav')
  const common = ['--diameter', '14', '--noise-db', '-100', '--seconds', '2.5', '--out', file]
  const [truth] = lines(
    (await run(['tap', '--at', 'centre', '--other', 'free', ...common])).stdout,
  ) as Array<{
    modes: Array<{ m: number; hz: number; decaySeconds: number }>
  }>
  const [tap] = lines((await run(['measure', '--diameter', '14', '--tap', 'centre', file])).stdout) as Array<{
    hz: number
    glideCents: number
    ringSeconds: { to20dB: number; to60dB: number }
  }>
  const low = truth.modes.filter(({ m }) => m === 0).reduce((a, b) => (b.hz < a.hz ? b : a))
  expect(Math.abs(1200 * Math.log2(tap.hz / low.hz))).toBeLessThan(10)
  expect(tap.glideCents).toBeGreaterThan(3)
  // One damped mode falls by 20 dB in 2.3 decays and by 60 dB in 6.9; the others only make it longer at first.
  expect(tap.ringSeconds.to20dB).toBeGreaterThan(0.05)
  expect(tap.ringSeconds.to60dB).toBeGreaterThan(2.2 * tap.ringSeconds.to20dB)
  const standing = await run(['tap', '--mic', 'standing', '--rods', '0.1,0,0,0,0,0,0,0', '--out', file])
  expect(standing.status).toBe(0)
  expect(lines((await run(['measure', '--diameter', '14', file])).stdout)[0].verdict).toBe('ok')
})

test('silence, a cut file, eight bits at 8 kHz, and many files in one call', async () => {
  const silence = join(folder, 'silence.wav')
  writeFileSync(silence, encodeWav(new Float32Array(16_000), 8000))
  const cut = join(folder, 'cut.wav')
  writeFileSync(cut, encodeWav(new Float32Array(100), 44_100).subarray(0, 40))
  const { stdout, status } = await run(['measure', silence, cut])
  expect(status).toBe(1)
  const [nothing, broken] = lines(stdout)
  expect(nothing).toMatchObject({ verdict: 'no-tap', atSeconds: null, hz: null })
  expect(broken).toMatchObject({ error: { where: cut } })
})

const PAIR = {
  drum: {
    ...{ diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: 1.058, port: null, kind: 'tom' },
    batter: { pliesMils: [7, 7], hoop: 'triple-flanged' },
    resonant: { pliesMils: [10], hoop: 'triple-flanged' },
  },
  now: { batterHz: 180, resonantHz: 190, centreHz: null },
}

test('pair answers line by line: a fourth at 200 Hz, and plain words for wrong wishes', async () => {
  const ask = (want: object, change: object = {}) => JSON.stringify({ ...PAIR, want, ...change })
  const { stdout, status } = await run(
    ['pair'],
    [
      ask({ batterHz: 200, resonantAboveCents: 498 }),
      ask({ batterHz: 200 }),
      '{not json',
      ask({ batterHz: 200, ratio: 1.55 }, { now: { batterHz: 180, centreHz: 110 } }),
      ask({ centreHz: 120, ratio: 1.55 }, { seen: [{ batterHz: 180, resonantHz: 190, centreHz: 104 }] }),
      ask({ batterHz: 200, ratio: 1.55 }, { now: { batterHz: 180, centreHz: 190 } }),
      ask({ batterHz: 200, ratio: 1.55 }, { drum: { ...PAIR.drum, port: { diameterInches: 13 } } }),
      ask({ centreHz: 100 }, { drum: { ...PAIR.drum, resonant: null }, now: { batterHz: 180 } }),
    ].join('\n'),
  )
  expect(status).toBe(1)
  const [fourth, one, broken, short, taught, above, wide, single] = lines(stdout)
  expect(fourth).toMatchObject({ batterHz: 200, reachable: true, limitedBy: null, errorCents: {} })
  expect(Math.abs((fourth.resonantHz as number) - 266.7)).toBeLessThan(0.3)
  expect(Math.abs((fourth.ratio as number) - 1.51)).toBeLessThan(0.02)
  expect(fourth.turns).toMatchObject({ batter: expect.any(Number) as number })
  expect(fourth.advice).toMatch(/^All rods of the resonant head up/)
  expect(one).toMatchObject({ error: { where: 'want', what: expect.stringMatching(/exactly two/) } })
  expect(broken).toMatchObject({ error: { what: expect.stringMatching(/not JSON/) } })
  // Edge and centre alone tell of the other head, and what to read next.
  expect(short).toMatchObject({ reachable: true, readNext: 'resonant' })
  expect((short.now as { errorCents: { resonant: number } }).errorCents.resonant).toBeLessThan(80)
  expect(above).toMatchObject({
    error: { where: 'now.centreHz', what: expect.stringMatching(/above its own lug/) },
  })
  expect(wide).toMatchObject({
    error: { where: 'drum.port.diameterInches', what: expect.stringMatching(/wider than the drum/) },
  })
  expect(single).toMatchObject({ resonantHz: null, centreHz: 100, resonantAboveCents: null, upperHz: null })
  expect(taught).toMatchObject({ centreHz: 120, ratio: 1.55, reachable: true })
})

/** A kit file as an older form had it: typed numbers of a head that is plainly uneven. */
function kitFile(schema: number): string {
  const at = (minute: number) => new Date(Date.UTC(2026, 10, 2, 18, minute)).toISOString()
  const base = (i: number) => ({ id: `e${i}`, at: at(i), kit: 'k', schema, source: 'typed', algorithm: null })
  const drum = { ...usualDrum('tom', 12, 't12'), name: 'Tom 12', lugs: 6 }
  const numbers = [170, 180, 175, 170, 180, 175]
  return JSON.stringify({
    ...{ format: 'humbra-kit', schema, exportedAt: at(59), kit: 'k', practice: [] },
    events: [
      { ...base(0), kind: 'kitEdited', change: { what: 'kitMade', name: 'Mine', simulated: false } },
      { ...base(1), kind: 'kitEdited', change: { what: 'drumAdded', drum, after: null } },
      ...numbers.map((hz, i) => ({
        ...{ ...base(2 + i), kind: 'readingTaken', drum: 't12', side: 'batter', lug: i + 1 },
        ...{ hz, standardErrorHz: 0.3, poles: [], otherHead: 'muted' },
      })),
    ],
  })
}

test('state says of a kit file what the Bench would, at a time, in every form; what is not there is named', async () => {
  for (const schema of [1, 4, 5, 6]) {
    const file = join(folder, `kit-${schema}.humbra.json`)
    writeFileSync(file, kitFile(schema))
    const { status, stdout } = await run(['state', file, '--at', '2026-11-02T18:30:00Z'])
    expect(status).toBe(0)
    const [batter, resonant, drum, kit] = lines(stdout) as Array<Record<string, Record<string, unknown>>>
    expect(drum).toEqual({
      ...{ drum: 't12', centre: { hz: null, errorCents: null, known: 'unknown' } },
      ...{ sustainSeconds: null, muffling: [] },
    })
    expect(kit).toEqual({
      kit: expect.any(String) as string,
      fit: [],
      next: { what: 'turn', drum: 't12', side: 'batter' },
    })
    expect(batter.status).toMatchObject({
      ...{ verdict: 'uneven', pitch: { known: 'lugs', lugs: [1, 2, 3, 4, 5, 6] } },
      next: { what: 'turn', drum: 't12', side: 'batter' },
    })
    expect(resonant.status).toMatchObject({ verdict: 'unknown', pitch: { hz: null, known: 'unknown' } })
    expect(batter).toMatchObject({ drum: 't12', side: 'batter', sitting: { rounds: 1, source: 'typed' } })
    expect(batter.even).toMatchObject({ done: false, reason: null, leftOut: [] })
    expect(batter.even.spreadCents).toBeGreaterThan(80)
    expect(batter.believed.spreadCents).toBeCloseTo(batter.even.spreadCents as number, 0)
    expect(resonant).toMatchObject({ sitting: null, even: null, believed: null, forecast: null })
  }
  const file = join(folder, 'kit-5.humbra.json')
  // Before the first number nothing was known; the next day the sitting is over and what was read still stands.
  const [before] = lines(
    (await run(['state', file, '--at', '2026-11-02T18:01:30Z', '--side', 'batter'])).stdout,
  )
  expect(before).toMatchObject({ even: null, believed: null })
  const [after] = lines(
    (await run(['state', file, '--at', '2026-11-03T18:00:00Z', '--side', 'batter'])).stdout,
  )
  expect(after).toMatchObject({ even: null, believed: { spreadCents: expect.any(Number) as number } })
  const wrong = await run(['state', file, '--drum', 'nine'])
  expect(wrong.status).toBe(1)
  expect(lines(wrong.stdout)[0]).toMatchObject({
    error: { where: '--drum', what: expect.stringMatching(/t12/) },
  })
  expect((await run(['state', join(folder, 'none.json')])).status).toBe(1)
  expect((await run(['state'])).status).toBe(2)
})

test('listen hears a row of taps lug by lug, cut at the first stroke or not, in blocks of any size', async () => {
  const rate = 16_000
  const tap = async (lug: number): Promise<Float32Array> => {
    const file = join(folder, `row-${lug}.wav`)
    const head = ['--diameter', '12', '--lugs', '6', '--batter-hz', '170', '--rate', String(rate)]
    await run(['tap', ...head, '--at', `lug:${lug}`, '--seed', String(lug), '--lead', '0.2', '--out', file])
    const wav = decodeWav(readFileSync(file))
    if (!wav.ok) throw new Error(wav.why)
    return wav.sound.channels[0]
  }
  const taps = [await tap(1), await tap(2), await tap(3)]
  const all = new Float32Array(taps.reduce((sum, { length }) => sum + length, 2 * rate))
  taps.reduce((at, samples) => (all.set(samples, at), at + samples.length), 0)
  const file = join(folder, 'row.wav')
  writeFileSync(file, encodeWav(all, rate))
  const listen = async (...more: string[]) =>
    lines((await run(['listen', file, '--diameter', '12', '--expect', '170', ...more])).stdout)
  const heard = await listen()
  expect(heard.map(({ event }) => event)).toEqual(['reading', 'reading', 'reading', 'end'])
  expect(heard.slice(0, 3).map(({ lug }) => lug)).toEqual([1, 2, 3])
  expect((heard[3].lugs as Array<number | null>).map((hz) => hz !== null)).toEqual([
    true,
    true,
    true,
    false,
    false,
    false,
  ])
  const without = (all: Array<Record<string, unknown>>) => all.map(({ heardAt: _, ...rest }) => rest)
  expect(without(await listen('--block', '4800'))).toEqual(without(heard))
  if (LONG) expect((await listen('--order', 'pairs')).slice(0, 3).map(({ lug }) => lug)).toEqual([1, 4, 2])
  // The last tap alone, cut at its stroke.
  writeFileSync(file, encodeWav(taps[2].subarray(0.2 * rate), rate))
  const [cut] = lines((await run(['measure', file, '--diameter', '12'])).stdout)
  expect(cut).toMatchObject({ verdict: 'ok', hz: expect.closeTo(heard[2].hz as number, 0) })
  expect((await run(['listen', file, '--order', 'mixed'])).status).toBe(2)
  expect((await run(['listen', join(folder, 'gone.wav')])).status).toBe(1)
})

test('only the stroke overdriven: read, with a warning; the ring overdriven as well: refused', async () => {
  const rate = 48_000
  const made = (stroke: number, ring: number) =>
    Float32Array.from({ length: 2 * rate }, (_, i) => {
      const t = i / rate - 0.3
      if (t < 0) return 0
      const click = stroke * Math.exp(-t / 0.003) * Math.sin(2 * Math.PI * 900 * t)
      const tone = ring * Math.exp(-t / 0.3) * Math.sin(2 * Math.PI * 180 * t)
      return Math.max(-0.99, Math.min(0.99, click + tone))
    })
  const file = join(folder, 'hot.wav')
  const measured = async (samples: Float32Array) => {
    writeFileSync(file, encodeWav(samples, rate))
    return lines((await run(['measure', file, '--diameter', '12'])).stdout)[0]
  }
  expect(await measured(made(4, 0.4))).toMatchObject({
    verdict: 'ok',
    warning: 'clipped-stroke',
    hz: expect.closeTo(180, 1),
  })
  expect((await measured(made(0.3, 0.4))).warning).toBeUndefined()
  expect(await measured(made(4, 3))).toMatchObject({ verdict: 'clipped', hz: null })
})

test('a kit file says the same in whatever order its entries stand', async () => {
  const raw = JSON.parse(readFileSync('public/demo/lounge.humbra.json', 'utf8')) as { events: unknown[] }
  const at = ['--at', '2027-01-01T00:00:00Z']
  const said = async (name: string, events: unknown[]) => {
    const file = join(folder, name)
    writeFileSync(file, JSON.stringify({ ...raw, events }))
    const { status, stdout } = await run(['state', file, ...at])
    expect(status).toBe(0)
    return stdout
  }
  const chance = seededRandom(3)
  const inOrder = await said('in-order.json', raw.events)
  const shuffled = raw.events.map((event) => ({ event, by: chance.uniform() })).sort((a, b) => a.by - b.by)
  expect(await said('backwards.json', [...raw.events].reverse())).toBe(inOrder)
  expect(
    await said(
      'any-order.json',
      shuffled.map(({ event }) => event),
    ),
  ).toBe(inOrder)
})

test('a word that is no command, a full disk, a place that cannot be written: a sentence each, and an end', () => {
  const humbra = (args: string[], out?: number) =>
    spawnSync('node', ['cli/run.mjs', ...args], {
      ...{ input: '{"drum":1}\n', encoding: 'utf8', timeout: 60_000 },
      ...(out === undefined ? {} : { stdio: ['pipe', out, 'pipe'] as const }),
    })
  for (const word of ['__proto__', 'constructor', 'toString'])
    expect(humbra([word])).toMatchObject({
      ...{ status: 2, stdout: '', stderr: expect.stringContaining(`there is no command ${word}`) },
    })
  const full = openSync('/dev/full', 'w')
  for (const args of [['pair'], ['pair', '--help']])
    expect(humbra(args, full)).toMatchObject({
      ...{ status: 1, stderr: 'humbra: the answers cannot be written: the disk is full\n' },
    })
  closeSync(full)
  for (const args of [
    ['tap', '--out', '/dev/full'],
    ['drill', '--out', '/proc/none'],
  ]) {
    const { status, stdout, stderr } = humbra(args)
    expect([status, stderr]).toEqual([1, ''])
    expect(stdout).toMatch(/cannot be written: (the disk is full|there is no such place)/)
  }
})
