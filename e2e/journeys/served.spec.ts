import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { even } from '../../src/core/evening/even'
import { evenAnswerRecord } from '../../src/text/evenAnswer'
import { expect, test } from '../page'

const PLACES = [
  ...['/', '/bench', '/spacing', '/sheets', '/run', '/logbook', '/practice', '/handbook'],
  ...['/welcome', '/settings', '/share', '/print'],
]
/** Scripts that a page names itself, without those that only an old browser takes: before they are run nothing can be pressed. */
const FRAME_KB = 170

test('what is served: the routes answer as the core does, every answer says how it may be used, no page is heavy', async ({
  request,
}) => {
  const head = {
    ...{ side: 'batter' as const, diameterInches: 14, lugs: 8, hoop: 'triple-flanged' as const },
    ...{ threadPitchMm: 1.058, pliesMils: [10] },
  }
  const body = {
    ...{ head, target: { hz: 234 } },
    rounds: [{ readingsHz: [228.1, 230, 231, 229, 228, 230.2, 231.1, 229.1] }],
  }
  const answer = await request.post('/api/even', { data: body })
  expect(await answer.json()).toEqual(JSON.parse(JSON.stringify(evenAnswerRecord(even(body)))))
  const wrong = await request.post('/api/even', { data: { ...body, rounds: [{ readingsHz: [1] }] } })
  expect(wrong.status()).toBe(422)
  expect(await wrong.json()).toMatchObject({
    error: { where: expect.stringMatching(/^rounds\[0\]\.readingsHz/) },
  })
  for (const path of ['/', '/bench', '/api/even', '/demo/lounge.humbra.json', '/icon.svg', '/nowhere']) {
    const headers = (await request.get(path)).headers()
    expect([path, headers['x-content-type-options']]).toEqual([path, 'nosniff'])
    expect([path, headers['x-frame-options']]).toEqual([path, 'DENY'])
    expect([path, headers['content-security-policy'] ?? 'none']).toEqual([
      path,
      expect.stringMatching(/default-src 'none'/),
    ])
  }
  for (const place of PLACES) {
    const html = await (await request.get(place)).text()
    const scripts = [...html.matchAll(/<script[^>]*\bsrc="([^"]+)"[^>]*>/g)].filter(
      ([tag]) => !/nomodule/i.test(tag),
    )
    const kb = scripts
      .map(([, src]) => gzipSync(readFileSync(`.next/${src.replace('/_next/', '').split('?')[0]}`)).length)
      .reduce((sum, bytes) => sum + bytes / 1000, 0)
    expect(scripts.length).toBeGreaterThan(3)
    expect(kb, `${place} names ${kb.toFixed(0)} KB`).toBeLessThan(FRAME_KB)
  }
})
