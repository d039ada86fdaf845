'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { playInTurn, type Playing } from '@/session/actions/playing'

export interface DrillSound {
  sounds: Float32Array[]
  rateHz: number
}

export const NO_SOUND = 'This browser plays no sound here.'
export const NOT_MADE = 'The sound could not be made: reload the page. What was answered is kept.'

export interface Sounds {
  /** Place of the tap that sounds now. */
  sounding: number | null
  /** @returns resolves when the taps are over or others began; false where the browser has no sound */
  play(sound: DrillSound): Promise<boolean>
  stop(): void
}

/** Taps one after the other, a pause between them; those of before end when others begin, and when the place is left. */
export function useSounds(gapSeconds: number): Sounds {
  const [sounding, setSounding] = useState<number | null>(null)
  const playing = useRef<Playing | null>(null)
  const stop = useCallback(() => playing.current?.stop(), [])
  useEffect(() => stop, [stop])
  const play = useCallback(
    async ({ sounds, rateHz }: DrillSound) => {
      stop()
      const mine = playInTurn(sounds, rateHz, gapSeconds, setSounding)
      if (!mine) return false
      playing.current = mine
      await mine.done
      return true
    },
    [stop, gapSeconds],
  )
  return { sounding, play, stop }
}
