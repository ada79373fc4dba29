/** An integer programme as plain data: what a solver gets, whichever it is. */
export interface LinearModel {
  readonly minimize: readonly Term[]
  readonly rows: readonly {
    readonly terms: readonly Term[]
    readonly is: '<=' | '>=' | '='
    readonly to: number
  }[]
  /** Whole numbers from 0 to `most`. */
  readonly whole: ReadonlyMap<string, { readonly most: number }>
  /** Any numbers from 0 on. */
  readonly any: ReadonlySet<string>
}
export type Term = readonly [factor: number, name: string]

export interface Solved {
  /** 'proven': nothing better is; 'found': it stopped before it could prove it. */
  readonly is: 'proven' | 'found' | 'none'
  readonly value: number
  /** No solution can be better than this. */
  readonly bound: number
  readonly of: ReadonlyMap<string, number>
}
export type Solver = (model: LinearModel) => Promise<Solved>

const inRow = (terms: readonly Term[]): string =>
  terms.length === 0
    ? '0 nothing'
    : terms.map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`).join(' ')
/** Solvers read lines of a bounded length. */
const LINE_TERMS = 20
const folded = (terms: readonly Term[]): string => {
  const lines: string[] = []
  for (let i = 0; i < Math.max(1, terms.length); i += LINE_TERMS)
    lines.push(inRow(terms.slice(i, i + LINE_TERMS)))
  return lines.join('\n  ')
}

/** The model in the LP text format that integer solvers read. */
export function asLpText({ minimize, rows, whole, any }: LinearModel): string {
  const binary = [...whole].filter(([, { most }]) => most === 1).map(([name]) => name)
  const general = [...whole].filter(([, { most }]) => most !== 1)
  return [
    'Minimize',
    ` obj: ${folded(minimize)}`,
    'Subject To',
    ...rows.map(({ terms, is, to }, i) => ` r${i}: ${folded(terms)} ${is} ${to}`),
    'Bounds',
    ' nothing = 0',
    ...general.map(([name, { most }]) => ` 0 <= ${name} <= ${most}`),
    ...[...any].map(name => ` ${name} >= 0`),
    ...(general.length > 0 ? ['General', ` ${general.map(([name]) => name).join('\n ')}`] : []),
    ...(binary.length > 0 ? ['Binary', ` ${binary.join('\n ')}`] : []),
    'End',
  ].join('\n')
}
