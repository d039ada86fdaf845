'use client'

import { DropdownMenu } from 'radix-ui'
import { Ellipsis } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import type { Sheet } from '@/core/keeping/log'
import { removeSheet, renameSheet } from '@/session/actions/sheets'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

/** Rename and remove a sheet. */
export function SheetMenu({ sheet }: { sheet: Sheet }) {
  const session = useSession()
  const [name, setName] = useState<string | null>(null)
  if (!session) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (name?.trim()) renameSheet(session, sheet.id, name.trim().slice(0, 60))
    setName(null)
  }
  const item =
    'flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-case data-[highlighted]:font-bold'
  return (
    <>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          aria-label={`More for ${sheet.name}`}
          className="flex size-11 items-center justify-center text-soft"
        >
          <Ellipsis aria-hidden size={20} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" className="z-50 min-w-44 bg-tape py-2 text-ink shadow-xl">
            <DropdownMenu.Item className={item} onSelect={() => setName(sheet.name)}>
              Rename
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => removeSheet(session, sheet.id, sheet.name)}>
              Remove
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Modal open={name !== null} onClose={() => setName(null)} title={`Rename ${sheet.name}`}>
        <form onSubmit={submit} className="space-y-5">
          <Field label="Name of the sheet">
            <input
              autoFocus
              value={name ?? ''}
              maxLength={60}
              onChange={(event) => setName(event.target.value)}
              className={INPUT_CLASS}
            />
          </Field>
          <Button tone="act" type="submit" disabled={!name?.trim()}>
            Rename
          </Button>
        </form>
      </Modal>
    </>
  )
}
