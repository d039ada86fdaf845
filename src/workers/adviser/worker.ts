import { expose } from 'comlink'
import { believePair } from '@/core/pair/belief'
import { learnPair } from '@/core/pair/learn'
import { pairGrid } from '@/core/pair/map'
import { solvePair } from '@/core/pair/solve'
import { planKit } from '@/core/spacing/plan'
import { advise } from './advise'
import type { AdviserApi } from '../protocol'

const api: AdviserApi = {
  advise,
  pair: solvePair,
  plan: planKit,
  pairMap: ({ drum, now, seen, turnLaw }) => {
    const learned = learnPair(drum, [...(seen ?? []), now])
    return pairGrid(drum, learned, turnLaw ?? {}, believePair(drum, now, learned))
  },
}

expose(api)
