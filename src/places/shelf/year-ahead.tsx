import type { ComponentProps } from 'react'
import { RoomAir, YearLine } from './year-line.tsx'
import css from './shelf.module.css'

/** The year line under its heading; the boxes are drawn first, and this comes after them. */
export default function YearAhead(props: ComponentProps<typeof YearLine>) {
  return (
    <>
      <div className={css.yearHead}>
        <h2 className={css.yearTitle}>The year ahead</h2>
        <RoomAir room={props.room} />
      </div>
      <YearLine {...props} />
    </>
  )
}
