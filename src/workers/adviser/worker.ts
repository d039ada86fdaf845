import { expose } from 'comlink'
import { pairMapOf } from '@/core/pair/map'
import { solvePair } from '@/core/pair/solve'
import { planKit } from '@/core/spacing/plan'
import { advise } from './advise'
import { tryLog } from './tryLog'
import type { AdviserApi } from '../protocol'

const api: AdviserApi = {
  advise,
  pair: solvePair,
  plan: planKit,
  pairMap: pairMapOf,
  tryLog,
}

expose(api)
