import type { ReactNode } from 'react'
import { Choice, type ChoiceItem } from './Choice'

/** A choice under the name of its part, and what it changes. */
export function Setting<V extends string>({
  title,
  note,
  more,
  ...choice
}: {
  title: string
  note: string
  more?: ReactNode
  value: V
  items: ReadonlyArray<ChoiceItem<V>>
  onChange: (value: V) => void
}) {
  return (
    <SettingPart title={title} note={note} more={more}>
      <Choice label={title} {...choice} />
    </SettingPart>
  )
}

interface SettingPartProps {
  title: string
  note: string
  /** Where it is explained. */
  more?: ReactNode
  children: ReactNode
}

export function SettingPart({ title, note, more, children }: SettingPartProps) {
  return (
    <section className="border-b border-line py-3 last:border-0">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <h3 className="font-bold">{title}</h3>
        {children}
      </div>
      <p className="mt-1 text-[15px] text-soft">
        {note} {more}
      </p>
    </section>
  )
}
