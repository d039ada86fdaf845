import { expose } from 'comlink'
import { advise } from './advise'
import type { AdviserApi } from '../protocol'

const api: AdviserApi = { advise }

expose(api)
