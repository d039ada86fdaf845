import type { StepId, Stop } from '@/core/status/steps'
import { NO_BENCH } from '../state'
import { saidDrum, type SaidDrum } from '@/text/sizes'
import { headKey } from '@/core/log/fold'
import { liveEvents } from '@/core/log/order'
import type { HumbraEvent } from '@/core/records/event'
import { MOST_DRUMS } from '@/core/records/plain'
import type { Drum, Side } from '@/core/records/kit'
import type { Settings } from '@/core/records/settings'
import { type Session } from '../session'
import { kitEdit } from './edits'

/** A new kit, chosen at once. */
export function makeKit(session: Session, name: string): void {
  const id = session.deps.newId()
  session.append([{ ...kitEdit({ what: 'kitMade', name, simulated: false }), kit: id }])
  session.setSettings({ kit: id, drum: null })
}

/** A kit of one's own with its drums, chosen at once, and where its readings come from. */
export function makeOwnKit(
  session: Session,
  drums: readonly Drum[],
  source: Settings['source'],
  wanted = OWN_NAME,
): string {
  const kit = session.deps.newId()
  const names = session.get().kits.map(({ name }) => name)
  let name = wanted
  for (let i = 2; names.includes(name); i++) name = `${wanted} ${i}`
  session.together(`making ${name}`, () => {
    session.append([
      { ...kitEdit({ what: 'kitMade', name, simulated: false }), kit },
      ...drums.map((drum) => ({ ...kitEdit({ what: 'drumAdded' as const, drum, after: null }), kit })),
    ])
    session.setSettings({ kit, drum: drums[0]?.id ?? null, side: 'batter', source })
  })
  return kit
}

const OWN_NAME = 'My kit'
/** Where readings of a drum of one's own come from. */
export type SourceOfOwn = Exclude<Settings['source'], 'practice'>

/** A kit made in a minute: sizes only, everything else as usual; kept or discarded afterwards. */
export function makeBorrowedKit(session: Session, name: string, sizes: readonly SaidDrum[]): void {
  const kit = session.deps.newId()
  const drums = sizes.map((said) => saidDrum(said, session.deps.newId()))
  session.append([
    { ...kitEdit({ what: 'kitMade', name, simulated: false, borrowed: true }), kit },
    ...drums.map((drum) => ({ ...kitEdit({ what: 'drumAdded' as const, drum, after: null }), kit })),
  ])
  session.setSettings({ kit, drum: null })
}

/** A borrowed kit is one's own from now on. */
export function keepBorrowed(session: Session): void {
  session.append([kitEdit({ what: 'kitKept' })])
  session.notify('The kit is kept.', { undo: true })
}

export function renameKit(session: Session, name: string): void {
  session.append([kitEdit({ what: 'kitRenamed', name })])
}

/** Names the kit on screen, and says whose it is and what for. */
export function fileKit(session: Session, to: { name: string; owner: string; job: string }): void {
  const kit = session.kit()
  if (!kit) return
  const { name, owner, job } = to
  session.together(`the name of ${name}`, () => {
    if (name !== kit.name) renameKit(session, name)
    if (owner !== kit.owner || job !== kit.job) session.append([kitEdit({ what: 'kitFiled', owner, job })])
  })
}

/** Puts a kit out of the way, or takes it out again; the one on screen gives way to another. */
export function archiveKit(session: Session, id: string, archived: boolean): void {
  const kit = session.get().kits.find((each) => each.id === id)
  if (!kit) return
  session.together(archived ? `putting ${kit.name} away` : `taking ${kit.name} out`, () => {
    session.append([kitEdit({ what: 'kitArchived', archived })], id)
    if (archived && session.get().settings.kit === id) session.setSettings({ kit: null, drum: null })
  })
  session.notify(
    archived ? `${kit.name} is put away: find it under All kits.` : `${kit.name} is in use again.`,
    {
      undo: true,
    },
  )
}

export function removeKit(session: Session): void {
  const kit = session.kit()
  if (!kit) return
  session.append([kitEdit({ what: 'kitRemoved' })])
  session.setSettings({ kit: null, drum: null })
  session.notify(`Removed the kit ${kit.name}.`, { undo: true })
}

