import { render, screen } from '@testing-library/react'
import { KeyMap } from './KeyMap'
import { keyMapModel } from './keymap.model'
import { RodPulls } from './RodPulls'

test('pulls of the rods: a dot a rod, looser to the left, and a line as wide as what is not known', () => {
  const { container } = render(
    <RodPulls
      label="Pull of the rods"
      rods={[
        { turns: -0.1, error: 0.02 },
        { turns: 0, error: 0.02 },
        { turns: 0.1, error: 0.08 },
      ]}
    />,
  )
  expect(screen.getByRole('img', { name: 'Pull of the rods' })).toBeTruthy()
  const dots = [...container.querySelectorAll('circle')].map((dot) => Number(dot.getAttribute('cx')))
  expect(dots[0]).toBeLessThan(dots[1])
  expect(dots[1]).toBeLessThan(dots[2])
  const wide = [...container.querySelectorAll('g line')].map(
    (line) => Number(line.getAttribute('x2')) - Number(line.getAttribute('x1')),
  )
  expect(wide[2]).toBeGreaterThan(2 * wide[1])
  expect(wide[0]).toBeCloseTo(wide[1], 6)
})

test('the key map draws both rods of a move with their sweeps and a line between, and names itself', () => {
  const turns = [0, 0.125, 0, 0, 0, 0.125, 0, 0]
  const { container } = render(<KeyMap model={keyMapModel(150, turns)} label="Rods 2 and 6 on the drum" />)
  expect(screen.getByRole('img', { name: 'Rods 2 and 6 on the drum' })).toBeTruthy()
  expect(container.querySelectorAll('line[stroke-dasharray]')).toHaveLength(1)
  expect([...container.querySelectorAll('text')].map((text) => text.textContent)).toEqual(
    turns.map((_, i) => String(i + 1)),
  )
  const bold = [...container.querySelectorAll('text')].filter(
    (text) => text.getAttribute('font-weight') === '800',
  )
  expect(bold.map((text) => text.textContent)).toEqual(['2', '6'])
})
