'use client'

import { format } from 'date-fns'
import { useState, type FormEvent } from 'react'
import { numberWithin } from '@/core/units/number'
import { noteWeather, weatherFromTable } from '@/session/actions/diary'
import { useKit, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { FilesButton } from '@/ui/FilesButton'
import { Modal } from '@/ui/Modal'
import { FormWrong, TextField } from '@/ui/TextField'

const readCelsius = numberWithin(-60, 70)
const readPercent = numberWithin(0, 100)

/** The air round the drums: typed for a day, or a whole table of a logger. */
export function WeatherDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const kit = useKit()
  const [when, setWhen] = useState(() => format(new Date(session?.deps.nowMs() ?? 0), "yyyy-MM-dd'T'HH:mm"))
  const [celsius, setCelsius] = useState('')
  const [humidity, setHumidity] = useState('')
  const [room, setRoom] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  if (!session || !kit) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const at = new Date(when)
    const [warm, damp] = [
      celsius.trim() ? readCelsius(celsius) : null,
      humidity.trim() ? readPercent(humidity) : null,
    ]
    if (Number.isNaN(at.getTime())) return setWrong('A day and a time.')
    if ((celsius.trim() && warm === null) || (humidity.trim() && damp === null))
      return setWrong('Degrees Celsius from −60 to 70, percent from 0 to 100.')
    if (warm === null && damp === null) return setWrong('Say the temperature, the humidity, or both.')
    noteWeather(
      session,
      [{ at: at.toISOString(), celsius: warm, humidityPercent: damp }],
      room.trim() || null,
    )
    onClose()
  }
  const take = async (files: File[]) => {
    for (const file of files) {
      const why = weatherFromTable(session, await file.text(), room.trim() || null)
      if (why !== null) return setWrong(files.length > 1 ? `${file.name}: ${why}` : why)
    }
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="The weather round the drums">
      <form onSubmit={submit} className="space-y-4">
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField
            label="Temperature, °C"
            autoFocus
            inputMode="decimal"
            value={celsius}
            onText={setCelsius}
          />
          <TextField label="Humidity, %" inputMode="decimal" value={humidity} onText={setHumidity} />
          <TextField label="When" type="datetime-local" value={when} onText={setWhen} />
          <TextField label="Room" maxLength={60} value={room} onText={setRoom} />
        </div>
        <FormWrong says={wrong} />
        <div className="flex flex-wrap items-center gap-3">
          <Button tone="act" type="submit">
            Note it
          </Button>
          <FilesButton
            label="Take in a CSV table"
            tone="line"
            accept=".csv,.tsv,.txt,text/csv"
            onFiles={(files) => void take([...files])}
          />
        </div>
        <p className="text-[15px] text-soft">
          A table names its columns in the first row: one of date or time, and temp, humidity or both. Days of
          it fill in what the forecast has to guess otherwise.
        </p>
      </form>
    </Modal>
  )
}
