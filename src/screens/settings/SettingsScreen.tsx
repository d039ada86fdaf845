'use client'

import dynamic from 'next/dynamic'
import { useSelect, useSession } from '@/session/react'
import { DrumSettings } from './DrumSettings'
import { HandSettings } from './HandSettings'
import { PitchSettings } from './PitchSettings'
import { ScreenSettings } from './ScreenSettings'

// The same code as under In and out; what draws it comes behind the rest.
const PhonePart = dynamic(() => import('../share/PhonePart').then((module) => module.PhonePart))

/** How one person works on this device, and what belongs to the kit; each says what it changes. */
export function SettingsScreen() {
  const session = useSession()
  const { settings, ready } = useSelect((state) => ({
    settings: state.settings,
    ready: state.phase !== 'starting',
  }))
  return (
    <div className="px-5 pt-3 pb-12 md:px-7 md:pt-5">
      <h1 className="text-3xl font-bold max-md:pr-14 md:text-4xl">Settings</h1>
      {session && ready ? (
        <div className="mt-3 gap-x-12 lg:columns-2 *:break-inside-avoid">
          <PitchSettings session={session} settings={settings} />
          <HandSettings session={session} settings={settings} />
          <ScreenSettings session={session} settings={settings} />
          <DrumSettings session={session} />
          <div className="pb-6">
            <PhonePart />
          </div>
        </div>
      ) : null}
    </div>
  )
}
