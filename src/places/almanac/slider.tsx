import type { ReactNode } from 'react'
import css from './almanac.module.css'

/** One value drawn along a rule, said beside it in words. */
export function Slider({
  says,
  label,
  value,
  min,
  max,
  text,
  set,
  children,
}: {
  readonly says: ReactNode
  readonly label: string
  readonly value: number
  readonly min: number
  readonly max: number
  /** The value in words, for who does not see it. */
  readonly text: string
  readonly set: (value: number) => void
  readonly children?: ReactNode
}) {
  return (
    <label className={css.almanacSlider}>
      <span>{says}</span>
      <input
        type="range"
        min={min}
        max={max}
        value={value}
        aria-label={label}
        aria-valuetext={text}
        onChange={event => set(Number(event.currentTarget.value))}
      />
      {children}
    </label>
  )
}
