import fc from 'fast-check'
import { patternOverLugs } from '../head/harmonics'
import { bedSeen } from './bed'

const low = (lugs: number, beside: readonly number[], cents: number) =>
  Array.from({ length: lugs }, (_, i) => 400 * 2 ** (beside.includes(i + 1) ? -cents / 1200 : 0))

// Which lugs read lower beside a bed: common practice, no source.
describe('the bed that readings show', () => {
  it('is found wherever its ends lie between lugs, with its depth', () => {
    fc.assert(
      fc.property(fc.constantFrom(6, 8, 10), fc.nat(), fc.integer({ min: 8, max: 80 }), (lugs, at, cents) => {
        const i = at % (lugs / 2)
        const beside = [i, i + 1, i + lugs / 2, i + 1 + lugs / 2].map((lug) => ((lug + lugs - 1) % lugs) + 1)
        const sorted = beside.sort((a, b) => a - b)
        expect(bedSeen(low(lugs, sorted, cents), false)).toEqual({ lugs: sorted, cents })
      }),
    )
  })

  it('two poles show it too, and the ends at the badge are taken where they do nearly as well', () => {
    // The low axis a little off the badge, between the last lug and the first.
    const hz = patternOverLugs({ mean: 160_000, cosine: -4000, sine: 0 }, 10).map(Math.sqrt)
    expect(bedSeen(hz, false)!.lugs).toEqual([1, 5, 6, 10])
    expect(bedSeen([...hz.slice(3), ...hz.slice(0, 3)], false)!.lugs).not.toContain(1)
  })

  it('is no bed where one lug alone is off, or those beside the ends are high', () => {
    expect(bedSeen([400, 400, 400, 400, 400, 400, 400, 380], false)).toBeNull()
    expect(bedSeen(low(8, [2, 3, 6, 7], -30), false)!.lugs).not.toEqual([2, 3, 6, 7])
    expect(bedSeen(low(10, [1, 10, 5, 6], -30), false)).toBeNull()
  })
})
