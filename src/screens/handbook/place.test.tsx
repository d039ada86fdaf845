import { act, fireEvent, screen, within } from '@testing-library/react'
import { readFileSync } from 'node:fs'
import { ENTRY_IDS } from '@/handbook/entries'
import { makeIndex } from '@/handbook/search'
import { testSession } from '@/session/testSession'
import { settled, showScreen } from '../testScreen'
import { HandbookScreen } from './HandbookScreen'

async function show() {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  await showScreen(session, <HandbookScreen />)
  await settled()
}

const type = (text: string) =>
  act(async () => void fireEvent.change(screen.getByRole('searchbox'), { target: { value: text } }))
const found = () => within(screen.getByRole('region', { name: 'Found' })).queryAllByRole('button')

test('all entries stand by chapter, a reading order beside them', async () => {
  await show()
  expect(screen.getAllByRole('region', { name: 'To begin with' }).length).toBeGreaterThan(0)
  const chapters = ['The order of work', 'Schools', 'Trouble by words', 'Cautions']
  for (const name of chapters) expect(screen.getByRole('region', { name })).toBeTruthy()
  const listed = screen.getAllByRole('button').map(({ textContent }) => textContent)
  expect(listed).toContain('It growls or flaps')
  expect(listed.length).toBeGreaterThanOrEqual(ENTRY_IDS.length)
})

test('what is typed is looked for in the index, and without a network in titles and words', async () => {
  const index = makeIndex((id) => readFileSync(`src/handbook/entries/${id}.mdx`, 'utf8'))
  globalThis.fetch = () => Promise.resolve({ text: () => Promise.resolve(index) } as Response)
  await show()
  await type('cymbals cover')
  await settled()
  expect(found()[0].textContent).toBe('When to stop')
  await type('xylophonist')
  expect(screen.getByText(/No entry has that word/)).toBeTruthy()
})

test('where the index cannot be had, titles and the trade’s words still find', async () => {
  globalThis.fetch = () => Promise.reject(new Error('no network'))
  await show()
  await type('growl')
  await settled()
  expect(found().map(({ textContent }) => textContent)).toContain('It growls or flaps')
})
