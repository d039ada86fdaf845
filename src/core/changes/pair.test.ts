import { pick } from '@ref/changes/heads'
import { digits, figures, holds, named, PAIR, type Lines } from '@ref/changes/held'
import { seededRandom } from '../numeric/random'
import { foretellRing, learnRing } from '../pair/ring'
import { solvePair } from '../pair/solve'
import { waysTo, WISH_IDS, wished } from '../pair/ways'
import { parsePairRequest } from '../records/pair'

/** What is solved for drums of chance. */
function pairAdvised(count = 24): Lines {
  const lines = Array.from({ length: count }, (_, seed) => {
    const random = seededRandom(700 + seed)
    const kind = pick(random, ['tom', 'floor-tom', 'kick', 'snare'] as const)
    const inches = { tom: 12, 'floor-tom': 16, kick: 22, snare: 14 }[kind]
    const batterHz = (1900 / inches) * (0.8 + 0.5 * random.uniform())
    const one = seed % 8 === 7
    const reading = (by: number) => ({
      batterHz: seed % 4 === 3 ? null : batterHz * by,
      resonantHz: one || seed % 4 === 2 ? null : batterHz * by * 1.25,
      centreHz: seed % 3 ? 0.64 * batterHz * by : null,
    })
    const want = [
      { batterHz, resonantAboveCents: 386 },
      { centreHz: 0.66 * batterHz, ratio: 1.55 },
      { centreHz: 0.7 * batterHz, resonantAboveCents: -200 },
      { batterHz: 1.4 * batterHz, resonantHz: 3 * batterHz },
    ][seed % 4]
    const parsed = parsePairRequest({
      drum: {
        ...{
          kind,
          diameterInches: inches,
          depthInches: 4 + 10 * random.uniform(),
          lugs: 8,
          threadPitchMm: 1.058,
        },
        batter: {
          pliesMils: pick(random, [[10], [7, 7]]),
          ...(seed % 5 === 4 ? { ceilingHz: batterHz } : {}),
        },
        resonant: one ? null : { pliesMils: [kind === 'snare' ? 3 : 7] },
        port: kind === 'kick' && !one ? { diameterInches: 5 } : null,
      },
      now: reading(1),
      want: one ? { batterHz: 1.1 * batterHz } : want,
      ...(seed % 3 === 1 ? { turnLaw: { batter: 30_000 } } : {}),
      seen: seed % 2 ? [reading(0.9), reading(1.15)] : [],
    })
    if (!parsed.ok) throw new Error(`${seed}: ${parsed.problem.where} ${parsed.problem.what}`)
    const request = parsed.value
    const answer = solvePair(request)
    const { drum } = request
    const stands = { batterHz: answer.batterHz, resonantHz: answer.resonantHz }
    const strokes = [0.9, 1, 1.1].map((by, i) => ({
      ...{ batterHz: batterHz * by, resonantHz: one ? null : batterHz * 1.2, decaySeconds: 0.3 + 0.1 * i },
      ...{ glideCents: 30, layers: [], hung: i ? 'stand' : null },
    }))
    const ring = foretellRing(
      drum,
      { ...stands, layers: ['gel'] as never, hung: null },
      learnRing(drum, strokes, answer.learned.parts),
      answer.learned.parts,
    )
    return [
      ...[seed, digits(answer.batterHz), digits(answer.resonantHz ?? 0), digits(answer.centreHz)],
      ...[
        figures(Object.values(answer.turns)),
        figures(Object.values(answer.turnsError)),
        answer.reachable,
        answer.limitedBy,
      ],
      ...[answer.warnings.map((warning) => JSON.stringify(warning)).join(' '), answer.now.readNext],
      figures(Object.values(answer.now.errorCents)),
      ...[
        digits(answer.errorCents.centre),
        digits(ring.decaySeconds),
        digits(ring.factor),
        digits(ring.bendCents),
      ],
      ...WISH_IDS.map((wish) =>
        figures(Object.values(wished(wish, { batterHz, resonantHz: batterHz * 1.2 }))),
      ),
      ...waysTo(request, 386).map(({ way, turns }) => `${way} ${figures(Object.values(turns))}`),
    ].join(' ')
  })
  return named('drum', lines)
}

holds('pair', PAIR, pairAdvised)
