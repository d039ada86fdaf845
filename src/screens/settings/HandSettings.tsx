import { Setting, SettingPart } from './Explained'
import { Pick } from '@/ui/Pick'
import { Group, ON_DEVICE, type GroupProps } from './Group'
import { KEEPING_SOUNDS, READ_ORDERS } from '../habits'
import { SOURCES } from '../sources'
import { scatterText } from '@/text/scatter'
import { Button } from '@/ui/Button'

const STEPS = [
  { value: '0.125', label: '1/8' },
  { value: '0.25', label: '1/4' },
  { value: '0.5', label: '1/2' },
  { value: '1', label: '1' },
] as const

/** How the hand works and where its readings come from. */
export function HandSettings({ session, settings }: GroupProps) {
  return (
    <Group title="At the drum" kept={ON_DEVICE}>
      <SettingPart
        title="Readings come from"
        note="What the next head asks for first. The practice drum is never taken for a drum of yours without being asked."
      >
        <Pick
          label="source"
          value={settings.source}
          items={SOURCES.map(({ value, label }) => ({ value, label }))}
          onChange={(value) => session.setSettings({ source: value as typeof settings.source })}
        />
      </SettingPart>
      <Setting
        title="Keys in hand"
        note="With two, opposite rods turn together, and a move names both."
        value={String(settings.keys) as '1' | '2'}
        items={[
          { value: '1', label: 'one' },
          { value: '2', label: 'two' },
        ]}
        onChange={(value) => session.setSettings({ keys: value === '1' ? 1 : 2 })}
      />
      <Setting
        title="Largest step, in turns"
        note="No rod is turned further in one pass. Small steps take more passes and keep the hoop straighter."
        value={String(settings.largestStepTurns) as (typeof STEPS)[number]['value']}
        items={STEPS}
        onChange={(value) => session.setSettings({ largestStepTurns: Number(value) })}
      />
      <Setting
        title="Hand"
        note={
          settings.hand === 'left'
            ? 'Left: lugs count anticlockwise from the badge, as a left-handed drummer stands to them. The map shows it so; the strip goes from lug 1 on, and so the other way round the drum.'
            : 'Right: lugs count clockwise from the badge. Left: the other way round, on the map and so along the strip.'
        }
        value={settings.hand}
        items={[
          { value: 'right', label: 'right' },
          { value: 'left', label: 'left' },
        ]}
        onChange={(value) => session.setSettings({ hand: value })}
      />
      <Setting
        title="Order of the lugs"
        note="In which order taps are asked for: around the rim, across it, or as few as tell the head."
        value={settings.readOrder}
        items={READ_ORDERS}
        onChange={(value) => session.setSettings({ readOrder: value })}
      />
      <SettingPart title="How your readings scatter" note={scatterText(settings)}>
        {settings.scatter.length ? (
          <Button tone="quiet" className="underline" onClick={() => session.setSettings({ scatter: [] })}>
            forget it
          </Button>
        ) : null}
      </SettingPart>
      <Setting
        title="Sounds of taps"
        note="Kept sounds can be heard and measured again, some 170 KB a tap, on this device and in the kit file."
        value={settings.keepTakes ? 'keep' : 'drop'}
        items={KEEPING_SOUNDS}
        onChange={(value) => session.setSettings({ keepTakes: value === 'keep' })}
      />
    </Group>
  )
}
