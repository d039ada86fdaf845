'use client'

import { relationText } from '@/text/relation'
import { ChevronDown } from 'lucide-react'
import { useState } from 'react'
import { isTom } from '@/core/kit/kinds'
import type { SpacingChoices } from '@/core/records/settings'
import { NO_CHOICES } from '@/core/records/plain'
import { stepsNow } from '@/core/sheets/planning'
import { choose, keepScheme } from '@/session/actions/spacing'
import { type Planning } from '@/session/selectors'
import { useKit, useSelect, useSession } from '@/session/react'
import { SCHEME_LABELS, SCHEME_SAYS } from '@/text/spacing'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Pick } from '@/ui/Pick'

const RELATIONS: ReadonlyArray<[number | null, string]> = [
  [null, 'each as it is'],
  ...[0, 300, 400, 500, 700, -300].map((cents): [number, string] => [cents, relationText(cents)]),
]
const SCHEMES = ['fourths', 'fifth', 'major-triad', 'thirds', 'equal', 'free'] as const
const WORK = [
  { value: '0', label: 'not much' },
  { value: '0.4', label: 'some' },
  { value: '1', label: 'a lot' },
]

/** Scheme, root, relation, what stays, what is to be avoided. */
export function Choices({ asking }: { asking: Planning }) {
  const session = useSession()
  const { spacing } = useSelect(({ settings }) => settings)
  const kit = useKit()
  const [naming, setNaming] = useState(false)
  if (!session || !kit) return null
  const set = (change: Partial<SpacingChoices>) => choose(session, change)
  const schemes = [
    ...SCHEMES.map((value) => ({ value: value as string, label: SCHEME_LABELS[value] })),
    ...[...kit.schemes.keys()].map((name) => ({ value: `steps:${name}`, label: name })),
  ]
  const scheme = spacing.scheme === 'steps' ? `steps:${spacing.stepsName}` : spacing.scheme
  const toms = asking.known.drums.filter(({ drum }) => isTom(drum.kind))
  const others = asking.known.drums.filter(({ drum }) => !isTom(drum.kind))
  const changed = JSON.stringify(spacing) !== JSON.stringify(NO_CHOICES)
  return (
    <section aria-label="Choices" className="leading-snug">
      <div className="flex flex-col">
        <Pick
          label="scheme"
          value={scheme}
          items={schemes}
          onChange={(value) =>
            value.startsWith('steps:')
              ? set({ scheme: 'steps', stepsName: value.slice(6) })
              : set({ scheme: value as SpacingChoices['scheme'] })
          }
        />
        <p className="text-sm text-soft">{SCHEME_SAYS[spacing.scheme]}</p>
        {spacing.scheme === 'equal' ? (
          <Field label="step, cents">
            <input
              type="number"
              min={100}
              max={1200}
              step={5}
              value={spacing.equalCents}
              onChange={(event) => {
                const cents = event.target.valueAsNumber
                if (cents >= 100 && cents <= 1200) set({ equalCents: cents })
              }}
              className={INPUT_CLASS}
            />
          </Field>
        ) : null}
        <Pick
          label="heads"
          value={spacing.relationCents === null ? '' : String(spacing.relationCents)}
          items={RELATIONS.map(([cents, label]) => ({ value: cents === null ? '' : String(cents), label }))}
          onChange={(value) => set({ relationCents: value === '' ? null : Number(value) })}
        />
        <DrumByDrum asking={asking} set={set} />
        <Pick
          label="anchor"
          value={spacing.anchor}
          items={[
            { value: 'none', label: 'none: all alike' },
            { value: 'lowest', label: 'largest tom, just above its growl' },
            { value: 'smallest', label: 'smallest tom at its best' },
          ]}
          onChange={(value) => set({ anchor: value as SpacingChoices['anchor'] })}
        />
        <Pick
          label="turning counts"
          value={String(spacing.leastWork)}
          items={WORK}
          onChange={(value) => set({ leastWork: Number(value) })}
        />
      </div>
      <Words asking={asking} set={set} />
      <Ticks
        label="These stay as they are:"
        drums={toms}
        chosen={spacing.fixed}
        disabled={({ pair }) =>
          pair.batterHz === null || (!pair.drum.resonant ? false : pair.resonantHz === null)
        }
        onChange={(fixed) => set({ fixed })}
      />
      <Ticks
        label="Kick and snare stay; set these with the toms:"
        drums={others}
        chosen={spacing.move}
        onChange={(move) => set({ move })}
      />
      <div className="-ml-2 flex flex-wrap">
        {naming ? null : (
          <Button tone="quiet" className="underline" onClick={() => setNaming(true)}>
            A scheme of my own
          </Button>
        )}
        {changed ? (
          <Button tone="quiet" className="underline" onClick={() => set(NO_CHOICES)}>
            Begin anew
          </Button>
        ) : null}
      </div>
      {naming ? <OwnScheme asking={asking} onDone={() => setNaming(false)} /> : null}
    </section>
  )
}

