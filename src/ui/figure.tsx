import type { KeyboardEvent, ReactNode } from 'react'
import type { Answer } from '#core/answer.ts'
import { useWhy } from './why-context.ts'
import { knownLook } from './known-look.ts'
import css from './figure.module.css'

interface FigureProps {
  readonly answer: Answer
  /** The value as shown, unit included. */
  readonly children: ReactNode
  readonly className?: string | undefined
  /** Punctuation that must stay on its line. */
  readonly after?: string
}

/** A number on the page: drawn by how it is known, and it opens to its reason. */
export function Figure({ answer, children, className, after }: FigureProps) {
  const open = useWhy()
  const figure = (
    <button
      type="button"
      className={`${css.figure} ${knownLook(answer)} ${className ?? ''}`}
      data-quantity={answer.quantity}
      onClick={() => open(answer)}
    >
      {answer.knowledge === 'assumed' && <Approx />}
      {children}
      {answer.knowledge === 'measured' && <Tick />}
    </button>
  )
  if (after === undefined) return figure
  return (
    <span className={css.keptTogether}>
      {figure}
      {after}
    </span>
  )
}

/** The same inside a drawing. */
export function FigureInk({ answer, children }: { readonly answer: Answer; readonly children: ReactNode }) {
  const open = useWhy()
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return
    event.preventDefault()
    open(answer)
  }
  return (
    <g
      role="button"
      tabIndex={0}
      className={`${css.figureInk} ${knownLook(answer)}`}
      data-quantity={answer.quantity}
      onClick={() => open(answer)}
      onKeyDown={onKey}
    >
      {children}
    </g>
  )
}

/** "About": two stacked tildes, since the fonts' Latin subset has no such sign. */
export const Approx = () => (
  <span className={css.approx} role="img" aria-label="about">
    <span aria-hidden="true">~</span>
    <span aria-hidden="true">~</span>
  </span>
)

/** Measured: a small tick after value and unit. */
export const Tick = () => (
  <svg className={css.tick} viewBox="0 0 6 6" width="6" height="6" role="img" aria-label="measured">
    <path
      d="M0.7 3.2 2.4 5 5.4 0.9"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.3"
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  </svg>
)
