'use client'

import { DropdownMenu } from 'radix-ui'
import { Keyboard, Menu, Redo2, SunMoon, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { clsx } from 'clsx'

import { Tape } from '@/ui/Tape'
import { Keeping } from './Keeping'
import { useCommander, useEnabled } from './commander'

const PLACES = [
  { href: '/', label: 'Kit' },
  { href: '/bench', label: 'Bench' },
  { href: '/spacing', label: 'Spacing' },
  { href: '/sheets', label: 'Sheets' },
  { href: '/run', label: 'Retune run' },
]

const TOOLS = [
  { id: 'undo', label: 'Undo', icon: Undo2 },
  { id: 'redo', label: 'Redo', icon: Redo2 },
  { id: 'theme', label: 'Switch workshop and stage light', icon: SunMoon },
  { id: 'shortcuts', label: 'Show the keys', icon: Keyboard },
]

const TOOL_IDS = TOOLS.map(({ id }) => id)

/** The places: a column beside the work, on a phone one button. The place one is in is a torn end of tape. */
export function Nav() {
  const path = usePathname()
  return (
    <header className="border-line max-md:absolute max-md:top-1 max-md:right-1 max-md:z-30 md:sticky md:top-0 md:flex md:h-dvh md:flex-col md:border-r">
      <div className="md:px-5 md:pt-5 md:pb-4">
        <span className="hidden text-2xl font-bold md:inline">humbra</span>
        <PhoneMenu path={path} />
      </div>
      <nav aria-label="Places" className="hidden md:block">
        {PLACES.map(({ href, label }, i) => (
          <Link
            key={href}
            href={href}
            aria-current={path === href ? 'page' : undefined}
            className={clsx('block', path === href ? 'font-bold' : 'text-soft hover:text-ink')}
          >
            {path === href ? (
              <Tape seed={i + 11} left={false} teeth={8} className="px-5 py-2.5">
                {label}
              </Tape>
            ) : (
              <span className="block px-5 py-2.5">{label}</span>
            )}
          </Link>
        ))}
      </nav>
      <div className="md:mt-auto">
        <Keeping />
      </div>
      <div className="hidden flex-wrap px-2 pb-3 md:flex">
        <Tools />
      </div>
    </header>
  )
}

function Tools() {
  const { run } = useCommander()
  const isEnabled = useEnabled(TOOL_IDS)
  return TOOLS.map(({ id, label, icon: Icon }) => (
    <button
      key={id}
      type="button"
      aria-label={label}
      title={label}
      disabled={!isEnabled(id)}
      onClick={() => run(id)}
      className="flex size-11 items-center justify-center text-soft hover:text-ink disabled:opacity-35"
    >
      <Icon aria-hidden size={20} />
    </button>
  ))
}

function PhoneMenu({ path }: { path: string }) {
  const { run } = useCommander()
  const isEnabled = useEnabled(TOOL_IDS)
  const item = 'flex min-h-12 items-center gap-3 px-4 text-lg outline-none data-[highlighted]:bg-case'
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label="Places and tools"
        className="flex size-11 items-center justify-center md:hidden"
      >
        <Menu aria-hidden size={24} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-50 w-64 bg-tape py-2 text-ink shadow-xl">
          {PLACES.map(({ href, label }) => (
            <DropdownMenu.Item key={href} asChild>
              <Link href={href} className={clsx(item, path === href && 'font-bold')}>
                {label}
              </Link>
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Separator className="my-2 h-px bg-line" />
          {TOOLS.map(({ id, label, icon: Icon }) => (
            <DropdownMenu.Item
              key={id}
              disabled={!isEnabled(id)}
              onSelect={() => run(id)}
              className={clsx(item, 'text-base')}
            >
              <Icon aria-hidden size={18} /> {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
