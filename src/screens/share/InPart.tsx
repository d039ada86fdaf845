'use client'

import { useState } from 'react'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { FilesButton } from '@/ui/FilesButton'
import { useGo } from '@/ui/useGo'
import { Part } from './Part'

/** Files of any kind, several at once, and a table that is pasted. */
export function InPart({ session }: { session: Session }) {
  const go = useGo()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)
  const take = async (files: File[]) => {
    const { takeIn } = await import('@/session/actions/incoming')
    const { sounds } = await takeIn(session, files)
    if (sounds) go('/bench')
  }
  return (
    <Part title="In">
      <FilesButton
        label="Choose files"
        accept=".json,.csv,.tsv,.txt,audio/*,.wav,.flac,.aif,.aiff"
        onFiles={(files) => void take(files)}
      />
      <p className="mt-2 leading-snug text-soft">
        Kit files, a backup, recordings of taps (WAV, FLAC, AIFF, OGG, MP3, M4A), tables. Several at once;
        they may also be dropped anywhere in Humbra, or shared to it from another app where it is installed.
      </p>
      <label className="mt-5 block">
        <span className="mb-1 block font-bold">A table of drums and pitches</span>
        <textarea
          rows={4}
          value={text}
          placeholder={'drum\tbatter\tresonant\nTom 12\t146.8\tF#3+12'}
          onChange={(event) => {
            setText(event.target.value)
            setWrong(false)
          }}
          className="w-full border-b-2 border-soft bg-tape px-3 py-2 text-lg"
        />
      </label>
      {wrong ? (
        <p role="alert" className="font-bold text-caution">
          No drums with pitches in that: a drum a line, its batter and resonant beside it, in Hz or as notes.
        </p>
      ) : (
        <p className="text-[15px] text-soft">
          Copied from a spreadsheet: a drum a line. You see what was understood before anything is made of it.
        </p>
      )}
      <Button
        className="mt-2"
        disabled={!text.trim()}
        onClick={() =>
          void import('@/session/actions/incoming').then(({ takeTable }) => {
            const taken = takeTable(session, text)
            setWrong(!taken)
            if (taken) setText('')
          })
        }
      >
        Look at it
      </Button>
    </Part>
  )
}
