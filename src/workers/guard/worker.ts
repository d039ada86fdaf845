import { expose } from 'comlink'
import { CHECKS } from '@/storage/guard'

expose(CHECKS)
