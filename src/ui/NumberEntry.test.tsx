import { numberWithin } from '@/core/units/number'
import { fireEvent, render, screen } from '@testing-library/react'
import { NumberEntry } from './NumberEntry'

const readHz = numberWithin(15, 2000)

function entry() {
  const taken: number[] = []
  render(
    <NumberEntry
      label="Pitch, Hz"
      wrongText="A pitch, such as 233.5."
      read={readHz}
      onTake={(hz) => taken.push(hz)}
    />,
  )
  const input = screen.getByLabelText<HTMLInputElement>('Pitch, Hz')
  const type = (text: string) => {
    fireEvent.change(input, { target: { value: text } })
    fireEvent.submit(input.form!)
  }
  return { taken, input, type }
}

test('numbers are taken one after the other, with a point or a comma', () => {
  const { taken, input, type } = entry()
  type('233.5')
  type(' 234,25 ')
  expect(taken).toEqual([233.5, 234.25])
  expect(input.value).toBe('')
  expect(screen.queryByRole('alert')).toBeNull()
})

test.each(['', 'low', '3', '9000', '1e9', '12 Hz'])(
  '"%s" is said to be none and stays where it was typed',
  (text) => {
    const { taken, input, type } = entry()
    type(text)
    expect(taken).toEqual([])
    expect(input.value).toBe(text)
    expect(screen.getByRole('alert').textContent).toBe('A pitch, such as 233.5.')
    expect(input.getAttribute('aria-invalid')).toBe('true')
    type('200')
    expect(taken).toEqual([200])
    expect(screen.queryByRole('alert')).toBeNull()
  },
)
