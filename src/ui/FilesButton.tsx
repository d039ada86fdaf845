'use client'

import { useRef } from 'react'
import { Button, type ButtonTone } from './Button'

interface Props {
  label: string
  accept: string
  tone?: ButtonTone
  onFiles: (files: File[]) => void
}

/** Opens the system's own choice of files, several at once; the same file can be chosen again. */
export function FilesButton({ label, accept, tone = 'act', onFiles }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button tone={tone} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept={accept}
        aria-label={`${label}: files`}
        className="hidden"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])]
          event.target.value = ''
          if (files.length) onFiles(files)
        }}
      />
    </>
  )
}
