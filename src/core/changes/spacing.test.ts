import { pick } from '@ref/changes/heads'
import { digits, holds, named, SPACING, type Lines } from '@ref/changes/held'
import { seededRandom } from '../numeric/random'
import { parsePlanRequest } from '../records/plan'
import { planKit } from '../spacing/plan'
import { judgeKit } from '../spacing/verdict'

/** What is planned and judged for kits of chance. */
function planAdvised(count = 6): Lines {
  const lines = Array.from({ length: count }, (_, seed) => {
    const random = seededRandom(500 + seed)
    const drum = (id: string, kind: string, diameterInches: number) => {
      const batterHz = (1900 / diameterInches) * (0.8 + 0.5 * random.uniform())
      return {
        ...{ id, kind, diameterInches, depthInches: 0.6 * diameterInches, lugs: 8, threadPitchMm: 1.058 },
        now: seed % 5 === 4 ? null : { batterHz, resonantHz: batterHz * (1 + 0.4 * random.uniform()) },
        ...(seed % 5 === 2 ? { ceilingHz: 1.2 * batterHz } : {}),
      }
    }
    const parsed = parsePlanRequest({
      drums: [
        drum('k', 'kick', 20),
        drum('s', 'snare', 14),
        ...[10, 12, 13, 16]
          .slice(seed % 2, 2 + (seed % 3))
          .map((inches) => drum(`t${inches}`, 'tom', inches)),
        drum('f', 'floor-tom', 15),
      ],
      scheme: pick(random, ['fourths', 'thirds', 'fifth', 'free', 'major-triad']),
      ...(seed % 2 ? { headRelation: { resonantAboveCents: 300 } } : {}),
      ...(seed % 3 === 0 ? { avoidHz: [98, 150], move: ['k', 's'] } : {}),
      ...(seed % 4 === 1 ? { favourHz: [110, 146.8] } : {}),
      ...(seed % 4 === 2 ? { leastWork: 0.5 } : {}),
      ...(seed % 5 === 3 ? { anchor: 'lowest' } : {}),
    })
    if (!parsed.ok) throw new Error(`${seed}: ${parsed.problem.where} ${parsed.problem.what}`)
    const { plans } = planKit(parsed.value)
    const verdict = judgeKit(parsed.value.drums)
    return [
      seed,
      ...plans.map(
        (plan) =>
          `${plan.what.kind} ${plan.drums.map(({ batterHz, resonantHz }) => `${digits(batterHz)}/${digits(resonantHz ?? 0)}`).join(' ')} gives ${plan.gives.length}`,
      ),
      JSON.stringify(verdict).replace(/\d+\.\d+/g, (number) => Number(number).toPrecision(4)),
    ].join(' ')
  })
  return named('kit', lines)
}

holds('spacing', SPACING, planAdvised)
