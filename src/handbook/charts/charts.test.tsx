import { fireEvent, render, screen } from '@testing-library/react'
import { BeatChart } from './BeatChart'
import { CentreChart } from './CentreChart'
import { HandChart } from './HandChart'
import { LimenChart } from './LimenChart'
import { NoiseChart } from './NoiseChart'
import { PairsChart } from './PairsChart'
import { SchemeChart } from './SchemeChart'
import { TurnChart } from './TurnChart'

const drag = (to: number) => fireEvent.change(screen.getByRole('slider'), { target: { value: String(to) } })
const said = () => screen.getByRole('slider').getAttribute('aria-valuetext')!

// NIOSH 1998, publication 98-126, table 1-1: 85 dBA 8 hours, 88 dBA 4 hours, 94 dBA 1 hour, 100 dBA 15 minutes, 109 dBA 1 min 53 s.
test.each([
  [85, '8 hours'],
  [88, '4 hours'],
  [94, '1.0 hours'],
  [100, '15 minutes'],
  [109, '2 minutes'],
])('%i dBA is safe for %s a day', (dba, time) => {
  render(<NoiseChart />)
  drag(dba)
  expect(said()).toBe(`At ${dba} dBA ${time} a day.`)
})

// A major chord on A: A2 110, C sharp 3 138.6, E3 164.8 Hz in equal temperament; a fourth over 110 is D3, 146.8 (ISO 16).
test('a scheme from the floor tom up has the pitches of the chord', () => {
  render(<SchemeChart />)
  drag(110)
  expect(said()).toMatch(/fourths: 110, 147, 196 Hz; thirds: 110, 139, 165 Hz; a fifth: 110, 165 Hz/)
})

// The middle of a 12 x 8 with its resonant head a third above: the ratio lies in the range that people name, 1.5 to 1.6 (common practice).
test('edge to centre falls as the resonant head goes up, and a third to a fourth is a ratio of 1.6 to 1.5', () => {
  render(<CentreChart />)
  const ratio = (above: number) => {
    drag(above)
    return Number(/edge to centre (\d\.\d\d)/.exec(said())![1])
  }
  expect(ratio(0)).toBeGreaterThan(ratio(400))
  expect(ratio(400)).toBeGreaterThan(ratio(700))
  expect(ratio(400)).toBeCloseTo(1.56, 1)
  expect(ratio(500)).toBeCloseTo(1.51, 1)
  drag(500)
  expect(said()).toMatch(/^fourth/)
})

test('one rod moves the lug across as far as its own, and those between the other way against the mean', () => {
  render(<PairsChart />)
  drag(0.25)
  const [, own, across, between] =
    /Lug 3 \+(\d+) c, lug 7 across \+(\d+) c, the lugs between them ([+−]?\d+) c/.exec(said())!
  expect(own).toBe(across)
  expect(Number(between.replace('−', '-'))).toBeLessThan(Number(own) / 2)
  drag(0)
  expect(said()).toMatch(/Lug 3 0 c, lug 7 across 0 c/)
})

test('a turn adds to the square of the pitch: up and down from 150 Hz are not alike in cents', () => {
  render(<TurnChart />)
  const cents = (turns: number) => {
    drag(turns)
    return Number(/, (-?\d+) c\.$/.exec(said())![1])
  }
  expect(cents(0)).toBe(0)
  expect(cents(0.25)).toBeGreaterThan(0)
  expect(Math.abs(cents(-0.25))).toBeGreaterThan(cents(0.25))
})

test('beats are the difference of two tones; a larger drum keeps more of the hand’s error; low tones are told less finely', () => {
  const { unmount } = render(<BeatChart />)
  drag(100)
  // 180 Hz and a semitone above it: 10.7 beats a second.
  expect(said()).toBe('100 c apart: 10.7 beats a second.')
  unmount()
  const hand = render(<HandChart />)
  const left = (inches: number) => {
    drag(inches)
    return Number(/about (\d+) c/.exec(said())![1])
  }
  expect(left(16)).toBeGreaterThan(left(10) - 1)
  hand.unmount()
  render(<LimenChart />)
  drag(1000)
  expect(said()).toMatch(/^At 1000 Hz 3\.\d c\.$/)
  drag(100)
  expect(said()).toMatch(/carried on below the 200 Hz/)
})
