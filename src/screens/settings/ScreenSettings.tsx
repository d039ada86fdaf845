'use client'

import { useTheme } from 'next-themes'
import { Button } from '@/ui/Button'
import { Setting, SettingPart } from './Explained'
import { CONFIRMATIONS } from '../habits'
import { useCommander } from '../shell/commander'
import { Group, ON_DEVICE, type GroupProps } from './Group'

/** Light, keys, sound and the first walk. */
export function ScreenSettings({ session, settings }: GroupProps) {
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
