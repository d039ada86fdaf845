import { useState } from 'react'

const KEY = 'humbra-sizes'

/** The line as it was written, through a reload of this tab. */
export function useDraft(): [text: string, write: (text: string) => void, forget: () => void] {
  const [text, setText] = useState(() => tried((kept) => kept.getItem(KEY)))
  const write = (next: string) => {
    setText(next)
    tried((kept) => kept.setItem(KEY, next))
  }
  return [text, write, () => tried((kept) => kept.removeItem(KEY))]
}

/** Storage may be forbidden: then the line lives as long as the page. */
function tried(task: (kept: Storage) => string | null | void): string {
  try {
    return task(window.sessionStorage) ?? ''
  } catch {
    return ''
  }
}
