import { threadPitchMm } from '@/core/units/turns'

/** Threads in use: inch rods by ASME B1.1, and metric ones. */
export const THREADS = [
  { value: Number(threadPitchMm(24).toFixed(3)), label: '12-24, 1.06 mm', short: '12-24' },
  { value: 1, label: 'M6 × 1.0', short: 'M6' },
  { value: 0.8, label: 'M5 × 0.8', short: 'M5' },
  { value: Number(threadPitchMm(20).toFixed(3)), label: '20 tpi, 1.27 mm', short: '20 tpi' },
]

export const HOOPS = [
  { value: 'triple-flanged', label: 'triple-flanged' },
  { value: 'single-flanged', label: 'single-flanged' },
  { value: 'die-cast', label: 'die-cast' },
  { value: 'wood', label: 'wood' },
]

/** Films by their plies in mils. */
export const FILMS = [
  { value: '2', label: 'one ply, 2 mil (snare side)' },
  { value: '3', label: 'one ply, 3 mil (snare side)' },
  { value: '5', label: 'one ply, 5 mil' },
  { value: '7', label: 'one ply, 7 mil' },
  { value: '7.5', label: 'one ply, 7.5 mil' },
  { value: '10', label: 'one ply, 10 mil' },
  { value: '12', label: 'one ply, 12 mil' },
  { value: '7+5', label: 'two plies, 7 + 5 mil' },
  { value: '7+7', label: 'two plies, 7 + 7 mil' },
  { value: '10+5', label: 'two plies, 10 + 5 mil' },
  { value: '10+10', label: 'two plies, 10 + 10 mil' },
]
