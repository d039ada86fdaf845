/** A picture of Kit as it was drawn last, for the moment before the log is read: a cache, which may be gone at any time. */
const KEY = 'humbra-last-kit'
/** A picture larger than this is not worth its place. */
const MOST_CHARS = 400_000

interface Picture {
  /** It was drawn for a window of this width. */
  width: number
  html: string
}

/** The picture, where there is one for this width of window. */
export function lastPicture(): string | null {
  try {
    const { width, html } = JSON.parse(window.localStorage.getItem(KEY) ?? 'null') as Picture
    return width === window.innerWidth ? html : null
  } catch {
    return null
  }
}

/** Keeps how Kit looks now; null forgets it. */
export function keepPicture(html: string | null): void {
  try {
    if (html === null || html.length > MOST_CHARS) window.localStorage.removeItem(KEY)
    else window.localStorage.setItem(KEY, JSON.stringify({ width: window.innerWidth, html }))
  } catch {
    // Full, or forbidden: the next visit waits for the log.
  }
}
