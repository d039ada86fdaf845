import { expose } from 'comlink'
import { believe, type Past } from '@/core/status/ahead'

expose({ believe: (pasts: readonly Past[]) => pasts.map(believe) })
