/** A window that is open is an entry of its own in the history, marked by this: Back closes it. */
const MARK = 'humbraWindow'
/** A browser that answers no step back must not hold everything up. */
const LONGEST_STEP_MS = 400

let given = 0
let open = 0
let listening = false
/** The step back that is on its way: nothing is written on the history before it is made. */
let leaving: Promise<void> | null = null

const markOf = (): unknown => (history.state as Record<string, unknown> | null)?.[MARK]

/** One step back; until it is made, whoever writes waits. */
function stepBack(): void {
  const step = new Promise<void>((resolve) => {
    const done = () => {
      window.removeEventListener('popstate', done)
      clearTimeout(late)
      resolve()
    }
    const late = setTimeout(done, LONGEST_STEP_MS)
    window.addEventListener('popstate', done)
    history.back()
  }).then(() => {
    if (leaving === step) leaving = null
    passOver()
  })
  leaving = step
}

/** An entry whose window is gone (another took its place, or it led on to another place) is passed over. */
function passOver(): void {
  if (open === 0 && leaving === null && markOf() !== undefined) stepBack()
}

/** Opens an entry for a window; @returns how to close it, which goes back over the entry unless Back did. */
export function enterWindow(onBack: () => void): () => void {
  if (!listening) {
    listening = true
    window.addEventListener('popstate', () => setTimeout(passOver))
  }
  const id = ++given
  open++
  let entered = false
  let closed = false
  let byBack = false
  const onPop = () => {
    if (!entered || markOf() === id || byBack) return
    byBack = true
    onBack()
  }
  const enter = () => {
    if (closed) return
    entered = true
    history.pushState({ ...(history.state as object | null), [MARK]: id }, '')
  }
  if (leaving) void leaving.then(enter)
  else enter()
  window.addEventListener('popstate', onPop)
  return () => {
    open--
    closed = true
    window.removeEventListener('popstate', onPop)
    // Another window may take its place in the same moment.
    setTimeout(passOver)
  }
}

const LOOK_MS = 16
const LOOKS = 60

/** Resolves when no window's entry is on top and no step back is on its way: whoever writes the address waits for it. */
export async function historyAtRest(): Promise<void> {
  for (let looked = 0; (leaving !== null || markOf() !== undefined) && looked < LOOKS; looked++)
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
}
