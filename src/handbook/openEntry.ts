'use client'

import { createContext, useContext } from 'react'
import type { EntryId } from './entries'

/** Opens an entry where entries are shown: the panel beside the work, or the Handbook's own place. */
export const OpenEntry = createContext<(id: EntryId) => void>(() => undefined)

export const useOpenEntry = () => useContext(OpenEntry)
