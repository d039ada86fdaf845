'use client'

import { useEffect, useState } from 'react'
import { readOrder } from '@/core/kit/order'
import { chooseInput } from '@/session/actions/listening'
import { useBenchView } from '@/session/benchReact'
import { useKit, useSelect, useSession } from '@/session/react'
import { bytesText } from '@/text/heard'
import { CONFIRMATIONS, KEEPING_SOUNDS, READ_ORDERS } from '../../habits'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'
import { Setting, SettingPart } from '@/ui/Setting'
import { fixed } from '@/text/shown'

/** How the Bench listens: order, place of the microphone, confirmation, input, and what is kept. */
export function ListeningDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ hearing, settings }) => ({ hearing, settings }))
  const kit = useKit()
  const view = useBenchView()
  const { settings, hearing } = state
  const [size, setSize] = useState<{ takes: number; bytes: number } | null>(null)
  useEffect(() => {
    let over = false
    const asked = session && kit ? session.takes()?.sizeOf(kit.id) : null
    void asked?.then((found) => !over && setSize(found)).catch(() => undefined)
    return () => {
      over = true
    }
  }, [session, kit])
  if (!session) return null
  const order = readOrder(settings.readOrder, view?.drum.lugs ?? 8)
  return (
    <Modal open onClose={onClose} title="How it listens">
      <Setting
        title="Order of the lugs"
        note={
          settings.readOrder === 'fewest'
            ? 'The lug that would tell most is asked for next, until the head is known: four taps, and two that check them. Where they disagree, all are read.'
            : `${order.slice(0, 6).join(', ')}${order.length > 6 ? ' …' : ''}: the next lug is asked for by itself.`
        }
        value={settings.readOrder}
        items={READ_ORDERS}
        onChange={(value) => session.setSettings({ readOrder: value })}
      />
      <Setting
        title="The microphone"
        note={MIC_NOTE[settings.mic]}
        value={settings.mic}
        items={[
          { value: 'with-tap', label: 'follows the tap' },
          { value: 'standing', label: 'stands still' },
        ]}
        onChange={(value) => session.setSettings({ mic: value })}
      />
      <Setting
        title="When a tap is taken"
        note="One that was heard and not taken answers with two low tones. What the device plays itself is never heard as a tap."
        value={settings.confirm}
        items={CONFIRMATIONS}
        onChange={(value) => session.setSettings({ confirm: value })}
      />
      <SettingPart
        title="Input"
        note={
          hearing.rateHz
            ? `Delivers ${fixed(hearing.rateHz / 1000, 1)} kHz. Voice processing is off.`
            : 'Names of inputs show once the microphone was opened.'
        }
      >
        <Pick
          label="device"
          value={settings.input ?? ''}
          items={[
            { value: '', label: 'the browser’s own choice' },
            ...hearing.inputs.map(({ id, name }) => ({ value: id, label: name })),
            ...(settings.input && !hearing.inputs.some(({ id }) => id === settings.input)
              ? [{ value: settings.input, label: 'the one chosen before' }]
              : []),
          ]}
          onChange={(value) => void chooseInput(session, value || null)}
        />
      </SettingPart>
      <Setting
        title="Sound of the taps"
        note={
          size && size.takes > 0
            ? `Kept with this kit: ${size.takes} ${size.takes === 1 ? 'tap' : 'taps'}, ${bytesText(size.bytes)}, on this device and in the kit file.`
            : 'Some 170 KB a tap, on this device and in the kit file. Nothing is sent anywhere.'
        }
        value={settings.keepTakes ? 'keep' : 'drop'}
        items={KEEPING_SOUNDS}
        onChange={(value) => session.setSettings({ keepTakes: value === 'keep' })}
      />
    </Modal>
  )
}

const MIC_NOTE = {
  'with-tap': 'Hold it over the lug that is tapped, a hand’s width above the head.',
  standing:
    'Put it over the outer third of the head, between two lugs. Not over the middle: there the edge tone is not heard at all. It may miss one of two tones at every lug; the estimate allows for that.',
}
