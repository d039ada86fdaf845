import type { Command } from './types'

/** A shortcut as people read it. */
export function shortcutText(shortcut: string, mac: boolean): string {
  return shortcut
    .split(' ')
    .map((press) =>
      press
        .replace('$mod', mac ? '⌘' : 'Ctrl')
        .replace('Shift+?', '?')
        .split('+')
        .map((key) => (key.length === 1 ? key.toUpperCase() : key))
        .join(' + '),
    )
    .join(' then ')
}

/** Whether a command's key does anything where one is. */
export function worksAt({ at: places }: Command, path: string): boolean {
  return places === undefined || (places as readonly string[]).includes(path)
}

/** Works while typing in a field too: has a modifier. */
export function hasModifier(shortcut: string): boolean {
  return shortcut.includes('$mod')
}
