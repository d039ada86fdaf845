'use client'

import { parsePitch, parsePitches } from '@/core/units/pitch'
import { useTuning } from '@/session/react'
import { PITCH_WRONG } from '@/ui/fields'
import { NumberEntry } from '@/ui/NumberEntry'

export interface TypedPitch {
  hz: number
  text: string
}

interface Props {
  label: string
  onTake: (hz: number, text: string) => void
  /** Lugs that can be filled at once, and what takes them. */
  round?: { lugs: number; onTake: (pitches: TypedPitch[]) => void }
}

/** One pitch after the other, in Hz or as a note; where a whole round is wanted, also several at once. */
export function PitchEntry({ label, onTake, round }: Props) {
  const { a4Hz, noteNames } = useTuning()
  const several = (text: string): string | null => {
    const parts = parsePitches(text, a4Hz, noteNames)
    const slip = parts.find(({ hz }) => hz === null)
    if (slip) return `“${slip.text}” is no pitch. ${PITCH_WRONG}`
    if (parts.length > round!.lugs)
      return `${parts.length} numbers for ${round!.lugs} lugs: one a lug, in the order around the head.`
    round!.onTake(parts as TypedPitch[])
    return null
  }
  return (
    <NumberEntry
      label={label}
      wrongText={PITCH_WRONG}
      read={(text) => parsePitch(text, a4Hz, noteNames)}
      onTake={onTake}
      {...(round ? { several } : {})}
    />
  )
}
