'use client'

import dynamic from 'next/dynamic'
import { useSelect, useSession, useKit } from '@/session/react'
import { HandSettings } from './HandSettings'
import { useTheme } from 'next-themes'
import { Button } from '@/ui/Button'
import { Setting, SettingPart } from './Explained'
import { CONFIRMATIONS } from '../habits'
import { useCommander } from '../shell/commander'
import { Group, ON_DEVICE, type GroupProps } from './Group'
import { toleranceOf } from '@/core/status/targets'
import { usualHz } from '@/core/records/usualDrum'
import type { Drum } from '@/core/records/kit'
import { numberWithin } from '@/core/units/number'
import { changeDrum } from '@/session/actions/kits'
import type { Session } from '@/session/session'
import { ValueField } from '@/ui/ValueField'
import { A4_HIGHEST_HZ, A4_LOWEST_HZ, NOTE_NAMES, type NoteNames } from '@/core/units/pitch'
import { fixed, noteOf } from '@/text/shown'
import { lengthText } from '@/text/lengths'

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
          <PersonSettings session={session} settings={settings} />
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

/** Who works here: for kits that several people, or several devices, work on. */
function PersonSettings({ session, settings }: GroupProps) {
  return (
    <Group title="Who works here" kept={ON_DEVICE}>
      <SettingPart
        title="Name"
        note="Goes with everything that is read, turned and noted on this device from now on, into kit files too; the Logbook, its report and the tables then say who it was. Empty: no name."
      >
        <ValueField<string>
          label="Name of who works here"
          text={settings.person ?? ''}
          read={(text) => (text.trim().length <= MOST_NAME ? text.trim() : null)}
          wrong={`At most ${MOST_NAME} letters.`}
          onTake={(name) => session.setSettings({ person: name || null })}
          className="w-44"
        />
      </SettingPart>
    </Group>
  )
}

const MOST_NAME = 40

/** Light, keys, sound and the first walk. */
function ScreenSettings({ session, settings }: GroupProps) {
  const { theme, setTheme } = useTheme()
  const { run } = useCommander()
  return (
    <Group title="Screen, keys and sound" kept={ON_DEVICE}>
      <Setting
        title="Light"
        note="Stage is dim and warm, so that eyes stay used to the dark."
        value={theme === 'light' || theme === 'dark' ? theme : 'system'}
        items={[
          { value: 'system', label: 'as the device' },
          { value: 'light', label: 'workshop' },
          { value: 'dark', label: 'stage' },
        ]}
        onChange={setTheme}
      />
      <Setting
        title="Single keys"
        note="Shortcuts of one key, such as T for a tap. Off where a voice or a switch types by itself; those with Ctrl always work."
        value={settings.singleKeys ? 'on' : 'off'}
        items={[
          { value: 'on', label: 'on' },
          { value: 'off', label: 'off' },
        ]}
        onChange={(value) => session.setSettings({ singleKeys: value === 'on' })}
      />
      <Setting
        title="When a tap is taken"
        note="Heard through the device’s loudspeaker, which it never takes for a tap."
        value={settings.confirm}
        items={CONFIRMATIONS}
        onChange={(value) => session.setSettings({ confirm: value })}
      />
      <SettingPart title="First walk" note="Six short notes, each at its thing, for whoever is new here.">
        <Button tone="quiet" className="underline" onClick={() => run('walk.again')}>
          show it again
        </Button>
      </SettingPart>
    </Group>
  )
}

const LEAST_CENTS = 1

const MOST_CENTS = 100

