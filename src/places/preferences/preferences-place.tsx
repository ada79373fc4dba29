import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { KNOWN_CURRENCIES, type Preferences } from '#store/preferences.ts'
import { Licences } from './licences.tsx'
import { parseDecimal } from '#ui/decimal.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { ChoiceRow } from '#ui/choice-row.tsx'
import hand from '#ui/hand.module.css'
import css from './preferences.module.css'

const SAMPLE = { temperatureC: 8, lengthMm: 385, weightG: 240, volumeL: 18 }

/** How this device shows and takes what is kept; nothing kept changes. */
export default function PreferencesPlace() {
  const { preferences, change } = usePreferences()
  const measures = useMeasures()
  return (
    <main className={hand.page} data-place="preferences">
      <h1 className={hand.answer}>Shown and typed as you are used to</h1>
      <p className={hand.behind}>
        For this device alone. Fields take what you see: a box of {measures.length.text(SAMPLE.lengthMm)},{' '}
        {measures.volume.text(SAMPLE.volumeL)}, with {measures.weight.text(SAMPLE.weightG)} of beads at{' '}
        {measures.temperature.text(SAMPLE.temperatureC)}. The margin notes go on reckoning in metric.
      </p>
      <div className={css.choiceRows} data-part="choice-rows">
        <ChoiceRow
          legend="Temperature"
          options={[
            ['C', '°C'],
            ['F', '°F'],
          ]}
          chosen={preferences.temperatureScale}
          choose={temperatureScale => change({ temperatureScale })}
        />
        <ChoiceRow
          legend="Length"
          options={[
            ['mm', 'millimetres'],
            ['in', 'inches'],
          ]}
          chosen={preferences.lengthUnit}
          choose={lengthUnit => change({ lengthUnit })}
        />
        <ChoiceRow
          legend="Weight"
          options={[
            ['g', 'grams'],
            ['oz', 'ounces'],
          ]}
          chosen={preferences.weightUnit}
          choose={weightUnit => change({ weightUnit })}
        />
        <ChoiceRow
          legend="Volume"
          options={[
            ['L', 'litres'],
            ['qt', 'quarts, US'],
          ]}
          chosen={preferences.volumeUnit}
          choose={volumeUnit => change({ volumeUnit })}
        />
        <ChoiceRow
          legend="Weeks begin on"
          options={[
            [1, 'Monday'],
            [0, 'Sunday'],
            [6, 'Saturday'],
          ]}
          chosen={preferences.firstWeekday}
          choose={firstWeekday => change({ firstWeekday })}
        />
        <ChoiceRow
          legend="Light"
          options={[
            ['auto', 'as the device'],
            ['light', 'day'],
            ['dark', 'night'],
          ]}
          chosen={preferences.theme}
          choose={theme => change({ theme })}
        />
        <Money key={preferences.currency} preferences={preferences} change={change} />
      </div>
      <Licences />
    </main>
  )
}

/** What new beads cost, so that grams wanted can be money too. */
function Money({
  preferences: { currency, beadsPricePerKg },
  change,
}: {
  readonly preferences: Preferences
  readonly change: (part: Partial<Preferences>) => void
}) {
  const [text, setText] = useState(beadsPricePerKg === null ? '' : String(beadsPricePerKg))
  const price = parseDecimal(text)
  const wrong = text.trim() !== '' && !(price >= 0 && price <= 100_000)
  return (
    <div className={`${hand.choiceRow} ${css.moneyRow}`}>
      <NativeSelect
        label="Money"
        data={[...KNOWN_CURRENCIES]}
        value={currency}
        onChange={event => change({ currency: event.currentTarget.value as Preferences['currency'] })}
      />
      <TextInput
        label={`A kilogram of new beads costs, ${currency}`}
        inputMode="decimal"
        placeholder="not told"
        value={text}
        error={wrong ? 'A price is a number from 0 to 100 000: type it, or leave it empty.' : null}
        onChange={event => {
          const typed = event.currentTarget.value
          setText(typed)
          const value = parseDecimal(typed)
          if (typed.trim() === '') change({ beadsPricePerKg: null })
          else if (value >= 0 && value <= 100_000) change({ beadsPricePerKg: value })
        }}
      />
    </div>
  )
}