/** Brings back a kit that was removed: this one, else the one removed last. */
export async function restoreKit(session: Session, id?: string): Promise<boolean> {
  const gone = [...session.get().logs.values()].filter(
    (log) => log.kit === null && (id === undefined || log.id === id),
  )
  const logs = await Promise.all(gone.map(({ id }) => session.wholeLog(id)))
  const removed = logs
    .flatMap((log) => liveEvents(log))
    .filter((event) => event.kind === 'kitEdited' && event.change.what === 'kitRemoved')
    .reduce<HumbraEvent | null>((last, event) => (last && last.at > event.at ? last : event), null)
  if (!removed) return false
  session.append([{ kind: 'withdrawn', event: removed.id, source: 'hand', algorithm: null }], removed.kit)
  session.setSettings({ kit: removed.kit })
  return true
}

export function chooseKit(session: Session, id: string): void {
  session.setSettings({ kit: id, drum: null })
}

export function addDrum(session: Session, drum: Drum): void {
  if (!hasRoom(session)) return
  session.append([kitEdit({ what: 'drumAdded', drum, after: null })])
}

function hasRoom(session: Session): boolean {
  const room = (session.kit()?.drums.length ?? 0) < MOST_DRUMS
  if (!room) session.notify(`A kit has at most ${MOST_DRUMS} drums: begin another one.`, { tone: 'caution' })
  return room
}

/** Changes a drum; new film on a head is a fitted head, which begins its history anew. */
/** Which lugs of its snare side stand beside the bed, and how much lower they may read; none is an answer too, and is not asked again. */
export function setBed(session: Session, drum: Drum, { lugs, cents }: NonNullable<Drum['snareBed']>): void {
  const snareBed =
    lugs.length && cents ? { lugs: [...lugs].sort((a, b) => a - b), cents } : { lugs: [], cents: 0 }
  changeDrum(session, drum, { ...drum, snareBed })
}

export function changeDrum(session: Session, before: Drum, drum: Drum): void {
  session.together(`the change of ${drum.name}`, () => changed(session, before, drum))
}

function changed(session: Session, before: Drum, drum: Drum): void {
  session.append([kitEdit({ what: 'drumChanged', drum })])
  for (const side of ['batter', 'resonant'] as Side[]) {
    const now = drum[side]
    const was = before[side]
    const newFilm = now.fittedOn !== was.fittedOn || now.pliesMils.join() !== was.pliesMils.join()
    const heads = session.kit()?.heads.get(headKey(drum.id, side))
    const read = heads && heads.real.count + heads.practice.count
    if (newFilm && read) {
      session.append([
        {
          kind: 'headFitted',
          drum: drum.id,
          side,
          head: now,
          sameFilm: now.pliesMils.join() === was.pliesMils.join(),
          source: 'hand',
          algorithm: null,
        },
      ])
      // The practice drum is loaded by who plays it.
      void import('./practice').then(({ refitPractice }) => refitPractice(session, drum, side))
    }
  }
}

export function duplicateDrum(session: Session, drum: Drum): void {
  if (!hasRoom(session)) return
  const copy = { ...structuredClone(drum), id: session.deps.newId(), name: `${drum.name} copy`.slice(0, 40) }
  session.append([kitEdit({ what: 'drumAdded', drum: copy, after: drum.id })])
}

export function removeDrum(session: Session, drum: Drum): void {
  session.append([kitEdit({ what: 'drumRemoved', drum: drum.id })])
  session.notify(`Removed ${drum.name}.`, { undo: true })
}

export function orderDrums(session: Session, order: string[]): void {
  session.append([kitEdit({ what: 'drumsOrdered', order })])
}

/** Moves a drum up (-1) or down (1) in the kit. */
export function moveDrum(session: Session, drum: Drum, by: -1 | 1): void {
  const order = session.kit()?.drums.map(({ id }) => id) ?? []
  const at = order.indexOf(drum.id)
  const to = at + by
  if (at < 0 || to < 0 || to >= order.length) return
  order.splice(at, 1)
  order.splice(to, 0, drum.id)
  orderDrums(session, order)
}

/** The drum and head on the Bench, and the step of its job: to be evened where nothing else is said. */
export function chooseHead(session: Session, drum: string, side: Side, step: StepId = 'even'): void {
  session.set({ step, bench: { ...NO_BENCH, busy: session.get().bench.busy } })
  session.setSettings({ drum, side })
}

/** Another step of the drum on the Bench. What was being read stays where it was. */
export function goToStop(session: Session, { step, side }: Stop): void {
  const { settings, bench } = session.get()
  const drum = currentDrum(session)
  if (!drum) return
  if (side !== settings.side) return chooseHead(session, drum, side, step)
  session.set({ step, bench: { ...bench, lug: null, strike: 'lug', centreWhy: null } })
}

const currentDrum = (session: Session) => {
  const drums = session.kit()?.drums
  const { drum } = session.get().settings
  return (drums?.find(({ id }) => id === drum) ?? drums?.[0])?.id
}
