import { expose } from 'comlink'
import { believe, type Past } from '@/core/bench/standing'

expose({ believe: (pasts: readonly Past[]) => pasts.map(believe) })
