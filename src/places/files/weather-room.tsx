import { NativeSelect } from '@mantine/core'
import { useMemo, useRef, useState } from 'react'
import { HEATINGS, monthlyMeans, weatherRoom, type Heating } from '#core/room/weather-room.ts'
import { MOST_EPW_BYTES, readEpw, type Weather } from '#formats/weather/read-epw.ts'
import { inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused, refusalText } from '#ui/refused.tsx'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** A room's usual air from a year of weather near by: looked at first, then kept as the room's own climate. */
export function WeatherRoom() {
  const { state } = useJournal()
  const input = useRef<HTMLInputElement>(null)
  const [weather, setWeather] = useState<Weather | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [done, setDone] = useState<string | null>(null)
  if (state.rooms.size === 0) return null
  const look = async (file: File | undefined) => {
    if (!file) return
    setDone(null)
    setWeather(null)
    try {
      const read =
        file.size > MOST_EPW_BYTES
          ? { ok: false as const, problem: { line: 1, message: 'It is larger than a year of weather.' } }
          : readEpw(await file.text())
      setProblem(read.ok ? null : `${file.name}, line ${read.problem.line}: ${read.problem.message}`)
      if (read.ok) setWeather(read.weather)
    } catch (reason) {
      setProblem(`${file.name} does not open: ${refusalText(reason)}. Choose it again.`)
    } finally {
      if (input.current) input.current.value = ''
    }
  }
  return (
    <section className={css.filePart}>
      <h2 className={hand.section}>A room from the weather</h2>
      <p>
        A weather file of a place near by (EPW, the open format) tells how warm and damp a room is through the
        year.
      </p>
      <input
        ref={input}
        type="file"
        accept=".epw,text/plain"
        className={hand.visuallyHidden}
        aria-label="A weather file"
        onChange={event => void look(event.currentTarget.files?.[0])}
      />
      <button type="button" className={hand.worded} onClick={() => input.current?.click()}>
        Choose a weather file …
      </button>
      {done && (
        <p role="status" className={css.brought}>
          {done}
        </p>
      )}
      {problem && (
        <p className={hand.notice} role="alert">
          {problem} Nothing is changed.
        </p>
      )}
      {weather && (
        <RoomPreview
          weather={weather}
          finish={said => {
            setWeather(null)
            setDone(said)
          }}
        />
      )}
    </section>
  )
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

function RoomPreview({
  weather,
  finish,
}: {
  readonly weather: Weather
  readonly finish: (said: string) => void
}) {
  const { state } = useJournal()
  const { temperature } = useMeasures()
  const write = useWriteAct()
  const rooms = [...state.rooms.values()]
  const [roomId, setRoomId] = useState(rooms[0]!.roomId)
  const [heating, setHeating] = useState<Heating>('unheated')
  // a year of hours: not again for every key
  const profile = useMemo(() => monthlyMeans(weatherRoom(weather.series, heating)), [weather, heating])
  const room = state.rooms.get(roomId)!
  const keep = () =>
    write.mutate(
      {
        what: `${room.name}: air from the weather of ${weather.place}`,
        drafts: [
          {
            kind: 'room.changed',
            payload: {
              roomId,
              climate: {
                kind: 'own',
                temperatureC: profile.temperatureC.map(value => Number(value.toFixed(2))),
                relativeHumidityPercent: profile.relativeHumidityPercent.map(value =>
                  Number(value.toFixed(1)),
                ),
              },
              climateKnown: 'told',
            },
          },
        ],
      },
      {
        onSuccess: () =>
          finish(`${room.name} goes by the weather of ${weather.place} now. Undo takes it back.`),
      },
    )
  return (
    <div className={css.looked} data-looked>
      <div className={css.weatherChoices}>
        <NativeSelect
          label="For the room"
          value={roomId}
          data={rooms.map(item => ({ value: item.roomId, label: item.name }))}
          onChange={event => setRoomId(event.currentTarget.value)}
        />
        <NativeSelect
          label="Which is"
          value={heating}
          data={Object.entries(HEATINGS).map(([value, { name }]) => ({ value, label: name }))}
          onChange={event => setHeating(event.currentTarget.value as Heating)}
        />
      </div>
      <p className={css.lookedAnswer}>
        {room.name}, {HEATINGS[heating].name}, in the weather of <strong>{weather.place}</strong>:
      </p>
      <ul className={css.weatherMonths}>
        <li className={hand.aside}>
          <span>month</span>
          <span>{temperature.unit}</span>
          <span>%{THIN}RH</span>
        </li>
        {MONTHS.map((month, i) => (
          <li key={month}>
            <span>{month}</span>
            <span>{temperature.bare(profile.temperatureC[i]!)}</span>
            <span>{inWhole(profile.relativeHumidityPercent[i]!)}</span>
          </li>
        ))}
      </ul>
      {write.error && <Refused error={write.error} remedy="press Keep it again" />}
      <button type="button" className={hand.filled} onClick={keep} disabled={write.isPending}>
        Keep it
      </button>
    </div>
  )
}
