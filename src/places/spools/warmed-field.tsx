import { FileButton, Textarea } from '@mantine/core'
import { useState } from 'react'
import { refusalText } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './warm.module.css'

const MOST_BYTES = 2_000_000

/** How a warming is typed. */
const WARMING = [
  [22, 41],
  [35, 24],
  [48, 19],
] as const

/** Readings of one warming: typed, pasted, or from a logger's file. */
export function WarmedField({
  label,
  kept,
  typed,
  shown,
  change,
}: {
  readonly label: string
  readonly kept: string
  readonly typed: string
  readonly shown: { readonly error: string | null; readonly leftOut: number }
  readonly change: (text: string) => void
}) {
  const { temperature } = useMeasures()
  const [fileError, setFileError] = useState<string | null>(null)
  const bring = async (file: File | null) => {
    if (file === null) return
    if (file.size > MOST_BYTES)
      return setFileError(`${file.name} is larger than any warming: cut it to the warming itself.`)
    setFileError(null)
    try {
      change(await file.text())
    } catch (reason) {
      setFileError(`${file.name} does not open: ${refusalText(reason)}. Choose it again.`)
    }
  }
  return (
    <div>
      <Textarea
        label={`${label}: ${temperature.unit} and % RH, a reading a line`}
        placeholder={WARMING.map(([c, rh]) => `${Math.round(Number(temperature.field(c)))} ${rh}`).join('\n')}
        rows={7}
        value={typed}
        error={fileError ?? shown.error}
        onChange={event => change(event.currentTarget.value)}
      />
      <p className={css.under}>
        <span className={hand.pencil} data-part="spool-facts">
          {typed.trim() === ''
            ? kept
            : shown.leftOut > 0
              ? `thinned: ${shown.leftOut} of its readings are left out`
              : ''}
        </span>
        <FileButton accept=".csv,.txt,text/csv,text/plain" onChange={file => void bring(file)}>
          {props => (
            <button type="button" className={hand.worded} {...props}>
              From a file
            </button>
          )}
        </FileButton>
      </p>
    </div>
  )
}
