'use client'

import { BookOpen, Menu as MenuIcon, Redo2, Search, SunMoon, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { clsx } from 'clsx'

import { Tape } from '@/ui/Tape'
import { Menu } from '@/ui/Menu'
import { DemoTag } from './DemoTag'
import { Keeping } from './Keeping'
import { useCommander, useEnabled } from './commander'

const PLACES = [
  { href: '/', label: 'Kit' },
  { href: '/bench', label: 'Bench' },
  { href: '/spacing', label: 'Spacing' },
  { href: '/sheets', label: 'Sheets' },
  { href: '/run', label: 'Retune run' },
  { href: '/logbook', label: 'Logbook' },
  { href: '/practice', label: 'Practice' },
  { href: '/handbook', label: 'Handbook' },
]

/** At the column's foot: not for the work at the drum. */
const FOOT_PLACES = [
  { href: '/share', label: 'In and out' },
  { href: '/settings', label: 'Settings' },
]

const TOOLS = [
  { id: 'undo', label: 'Undo', icon: Undo2 },
  { id: 'redo', label: 'Redo', icon: Redo2 },
  { id: 'theme', label: 'Switch workshop and stage light', icon: SunMoon },
  { id: 'palette', label: 'Find anything', icon: Search },
  { id: 'explain', label: 'What this is about, in the Handbook', icon: BookOpen },
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
      <DemoTag className="hidden px-5 pb-2 md:block" />
      <nav aria-label="Places" className="hidden md:flex md:flex-1 md:flex-col">
        {PLACES.map((place, i) => (
          <PlaceLink key={place.href} {...place} here={path === place.href} seed={i + 11} />
        ))}
        <div className="mt-auto">
          <Keeping />
          {FOOT_PLACES.map((place, i) => (
            <PlaceLink key={place.href} {...place} here={path === place.href} seed={i + 21} />
          ))}
        </div>
      </nav>
      <div className="hidden flex-wrap px-2 pb-3 md:flex">
        <Tools />
      </div>
    </header>
  )
}

interface Props {
  href: string
  label: string
  here: boolean
  seed: number
}

function PlaceLink({ href, label, here, seed }: Props) {
  return (
    <Link
      href={href}
      aria-current={here ? 'page' : undefined}
      className={clsx('block', here ? 'font-bold' : 'text-soft hover:text-ink')}
    >
      {here ? (
        <Tape seed={seed} left={false} teeth={8} className="px-5 py-2.5">
          {label}
        </Tape>
      ) : (
        <span className="block px-5 py-2.5">{label}</span>
      )}
    </Link>
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
    <Menu
      label="Places and tools"
      button={<MenuIcon aria-hidden size={24} />}
      className="flex size-11 items-center justify-center md:hidden"
      contentClass="w-64"
      align="end"
      modal
    >
      {({ Item, Separator }) => (
        <>
          {[...PLACES, ...FOOT_PLACES].map(({ href, label }) => (
            <Item key={href} asChild>
              <Link href={href} className={clsx(item, path === href && 'font-bold')}>
                {label}
              </Link>
            </Item>
          ))}
          <Separator className="my-2 h-px bg-line" />
          {TOOLS.map(({ id, label, icon: Icon }) => (
            <Item
              key={id}
              disabled={!isEnabled(id)}
              onSelect={() => run(id)}
              className={clsx(item, 'text-base')}
            >
              <Icon aria-hidden size={18} /> {label}
            </Item>
          ))}
        </>
      )}
    </Menu>
  )
}
