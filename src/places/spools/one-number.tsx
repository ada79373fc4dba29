import { TextInput } from '@mantine/core'
import { useState } from 'react'
import hand from '#ui/hand.module.css'
import css from './run.module.css'

/** One number and the button that keeps it. What can't be kept is said, and stays as it was typed. */
export function OneNumber({
  label,
  description,
  word,
  isMain = false,
  isBusy,
  keep,
}: {
  readonly label: string
  readonly description?: string
  readonly word: string
  readonly isMain?: boolean
  readonly isBusy: boolean
  /** @returns what is wrong with what was typed, and the remedy; null where it was kept */
  readonly keep: (typed: string) => string | null
}) {
  const [typed, setTyped] = useState('')
  const [error, setError] = useState<string | null>(null)
  return (
    <form
      className={css.weighing}
      noValidate
      onSubmit={event => {
        event.preventDefault()
        const wrong = keep(typed)
        setError(wrong)
        if (wrong === null) setTyped('')
      }}
    >
      <TextInput
        label={label}
        description={description}
        inputMode="decimal"
        autoComplete="off"
        value={typed}
        error={error}
        onChange={event => setTyped(event.currentTarget.value)}
      />
      <button type="submit" className={isMain ? hand.filled : hand.worded} disabled={isBusy}>
        {word}
      </button>
    </form>
  )
}
