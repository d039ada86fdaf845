import type { ComponentProps } from 'react'
import { SETTING_ENTRY } from '@/handbook/links'
import * as plain from '@/ui/Setting'
import { EntryLink } from '../handbook/EntryLink'

type Title = keyof typeof SETTING_ENTRY

const More = ({ title }: { title: Title }) => (
  <EntryLink entry={SETTING_ENTRY[title]} className="text-[15px] font-normal! text-soft underline" />
)

/** A setting that says where it is explained: a title without an entry does not compile. */
export function SettingPart({
  title,
  ...rest
}: Omit<ComponentProps<typeof plain.SettingPart>, 'more' | 'title'> & { title: Title }) {
  return <plain.SettingPart title={title} more={<More title={title} />} {...rest} />
}

export function Setting<V extends string>({
  title,
  ...rest
}: Omit<ComponentProps<typeof plain.Setting<V>>, 'more' | 'title'> & { title: Title }) {
  return <plain.Setting<V> title={title} more={<More title={title} />} {...rest} />
}
