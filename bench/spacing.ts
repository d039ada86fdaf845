import { planKit } from '@/core/spacing/plan'
import type { PlanDrum, PlanRequest } from '@/core/spacing/types'
import { medianMs, printTable } from './stats'

const tom = (diameterInches: number): PlanDrum => ({
  id: `t${diameterInches}`,
  name: `${diameterInches}`,
  kind: diameterInches > 13 ? 'floor-tom' : 'tom',
  diameterInches,
  now: { batterHz: 2000 / diameterInches, resonantHz: 2500 / diameterInches },
})
const kick = (n: number): PlanDrum => ({ id: `k${n}`, name: `kick ${n}`, kind: 'kick', diameterInches: 22 })
const snare: PlanDrum = { id: 's', name: 'snare', kind: 'snare', diameterInches: 14 }

const KITS: Array<[string, PlanDrum[]]> = [
  ['two toms', [tom(12), tom(16)]],
  ['kick, snare, three toms', [kick(1), snare, tom(10), tom(12), tom(16)]],
  ['two kicks, snare, eight toms', [kick(1), kick(2), snare, ...[8, 10, 12, 13, 14, 15, 16, 18].map(tom)]],
]

/** How long a whole kit takes to plan, the best plan guaranteed. */
export function benchSpacing(): void {
  const time = (request: PlanRequest) => `${medianMs(() => planKit(request)).toFixed(0)} ms`
  printTable(
    'A kit planned with all its other plans, median (aim: under 200 ms for a usual kit)',
    ['kit', 'fourths', 'thirds', 'free', 'fourths, two pitches avoided'],
    KITS.map(([name, drums]) => [
      name,
      time({ drums, scheme: { kind: 'fourths' } }),
      time({ drums, scheme: { kind: 'thirds' } }),
      time({ drums, scheme: { kind: 'free' } }),
      time({ drums, scheme: { kind: 'fourths' }, avoidHz: [82.4, 110] }),
    ]),
  )
}
