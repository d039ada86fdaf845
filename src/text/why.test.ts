import { even } from '@/core/evening/even'
import type { EvenRequest } from '@/core/evening/types'
import { farTight, nearSlack } from '@/core/kit/uneven'
import { adviceText, whyText } from './advice'
import { forecastText, whyOf } from './why'

const HEAD: EvenRequest['head'] = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged', threadPitchMm: 1.058 },
  ...{ pliesMils: [10], depthInches: 6.5 },
}

test('the panel says what is seen, what is not, and the tension with where it comes from', () => {
  const answer = even({
    head: HEAD,
    target: { hz: 234 },
    rounds: [{ readingsHz: [228, 230, 231, 229, 228.1, 230.1, 231, 229.1] }],
  })
  const why = whyOf(answer, HEAD)
  expect(why.seen.join(' ')).toMatch(/Mean 229\.\d Hz, \d+ c under the target/)
  expect(why.unseen.join(' ')).toMatch(/pitch cannot tell/)
  // A 14 x 6.5 with 10 mil at 265 Hz holds 3176 N/m (finer model, computed apart): at 229.5 about 2400.
  const newtons = Number(/about (\d+) ±/.exec(why.tension[0])![1])
  expect(newtons).toBeGreaterThan(2250)
  expect(newtons).toBeLessThan(2550)
})

test('a head that answers far too little is called worn', () => {
  const answer = even({
    head: HEAD,
    target: { hz: 234 },
    rounds: [{ readingsHz: new Array<number>(8).fill(230) }],
  })
  const learned = { ...answer.learned, hz2PerTurn: 9000, hz2PerTurnError: 900 }
  expect(whyOf({ ...answer, learned }, HEAD).learned.join(' ')).toMatch(/worn film/)
  expect(whyOf(answer, HEAD).learned.join(' ')).not.toMatch(/worn film/)
})

test('a move towards an uneven head is not explained as evening', () => {
  const readingsHz = [228, 230, 231, 229, 228.1, 230.1, 231, 229.1]
  const answer = even({
    head: HEAD,
    target: { hz: 234, offsetTurns: nearSlack(8) },
    rounds: [{ readingsHz }],
  })
  expect(whyText(answer, readingsHz, true)).toMatch(/turns wanted of it/)
  expect(whyText(answer, readingsHz)).not.toMatch(/turns wanted of it/)
})

test('a forecast is judged in words', () => {
  expect(forecastText(1)).toMatch(/held/)
  expect(forecastText(2)).toMatch(/a little off/)
  expect(forecastText(4.2)).toMatch(/failed.*4\.2/)
})

test('rods that do not answer are named in the advice', () => {
  const answer = even({
    head: HEAD,
    target: { hz: 234 },
    rounds: [{ readingsHz: new Array<number>(8).fill(233.9) }],
  })
  const words = (change: Partial<typeof answer>) => adviceText({ ...answer, ...change })
  const suspect = (rod: number, turns: number, together = false) => ({
    ...{ rod, turns, together, probability: 0.9 },
    test: { rods: [rod], turns: [0.125] },
  })
  const hoop = [suspect(3, 2, true), suspect(7, 2, true)]
  expect(words({ reason: 'hoop-or-edge', suspects: hoop })).toMatch(/Rods 3 and 7 do not answer/)
  expect(words({ reason: 'hoop-or-edge', suspects: [] })).toMatch(/hoop or edge pull/)
  // Once is a question with a turn that answers it; twice is named, as its pair.
  expect(words({ reason: 'suspect-rod', suspects: [suspect(2, 1)] })).toMatch(/Turn 2 up 1\/8 alone/)
  const named = [suspect(2, 2), suspect(6, 2)]
  expect(words({ reason: 'suspect-rod', suspects: named })).toMatch(/Rod 2 or 6 was turned more than once/)
  expect(words({ reason: 'within-tolerance', suspects: hoop })).toMatch(/leave them/)
})

/** Common practice, no source: the two kinds of deliberately uneven snare heads, on ten lugs. */
test('uneven on purpose: the far rod up most, the near ones down', () => {
  const far = farTight(10)
  expect(far[0]).toBe(1)
  expect([far[1], far[9]]).toEqual([0.5, 0.5])
  expect([far[2], far[3], far[7], far[8]]).toEqual([0, 0, 0, 0])
  expect(Math.max(far[4], far[5], far[6])).toBeLessThan(0)
  expect(nearSlack(10).filter((turn) => turn < 0)).toHaveLength(3)
})

test('numbers that differ lug by lug: what is done and what they scatter by is said, and nothing of scatter after one round', () => {
  const head = { ...HEAD, lugs: 6, diameterInches: 12 }
  const first = { readingsHz: [150.1, 149.8, 150.3, 150, 150.2, 156] }
  const once = even({ head, target: { level: true }, rounds: [first] })
  const lugHz = once.predictedHz.map(() => 150)
  expect(whyText(once, [...lugHz.slice(0, 5), 156])).toMatch(
    /Lug 6 reads \d\d c over 3, opposite to it: if that stays after this pass, look at hoop and edge\./,
  )
  expect(whyOf(once, head).seen.join(' ')).not.toMatch(/scatter/)
  const rounds = [
    { ...first, turns: once.turns },
    { readingsHz: [149.6, 149.4, 150, 149.5, 149.8, 153.1], pressed: true },
  ]
  const twice = even({ head, target: { level: true }, rounds })
  expect(whyOf(twice, head).seen.join(' ')).toMatch(
    /Your typed readings scatter by about \d+ c, as far as this sitting shows/,
  )
  expect(whyText({ ...once, against: [6], turns: [0, 0, 0, 0, 0, 1 / 32] }, lugHz)).toMatch(
    /Rod 6 goes up although its own lug reads high: the head as a whole comes even so\./,
  )
})
