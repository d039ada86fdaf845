import { A4_HIGHEST_HZ, A4_LOWEST_HZ, NOTE_NAMES, type NoteNames } from '@/core/units/pitch'
import { numberWithin } from '@/core/units/number'
import { fixed, noteOf } from '@/text/shown'
import { lengthText } from '@/text/lengths'
import { Setting, SettingPart } from './Explained'
import { ValueField } from '@/ui/ValueField'
import { Group, ON_DEVICE, type GroupProps } from './Group'

const NAMES: Record<NoteNames, string> = {
  sharps: 'C♯',
  flats: 'D♭',
  german: 'Cis, H',
  solfege: 'Do♯',
}
/** A pitch that every way of naming writes otherwise. */
const SHOWN_HZ = 233.5

/** How pitches, numbers and lengths are written and read. */
export function PitchSettings({ session, settings }: GroupProps) {
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
