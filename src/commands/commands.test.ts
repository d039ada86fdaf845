import { COMMANDS, commandById } from '.'
import { hasModifier, shortcutText, worksAt } from './keys'

test('ids and keys are unique, and every command has words', () => {
  const ids = COMMANDS.map((command) => command.id)
  expect(new Set(ids).size).toBe(ids.length)
  const keys = COMMANDS.flatMap((command) => command.shortcut ?? [])
  // One key does one thing wherever one is.
  const everywhere = COMMANDS.flatMap(({ at }) => at ?? [])
  for (const place of everywhere) {
    const here = COMMANDS.filter((command) => worksAt(command, place)).flatMap(
      ({ shortcut }) => shortcut ?? [],
    )
    expect(new Set(here).size).toBe(here.length)
  }
  // A key that begins a sequence may not be one by itself.
  const starts = new Set(keys.filter((key) => key.includes(' ')).map((key) => key.split(' ')[0]))
  for (const key of keys) expect(starts.has(key)).toBe(false)
  for (const { label } of COMMANDS) expect(label.length).toBeGreaterThan(2)
  expect(() => commandById('no such')).toThrow()
})

test('keys as people read them', () => {
  expect(shortcutText('$mod+Shift+z', false)).toBe('Ctrl + Shift + Z')
  expect(shortcutText('g b', false)).toBe('G then B')
  expect(shortcutText('$mod+k', true)).toBe('⌘ + K')
  expect([hasModifier('$mod+z'), hasModifier('t')]).toEqual([true, false])
})
