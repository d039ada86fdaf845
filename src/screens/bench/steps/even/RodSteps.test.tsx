import { fireEvent, render, screen } from '@testing-library/react'
import { RodSteps } from './RodSteps'

const WORDS = {
  none: 'left alone',
  less: 'down',
  more: 'up',
  lessBy: 'loosen by 1/32',
  moreBy: 'tighten by 1/32',
}

test('every rod is said in words, and a press moves it by one step', () => {
  const moves: Array<[number, number]> = []
  render(
    <RodSteps
      turns={[0, 0.125, -0.0625]}
      step={1 / 32}
      words={WORDS}
      onChange={(rod, by) => moves.push([rod, by])}
    />,
  )
  expect(['Rod 1', 'Rod 2', 'Rod 3'].map((name) => screen.getByLabelText(name).textContent)).toEqual([
    'left alone',
    'up 1/8',
    'down 1/16',
  ])
  fireEvent.click(screen.getByLabelText('Rod 2: tighten by 1/32'))
  fireEvent.click(screen.getByLabelText('Rod 3: loosen by 1/32'))
  expect(moves).toEqual([
    [1, 1 / 32],
    [2, -1 / 32],
  ])
})

test('the size may stand first', () => {
  render(
    <RodSteps
      turns={[1, -0.75]}
      step={1 / 16}
      words={{ ...WORDS, less: 'slacker', more: 'tighter', sizeFirst: true }}
      onChange={() => undefined}
    />,
  )
  expect(screen.getByLabelText('Rod 1').textContent).toBe('1 tighter')
  expect(screen.getByLabelText('Rod 2').textContent).toBe('3/4 slacker')
})
