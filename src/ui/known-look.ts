import type { Knowledge } from '#core/answer.ts'
import css from './figure.module.css'

/** What is assumed stands in pencil, all else in ink. */
export const knownLook = ({ knowledge }: { readonly knowledge: Knowledge }): string =>
  knowledge === 'assumed' ? (css.knownAssumed ?? '') : ''
