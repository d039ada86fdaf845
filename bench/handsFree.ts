import { measureSound } from '@/core/measurement/measure'
import type { Tap } from '@/core/measurement/types'
import { centsBetween } from '@/core/units/pitch'
import { hearRecording, type HeardEvent } from '@/session/hearRecording'
import { makeNotATap } from '../reference/notTaps'
import { peakOf, put, type Sound } from '../reference/recordings'
import {
  loop,
  recordedHeads,
  speech,
  STAGES,
  STAGE_RATE_HZ,
  walkOnStage,
  type RecordedHead,
  type Stage,
} from './stage'
import { printTable } from './stats'

/**
 * Hands free on recorded toms with what a stage adds: each tap is to be read right (within 10 cents of what the recording
 * alone gives, or as near as that is known; where it shows a pair, its mean or one of its poles) and on its own lug. Nobody heeds what the Bench says: a tap that is not taken shifts those behind it. The
 * head has a target where it stands: which of a head's tones is its lug's, nobody has written down for these drums.
 */
const TAPS = 8
const RIGHT_CENTS = 10
const SAME_SECONDS = 0.05
/** A pole this far under the louder one holds 15% of the pair: common practice, no source. */
const WEAKEST_POLE_DB = -15

interface Walk {
  right: number
  own: number
  shown: number
  wrong: number
  invented: number
  /** Readings on another lug although nothing was said of a tap that may be missing. */
  unsaid: number
}

async function walk(stage: Stage, head: RecordedHead, seed: number): Promise<Walk> {
  const alone = (layer: number, expectHz?: number) =>
    measureSound(head.layers[layer].samples, head.layers[layer].rateHz, {
      diameterInches: head.inches,
      expectHz,
    })[0]
  const aimHz = alone(0).hz!
  const truths = head.layers.map((_, layer) => alone(layer, aimHz))
  const { sound, times } = walkOnStage(stage, head, TAPS, seed)
  const options = {
    ...{ diameterInches: head.inches, lugs: TAPS, side: 'batter' as const, expectHz: aimHz },
    ...{ order: 'around' as const, block: 2048 },
  }
  const events: HeardEvent[] = []
  await hearRecording(sound, STAGE_RATE_HZ, options, (event) => events.push(event))
  if (process.env.SHOW) console.log(stage.name, head.name, aimHz.toFixed(1), events.map(shortly).join(' | '))
  const result: Walk = { right: 0, own: 0, shown: 0, wrong: 0, invented: 0, unsaid: 0 }
  let said = false
  for (const event of events) {
    if (event.event !== 'reading') {
      said ||= event.event === 'refused'
      continue
    }
    result.shown++
    const i = times.findIndex((time) => Math.abs(time - event.at) < SAME_SECONDS)
    const truth = i < 0 ? null : truths[i % truths.length]
    const right = truth !== null && isRight(truth, event.hz)
    if (right) result.right++
    else if (i < 0) result.invented++
    else result.wrong++
    if (right && event.lug === i + 1) result.own++
    if (i >= 0 && event.lug !== i + 1 && !said) result.unsaid++
  }
  return result
}

function isRight({ hz, standardErrorHz, poles }: Tap, read: number): boolean {
  if (hz === null) return false
  const known = 1.96 * centsBetween(hz, hz + standardErrorHz!)
  const loudest = Math.max(...poles.map(({ levelDb }) => levelDb))
  const pitches = [
    hz,
    ...poles.filter(({ levelDb }) => levelDb - loudest > WEAKEST_POLE_DB).map((pole) => pole.hz),
  ]
  return pitches.some((pitch) => Math.abs(centsBetween(pitch, read)) < Math.max(RIGHT_CENTS, known))
}

function shortly(event: HeardEvent): string {
  const at = event.at.toFixed(2)
  if (event.event === 'reading') return `${at} L${event.lug} ${event.hz.toFixed(1)}`
  if (event.event !== 'refused') return `${at} ${event.event}`
  return `${at} ${event.verdict} ${process.env.SHOW === '2' ? event.why : ''}`
}

const WAITED_MINUTES = 10
const DAY_BEAT_SECONDS = 0.55

/** Ten minutes each of what may not tick a move off, at a tap's own level. */
function backgrounds(): Array<{ name: string; samples: Float32Array }> {
  const [head] = recordedHeads()
  const groove = new Float32Array(Math.round(8 * DAY_BEAT_SECONDS * STAGE_RATE_HZ))
  const hit = (sound: Sound, beat: number) =>
    put(
      groove,
      sound.samples,
      Math.round(beat * DAY_BEAT_SECONDS * STAGE_RATE_HZ),
      0.4 / peakOf(sound.samples),
    )
  for (let beat = 0; beat < 8; beat += 0.5) hit(head.hat, beat)
  for (const beat of [0, 2.5, 4, 6]) hit(head.kick, beat)
  for (const beat of [1, 3, 5, 5.5, 7, 7.5]) hit(head.other, beat)
  const handling = makeNotATap('noise', 5).samples
  return [
    { name: 'talk', samples: speech() },
    { name: 'a loop', samples: loop() },
    { name: 'a kit played beside', samples: groove },
    { name: 'handling', samples: handling },
  ]
}

async function benchTicks(): Promise<void> {
  const rows: string[][] = []
  for (const { name, samples } of backgrounds()) {
    const gain = 0.4 / peakOf(samples)
    const length = 60 * WAITED_MINUTES * STAGE_RATE_HZ
    const sound = Float32Array.from({ length }, (_, i) => gain * samples[i % samples.length])
    let ticks = 0
    const head = { diameterInches: 12, lugs: 6, side: 'batter' as const, expectHz: 114.4 }
    const how = { order: 'around' as const, block: 4096, rods: [1, 4] }
    await hearRecording(sound, STAGE_RATE_HZ, { ...head, ...how }, ({ event }) => {
      if (event === 'ticked') ticks++
    })
    rows.push([name, String(WAITED_MINUTES), String(ticks)])
  }
  printTable(
    'A move open and nobody tapping: how often it is ticked off',
    ['what sounds', 'minutes', 'ticks'],
    rows,
  )
}

export async function benchHandsFree(): Promise<void> {
  const heads = recordedHeads()
  const rows: string[][] = []
  for (const stage of STAGES.filter(({ name }) => name.startsWith(process.env.ONLY ?? ''))) {
    const walks: Walk[] = []
    for (const [h, head] of heads.entries()) walks.push(await walk(stage, head, 7 + h))
    const sum = (of: keyof Walk) => walks.reduce((all, each) => all + each[of], 0)
    const taps = TAPS * heads.length
    const part = (count: number) => `${Math.round((100 * count) / taps)}%`
    rows.push([
      ...[stage.name, String(taps), part(sum('right')), part(sum('own')), `${stage.aim}%`],
      ...[`${sum('wrong')} of ${sum('shown')}`, String(sum('invented')), String(sum('unsaid'))],
    ])
  }
  printTable(
    'Hands free on recorded toms: taps read right, and on their own lug',
    ['stage', 'taps', 'right', 'on its own lug', 'aim', 'wrong', 'invented', 'wrong lug, unsaid'],
    rows,
  )
  if (!process.env.ONLY) await benchTicks()
}
