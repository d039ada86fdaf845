'use client'

import { useGo } from '@/ui/useGo'
import { format } from 'date-fns'
import { useState, type FormEvent } from 'react'
import { KIND_NAMES } from '@/core/records/usualDrum'
import { makeBorrowedKit } from '@/session/actions/kits'
import { useSession } from '@/session/react'
import { parseSizes } from '@/text/sizes'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

/** A kit from sizes alone: planned at once, tuned by the fast routine, then kept or discarded. */
export function BorrowedDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const go = useGo()
  const [text, setText] = useState('kick 22, snare 14, toms 10 12, floor 16')
  const [name, setName] = useState('')
  if (!session) return null
  const { drums, wrong } = parseSizes(text)
  const usual = `Borrowed, ${format(new Date(session.deps.nowMs()), 'd MMM')}`
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (wrong !== null || drums.length === 0) return
    makeBorrowedKit(session, name.trim().slice(0, 60) || usual, drums)
    onClose()
    go('/spacing')
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="A borrowed kit"
      description="Sizes in any order, with depths or without: 22x16 kick, floor tom 16, 12 and 10 racks. The rest is taken as usual, and can be put right later."
    >
      <form onSubmit={submit} className="space-y-5">
        <Field
          label="Sizes in inches"
          {...(wrong === null
            ? drums.length
              ? {}
              : { error: 'At least one drum, such as: kick 22, snare 14, toms 10 12, floor 16.' }
            : {
                error: `“${wrong}” is no size and no drum. Write: kick 22, snare 14, toms 10 12, floor 16.`,
              })}
        >
          <input
            autoFocus
            value={text}
            maxLength={120}
            onChange={(event) => setText(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
        <p className="leading-snug">
          {drums
            .map(
              ({ kind, diameterInches, depthInches }) =>
                `${KIND_NAMES[kind]} ${diameterInches}${depthInches === null ? '' : `x${depthInches}`}`,
            )
            .join(', ')}
        </p>
        <Field label="Name, if it is to have one">
          <input
            value={name}
            maxLength={60}
            placeholder={usual}
            onChange={(event) => setName(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
        <Button tone="act" type="submit" disabled={wrong !== null || drums.length === 0}>
          Make it and plan
        </Button>
      </form>
    </Modal>
  )
}
