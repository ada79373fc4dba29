/** How far a value is known: drawn in pencil, in ink, in ink with a tick, or worked out by the core. */
export type Knowledge = 'assumed' | 'told' | 'measured' | 'computed'

/** One value a formula was fed. `symbol` is the name it has in the formula's text. */
export interface BecauseInput {
  readonly symbol: string
  readonly name: string
  readonly value: number
  readonly unit: string
  readonly knowledge: Knowledge
}

/** Why a value is what it is: enough to work it out again by hand. */
export interface Because {
  readonly formulaId: string
  readonly formula: string
  readonly inputs: readonly BecauseInput[]
  readonly source: string
  readonly note?: string
}

/** A value that reaches the screen, with its reason. */
export interface Answer {
  readonly quantity: string
  readonly value: number
  readonly unit: string
  readonly knowledge: Knowledge
  readonly because: Because
}

/** One input of a formula. */
export const input = (
  symbol: string,
  name: string,
  value: number,
  unit: string,
  knowledge: Knowledge,
): BecauseInput => ({ symbol, name, value, unit, knowledge })