/** How near each drum of this kit is to be: part of the kit, and of its file. */
function DrumSettings({ session }: { session: Session }) {
  const kit = useKit()
  if (!kit || kit.drums.length === 0) return null
  const set = (drum: Drum, toleranceCents: number | undefined) => {
    const changed = { ...drum }
    if (toleranceCents === undefined) delete changed.toleranceCents
    else changed.toleranceCents = toleranceCents
    changeDrum(session, drum, changed)
  }
  return (
    <Group title="Tolerance" kept={`with ${kit.name}, in its file`}>
      <p className="py-2 text-[15px] text-soft">
        How even and how near its pitch a head is to be before it counts as done, in cents. Empty: as usual
        for its kind, its size and what a hand can do there. A kept sheet keeps the tolerance it was kept
        with.
      </p>
      <ul>
        {kit.drums.map((drum) => {
          const usual = Math.round(
            toleranceOf({ ...drum, toleranceCents: undefined }, 'batter', usualHz(drum, 'batter')),
          )
          return (
            <li key={drum.id} className="flex items-center justify-between gap-3 border-b border-line py-1.5">
              <span className="font-bold">{drum.name}</span>
              <span className="flex items-center gap-3">
                <span className="text-sm text-soft">
                  {drum.toleranceCents ? 'set by you' : `usual ${usual}`}
                </span>
                <ValueField<number | 'usual'>
                  label={`Tolerance of ${drum.name}, cents`}
                  text={drum.toleranceCents ? String(drum.toleranceCents) : ''}
                  read={(text) => (text.trim() ? numberWithin(LEAST_CENTS, MOST_CENTS)(text) : 'usual')}
                  wrong={`${LEAST_CENTS} to ${MOST_CENTS} cents, or empty for the usual.`}
                  onTake={(value) => set(drum, value === 'usual' ? undefined : value)}
                  className="w-24"
                />
              </span>
            </li>
          )
        })}
      </ul>
    </Group>
  )
}

const NAMES: Record<NoteNames, string> = {
  sharps: 'C♯',
  flats: 'D♭',
  german: 'Cis, H',
  solfege: 'Do♯',
}

/** A pitch that every way of naming writes otherwise. */
const SHOWN_HZ = 233.5

/** How pitches, numbers and lengths are written and read. */
function PitchSettings({ session, settings }: GroupProps) {
  const { a4Hz, noteNames, decimal, lengths } = settings
  const note = noteOf(SHOWN_HZ, a4Hz)
  return (
    <Group title="Pitch and numbers" kept={ON_DEVICE}>
      <SettingPart
        title="A4"
        note={`Moves every note’s name and the notes that are typed, not the Hz: ${fixed(SHOWN_HZ, 1)} Hz is ${note.name} ${note.cents < 0 ? '−' : '+'}${Math.abs(Math.round(note.cents))} c now. 440 by ISO 16.`}
      >
        <ValueField
          label="A4 in Hz"
          text={String(a4Hz)}
          read={numberWithin(A4_LOWEST_HZ, A4_HIGHEST_HZ)}
          wrong={`A number of Hz from ${A4_LOWEST_HZ} to ${A4_HIGHEST_HZ}, such as 442.`}
          onTake={(value) => session.setSettings({ a4Hz: value })}
          className="w-28"
        />
      </SettingPart>
      <Setting
        title="Names of notes"
        note={`One octave: ${NOTE_NAMES[noteNames].join(' ')}. ${noteNames === 'german' ? 'B alone is read as B flat, H as B natural.' : 'All of them are read, whichever is shown; B alone is B natural.'}`}
        value={noteNames}
        items={(Object.keys(NAMES) as NoteNames[]).map((value) => ({ value, label: NAMES[value] }))}
        onChange={(value) => session.setSettings({ noteNames: value })}
      />
      <Setting
        title="Decimal sign"
        note="Where numbers are shown. Both are read everywhere; tables that leave the app keep the point."
        value={decimal}
        items={[
          { value: 'point', label: '233.5' },
          { value: 'comma', label: '233,5' },
        ]}
        onChange={(value) => session.setSettings({ decimal: value })}
      />
      <Setting
        title="Lengths"
        note={`Depths, diameters and ports of drums in fields and lists: a 5.5 inch snare is ${lengthText(5.5)} deep. Drums keep their names in inches.`}
        value={lengths}
        items={[
          { value: 'inch', label: 'inch' },
          { value: 'mm', label: 'millimetre' },
        ]}
        onChange={(value) => session.setSettings({ lengths: value })}
      />
    </Group>
  )
}