/** The relation of a drum's heads where it differs from that of the others. */
function DrumByDrum({ asking, set }: { asking: Planning; set: (change: Partial<SpacingChoices>) => void }) {
  const spacing = useSelect(({ settings }) => settings.spacing)
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center gap-1 text-sm text-soft underline">
        heads drum by drum <ChevronDown aria-hidden size={16} />
      </summary>
      {asking.known.drums.map(({ drum }) => (
        <Pick
          key={drum.id}
          label={drum.name}
          value={drum.id in spacing.relations ? String(spacing.relations[drum.id]) : 'as'}
          items={[
            { value: 'as', label: 'as above' },
            ...RELATIONS.flatMap(([cents, label]) =>
              cents === null ? [] : [{ value: String(cents), label }],
            ),
          ]}
          onChange={(value) => {
            const others = Object.entries(spacing.relations).filter(([id]) => id !== drum.id)
            const own = value === 'as' ? [] : [[drum.id, Number(value)] as const]
            set({ relations: Object.fromEntries([...others, ...own]) })
          }}
        />
      ))}
    </details>
  )
}

/** Root, tones to avoid and key, in notes or pitches. */
function Words({ asking, set }: { asking: Planning; set: (change: Partial<SpacingChoices>) => void }) {
  const spacing = useSelect(({ settings }) => settings.spacing)
  return (
    <div className="mt-2 space-y-3">
      <TextChoice
        key={`root${spacing.rootText}`}
        label="root: lowest tom"
        placeholder="found; or G2, 98 Hz"
        value={spacing.rootText}
        error={asking.trouble.includes('root') ? 'A note such as G2, or a pitch such as 98.' : undefined}
        onChange={(rootText) => set({ rootText })}
      />
      <TextChoice
        key={`avoid${spacing.avoidText}`}
        label="avoid"
        placeholder="E1, 82.4"
        value={spacing.avoidText}
        error={asking.trouble.includes('avoid') ? 'Notes or pitches with commas: E1, 82.4.' : undefined}
        onChange={(avoidText) => set({ avoidText })}
      />
      <TextChoice
        key={`key${spacing.keyText}`}
        label="key to favour"
        placeholder="A minor"
        value={spacing.keyText}
        error={asking.trouble.includes('key') ? 'A key such as A minor, or its notes: A C E.' : undefined}
        onChange={(keyText) => set({ keyText })}
      />
    </div>
  )
}

type Known = Planning['known']['drums'][number]

interface TicksProps {
  label: string
  drums: readonly Known[]
  chosen: readonly string[]
  disabled?: (drum: Known) => boolean
  onChange: (chosen: string[]) => void
}

/** Drums to tick; nothing where there are none. */
function Ticks({ label, drums, chosen, disabled = () => false, onChange }: TicksProps) {
  if (drums.length === 0) return null
  return (
    <fieldset className="mt-3">
      <legend className="text-sm text-soft">{label}</legend>
      <ul className="grid grid-cols-2">
        {drums.map((known) => {
          const { id, name } = known.drum
          return (
            <li key={id}>
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-(--act)"
                  disabled={disabled(known)}
                  checked={chosen.includes(id)}
                  onChange={(event) =>
                    onChange(event.target.checked ? [...chosen, id] : chosen.filter((each) => each !== id))
                  }
                />
                <span className="truncate">{name}</span>
              </label>
            </li>
          )
        })}
      </ul>
    </fieldset>
  )
}

interface TextChoiceProps {
  label: string
  placeholder: string
  value: string
  error: string | undefined
  onChange: (value: string) => void
}

/** Taken when the field is left or Enter is pressed: half a word is no pitch. */
function TextChoice({ label, placeholder, value, error, onChange }: TextChoiceProps) {
  const [text, setText] = useState(value)
  const take = () => text !== value && onChange(text)
  return (
    <Field label={label} {...(error ? { error } : {})}>
      <input
        value={text}
        maxLength={40}
        placeholder={placeholder}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
        className={INPUT_CLASS}
      />
    </Field>
  )
}

/** Steps between the toms under a name, filled in from how they stand. */
function OwnScheme({ asking, onDone }: { asking: Planning; onDone: () => void }) {
  const session = useSession()
  const [name, setName] = useState('')
  const [steps, setSteps] = useState(() => stepsNow(asking.known)?.join(', ') ?? '500, 400')
  if (!session) return null
  const cents = steps
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number)
  const good = cents.length > 0 && cents.every((step) => step >= 0 && step <= 2400)
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (!good || !name.trim()) return
        keepScheme(session, name, cents)
        onDone()
      }}
    >
      <Field
        label="steps in cents, smallest drum first"
        {...(good
          ? { hint: 'filled in from how the toms stand' }
          : { error: 'Cents with commas: 500, 400.' })}
      >
        <input
          value={steps}
          maxLength={80}
          onChange={(event) => setSteps(event.target.value)}
          className={INPUT_CLASS}
        />
      </Field>
      <Field label="name of the scheme">
        <input
          autoFocus
          value={name}
          maxLength={40}
          onChange={(event) => setName(event.target.value)}
          className={INPUT_CLASS}
        />
      </Field>
      <div className="flex gap-3">
        <Button type="submit" disabled={!good || !name.trim()}>
          Keep it
        </Button>
        <Button tone="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  )
}
