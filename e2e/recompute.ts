/** Every formula of the margin notes worked out again, on its own, from the inputs as shown. */
export interface ShownWhy {
  readonly formula: string
  readonly inputs: Readonly<Record<string, string>>
  readonly result: string
}

const number = (text: string): number => Number(text.replaceAll('−', '-'))

type Work = (value: (symbol: string) => number, shown: ShownWhy) => number | string
const list = (shown: ShownWhy, letter: string): number[] =>
  Object.entries(shown.inputs)
    .filter(([symbol]) => new RegExp(`^${letter}\\d+$`).test(symbol))
    .map(([, text]) => number(text))

export const FORMULA_WORK: Readonly<Record<string, Work>> = {
  'as-entered': (_, shown) => shown.inputs['r']!,
  'as-assumed': (_, shown) => shown.inputs['a']!,
  strictest: (_, shown) => Math.min(...list(shown, 't')),
  'vapour-density': v => ((v('φ') / 100) * v('e_s') * v('M')) / (v('R') * (v('T') + 273.15)),
  // Magnus form over water, Sonntag 1990 (from memory), another equation than the core's: within 0.15 K
  'dew-point': v => {
    const ln = Math.log(((v('φ') / 100) * v('e_s')) / 611.2)
    return (243.12 * ln) / (17.62 - ln)
  },
  ratio: v => v('a') / v('b'),
  miss: v => Math.abs(v('seen') - v('e')) / v('σ'),
  'settles-at': (v, shown) => {
    const ms = Date.parse(`${shown.inputs['o']!.replace(' ', 'T')}:00Z`) + v('h') * 3_600_000
    return new Date(ms).toISOString().slice(0, 16).replace('T', ' ')
  },
  'days-since': (_, shown) => (Date.parse(shown.inputs['b']!) - Date.parse(shown.inputs['a']!)) / 86_400_000,
  'sorption-inverse': v => (100 * 2 * v('w')) / (v('A') + Math.sqrt(v('A') ** 2 + 4 * v('K') * v('w') ** 2)),
  difference: v => v('a') - v('b'),
  total: (_, shown) => list(shown, 's').reduce((sum, value) => sum + value, 0),
  stream: v => v('G') * (v('c_from') - v('c_to')) * 24,
  'water-held': v => v('q') * v('m') * v('k'),
  'weighted-date': (v, shown) => {
    const shares = Object.entries(shown.inputs).filter(([symbol]) => symbol.startsWith('d'))
    const found = shares.find(([symbol]) => Number(symbol.slice(1)) >= v('p') * 100 - 1e-6)
    return found?.[1] ?? 'none'
  },
  'weighted-share': (v, shown) => {
    const values = list(shown, 'v').sort((a, b) => a - b)
    return values[Math.ceil(v('p') * values.length - 1e-9) - 1]!
  },
  'spool-moisture': v => (100 * v('m_water')) / v('m_dry'),
  'length-past': v => v('m') / v('m_1'),
  passing: v => v('t1') + ((v('c') - v('c1')) / (v('c2') - v('c1'))) * (v('t2') - v('t1')),
  sorption: v => (v('A') * v('a')) / (1 - v('K') * v('a') ** 2),
  'constant-loading': v => (v('φ1') * v('e1') * v('K1')) / (v('e2') * v('K2')) - v('φ1'),
  toth: v => {
    const linear = v('K') * v('p')
    return linear / (1 + (linear / v('q_m')) ** v('t')) ** (1 / v('t'))
  },
  'toth-inverse': v =>
    (100 * v('q')) / (1 - (v('q') / v('q_m')) ** v('t')) ** (1 / v('t')) / (v('K') * v('e_s')),
  'charge-gain': v => 1000 * (v('q2') - v('q1')) * v('m') * v('k'),
  'steady-floor': v => v('φ_c') + ((v('φ_r') - v('φ_c')) * v('G_l')) / (v('G_l') + v('G_h')),
  volume: v =>
    (v('w') * v('d') * v('h') * v('f') * (1 + 4 * ((1 + v('b')) / 2) ** 2 + v('b') ** 2)) / 6 / 1e6,
}

/** How far the result as shown may lie from the inputs as shown: five figures each, and differences of near equals. */
const TOLERANCE: Readonly<Record<string, number>> = { 'dew-point': 0.15 }

/** A sentence about what does not agree; null where all does. */
export function disagreement(shown: ShownWhy): string | null {
  const work = FORMULA_WORK[shown.formula]
  if (!work) return `no way known to work out "${shown.formula}"`
  const value = (symbol: string): number => {
    const text = shown.inputs[symbol]
    return text === undefined ? Number.NaN : number(text)
  }
  const again = work(value, shown)
  if (typeof again === 'string') return again === shown.result ? null : `${again} is not ${shown.result}`
  const result = number(shown.result)
  const scale = Math.max(
    ...Object.values(shown.inputs).map(text => Math.abs(number(text)) || 0),
    Math.abs(result),
  )
  const cancelling = ['difference', 'total', 'charge-gain', 'constant-loading', 'passing'].includes(
    shown.formula,
  )
    ? Math.min(scale, 1000) * 2e-4
    : 0
  const allowed = TOLERANCE[shown.formula] ?? Math.max(Math.abs(result) * 2e-3, cancelling, 1e-9)
  return Math.abs(again - result) <= allowed ? null : `${again} is not ${shown.result}`
}
