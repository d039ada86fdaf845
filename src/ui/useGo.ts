'use client'

import { useRouter } from 'next/navigation'
import { useCallback } from 'react'
import { historyAtRest } from './windowHistory'

/** Goes to a place, behind the window that asked for it: its entry of the history is gone first. */
export function useGo(): (to: string) => void {
  const router = useRouter()
  return useCallback((to) => void historyAtRest().then(() => router.push(to)), [router])
}
