import { act, screen, waitFor } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { practiceHead } from '@/core/practice/drum'
import { playTap } from '@/core/practice/tap'
import { kitEdit } from '@/session/actions/edits'
import { chooseHead } from '@/session/actions/kits'
import { typeReading } from '@/session/actions/said'
import { useKit } from '@/session/react'
import { listening, RATE_HZ } from '@/session/testListening'
import { settled, showScreen } from '../testScreen'
import { QuickCheck } from './QuickCheck'

function Check({ nowMs }: { nowMs: number }) {
  const kit = useKit()
  return kit ? <QuickCheck kit={kit} nowMs={nowMs} onClose={() => undefined} /> : null
}

/** A stroke on the centre of a tom whose heads stand at these pitches, both free. */
function stroke(batterHz: number, resonantHz: number, seed: number): Float32Array {
  const size = {
    diameterInches: 12,
    depthInches: 8,
    lugs: 6,
    hoop: 'triple-flanged' as const,
    threadPitchMm: 1.058,
  }
  const head = practiceHead(
    { seedText: 'x', ...size, pliesMils: [7, 7], otherPliesMils: [10] },
    { evenHz: batterHz, rods: [0, 0, 0, 0, 0, 0] },
    { lugHz: resonantHz, muted: false },
  )
  return playTap(head, {
    ...{ lug: 'centre', rateHz: RATE_HZ, seed, noiseDb: -55, finger: false, seconds: 2.4, leadSeconds: 0.3 },
  }).samples
}

test('by the microphone a stroke leads to the next drum, without a hand on the screen', async () => {
  const { session, push } = await listening()
  const drums = [
    { ...usualDrum('tom', 12, 'one'), name: 'One' },
    { ...usualDrum('tom', 12, 'two'), name: 'Two' },
  ]
  session.append([
    kitEdit({ what: 'drumRemoved', drum: 'd' }),
    ...drums.map((drum) => kitEdit({ what: 'drumAdded' as const, drum, after: null })),
  ])
  session.setSettings({ confirm: 'none' })
  for (const { id } of drums)
    for (const [side, hz] of [
      ['resonant', 200],
      ['batter', 160],
    ] as const) {
      chooseHead(session, id, side)
      for (let lug = 0; lug < 6; lug++) typeReading(session, hz, hz.toFixed(2))
    }
  await showScreen(session, <Check nowMs={session.deps.nowMs()} />)
  await settled()
  // The microphone is open already: it listens for the first centre by itself.
  expect(screen.getByRole('button', { name: /^Listening: strike the centre/ })).toBeTruthy()
  await act(async () => push(stroke(160, 200, 1)))
  await waitFor(() => expect(screen.getByText('drum 2 of 2')).toBeTruthy())
  await settled()
  expect(session.get()).toMatchObject({ bench: { strike: 'centre' }, settings: { drum: 'two' } })
  await act(async () => push(stroke(160, 200, 2)))
  await waitFor(() => expect(screen.getByRole('status').textContent).toMatch(/^(Nothing has moved|Look at)/))
  expect(screen.getByText(/^One: centre .*within what the model of both heads may be off/)).toBeTruthy()
})
