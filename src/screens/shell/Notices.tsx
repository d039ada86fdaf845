'use client'

import { lazy, Suspense } from 'react'
import { useSelect } from '@/session/react'

const Toasts = lazy(() => import('./Toasts'))

/** What the session has to say; what shows it is loaded with the first thing said. */
export function Notices() {
  const said = useSelect((state) => state.notice !== null)
  if (!said) return null
  return (
    <Suspense>
      <Toasts />
    </Suspense>
  )
}
