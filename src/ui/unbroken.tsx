import { Fragment } from 'react'
import { THIN } from './format.ts'
import hand from './hand.module.css'

const MEASURE = new RegExp(`(\\S*${THIN}\\S*)`)

/** Words in which no line breaks between a number and its unit. */
export const Unbroken = ({ words }: { readonly words: string }) =>
  words.split(MEASURE).map((part, i) =>
    part.includes(THIN) ? (
      <span key={i} className={hand.unbroken}>
        {part}
      </span>
    ) : (
      <Fragment key={i}>{part}</Fragment>
    ),
  )
