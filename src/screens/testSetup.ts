import { TextDecoder, TextEncoder } from 'node:util'

// jsdom has neither.
Object.assign(globalThis, { TextDecoder, TextEncoder })

// Stand-ins for what Next gives a place, for every test of screens.
jest.mock('next/navigation', () => {
  const { pushed, place } = jest.requireActual<typeof import('./testRouter')>('./testRouter')
  return {
    useRouter: () => ({ push: (path: string) => pushed.push(path) }),
    usePathname: () => place.path,
    useSearchParams: () => new URLSearchParams(window.location.search),
  }
})
jest.mock('next-themes', () => ({ useTheme: () => ({ resolvedTheme: 'light', setTheme: () => undefined }) }))
