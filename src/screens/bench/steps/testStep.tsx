import { act, fireEvent, screen } from '@testing-library/react'
import { strokesOf } from '@/core/status/strokes'
import type { StepId } from '@/core/status/steps'
import type { DrumKindRecord } from '@/core/records/kit'
import { usualDrum } from '@/core/records/usualDrum'
import { takeCentre } from '@/session/actions/centre'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { currentView } from '@/session/currentView'
import { typeReading } from '@/session/actions/said'
import { testSession } from '@/session/testSession'
import { place } from '../../testRouter'
import { showScreen, settled } from '../../testScreen'
import { BenchScreen } from '../BenchScreen'

/** A kit of one own drum on the Bench, its readings typed, for tests of steps in the frame that they stand in. */
export async function withDrum(kind: DrumKindRecord, inches: number) {
  const { session, advanceMs } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Kit')
  addDrum(session, { ...usualDrum(kind, inches, 'd'), name: 'Own' })
  session.setSettings({ source: 'typed', keys: 2, largestStepTurns: 0.5 })
  chooseHead(session, 'd', 'batter')
  const view = () => currentView(session)!
  const read = (side: 'batter' | 'resonant', hz: number) => {
    const { step } = session.get()
    chooseHead(session, 'd', side, step)
    for (let lug = 0; lug < view().drum.lugs; lug++) typeReading(session, hz)
  }
  const strike = (hz: number, decaySeconds: number) => {
    advanceMs(1000)
    const modes = [
      { hz, decaySeconds, levelDb: 0, standardErrorHz: 0.05 },
      { hz: 2.3 * hz, decaySeconds: decaySeconds / 2, levelDb: -15, standardErrorHz: 0.1 },
    ]
    const tap = {
      ...{ atSeconds: 0, verdict: 'ok', why: null, hz, standardErrorHz: 0.05 },
      ...{ poles: [modes[0]], modes },
    }
    takeCentre(session, view(), { ...tap, glideCents: 30 } as never, 'typed')
    advanceMs(1000)
  }
  const show = async (step: StepId, side: 'batter' | 'resonant' = 'batter') => {
    window.history.replaceState(null, '', '/bench')
    place.path = '/bench'
    chooseHead(session, 'd', side, step)
    await showScreen(session, <BenchScreen />)
    await settled()
  }
  const step = () => session.get().step
  return {
    ...{ session, advanceMs, view, read, strike, show, step },
    strokes: () => strokesOf(view().kit, view().drum, false),
  }
}

export const typeIn = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
export const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })))
export const click = (element: Element) => act(async () => void fireEvent.click(element))
