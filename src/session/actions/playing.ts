export { play } from '@/audio/playback'
export { playInTurn, type Playing } from '@/audio/sequence'
