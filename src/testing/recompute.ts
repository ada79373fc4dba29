import { greatest, least } from '#units/extremes.ts'
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

/** Magnus form over water, Sonntag 1990 (from memory), another equation than the core's: within 0.15 K. */
function magnusC(pressurePa: number): number {
  const ln = Math.log(pressurePa / 611.2)
  return (243.12 * ln) / (17.62 - ln)
}

export const FORMULA_WORK: Readonly<Record<string, Work>> = {
  'as-entered': (_, shown) => shown.inputs['r']!,
  'as-assumed': (_, shown) => shown.inputs['a']!,
  strictest: (_, shown) => least(list(shown, 't')),
  'vapour-density': v => ((v('φ') / 100) * v('e_s') * v('M')) / (v('R') * (v('T') + 273.15)),
  'dew-point': v => magnusC((v('φ') / 100) * v('e_s')),
  'heated-rh': v => Math.min(100, (v('φ1') * v('e1')) / v('e2')),
  'heated-air': v => {
    const a = Math.min(1, ((v('φ1') / 100) * v('e1')) / v('e2'))
    return (v('A') * a) / (1 - v('K') * a ** 2)
  },
  'least-heat': v => Math.max(v('T1'), magnusC((v('φ1') * v('e1')) / v('φ_c'))),
  'intake-dew-point': v => magnusC((v('φ_c') / 100) * v('e2')),
  'warmed-out': v => (v('c2') - v('c1') - (v('e2') - v('e1')) - v('d')) * v('V'),
  ratio: v => v('a') / v('b'),
  miss: v => Math.abs(v('seen') - v('e')) / v('σ'),
  'settles-at': (v, shown) => {
    const ms = Date.parse(`${shown.inputs['o']!.replace(' ', 'T')}:00Z`) + v('h') * 3_600_000
    return new Date(ms).toISOString().slice(0, 16).replace('T', ' ')
  },
  'put-right': v => 25 + (v('r') - 25 - v('a')) / (1 + v('b')),
  'likeliest-draw': (_, shown) => shown.inputs['d']!,
  'read-again': (_, shown) => {
    const [now, middle] = ['t', 'm'].map(id => Date.parse(`${shown.inputs[id]!.replace(' ', 'T')}:00Z`))
    const aheadMs = Math.min(14, Math.max(3, (middle! - now!) / 4 / 86_400_000)) * 86_400_000
    return new Date(now! + aheadMs).toISOString().slice(0, 10)
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
  'constant-loading-heat': v =>
    v('φ1') * Math.exp(((-1000 * v('Q')) / v('R')) * (1 / (v('T2') + 273.15) - 1 / (v('T1') + 273.15))) -
    v('φ1'),
  'between-points': v => v('x1') + ((v('y') - v('y1')) / (v('y2') - v('y1'))) * (v('x2') - v('x1')),
  'charge-gain': v => 1000 * (v('q2') - v('q1')) * v('m') * v('k'),
  'steady-floor': v => v('φ_c') + ((v('φ_r') - v('φ_c')) * v('G_l')) / (v('G_l') + v('G_h')),
  placed: (_, shown) => list(shown, 's').length,
  'room-to-face': v => v('d') - v('h') - (v('n') * v('w')) / 2 - v('R') * Math.sqrt(1 - v('n') ** 2),
  tried: v => v('x'),
  'times-each': v => v('n') * v('m'),
  hang: v => (v('b') - v('r')) / 2,
  'room-beside': v => Math.abs(v('a') - v('b')) - (v('w1') + v('w2')) / 2,
  'room-past': v => Math.hypot(v('x'), v('y')) - v('R1') - v('R2'),
  prismatoid: v =>
    (v('f') * v('H') * (v('L1') * v('D1') + (v('L1') + v('L2')) * (v('D1') + v('D2')) + v('L2') * v('D2'))) /
    6e6,
  'along-slope': v => v('b') * Math.sqrt(1 + ((v('r') - v('s')) / 2 / v('H')) ** 2),
  'from-edge': v => v('W') / 2 - v('a'),
  'arc-from-mark': v => (v('W') * v('θ')) / 360,
  'rod-cut': v => Math.round(v('i') + v('n') * (v('w') + v('c'))),
  'sag-both-ends': (v, shown) => {
    const [L, K, x] = [v('L'), v('K'), v('x')]
    const places = list(shown, 'a')
    const point = list(shown, 'F').reduce((sum, F, i) => {
      const left = x <= places[i]!
      const [at, from] = left ? [x, places[i]!] : [L - x, L - places[i]!]
      const b = L - from
      return sum + (F * b * at * (L * L - b * b - at * at)) / (6 * K * L)
    }, 0)
    return point + (v('w') * x * (L ** 3 - 2 * L * x * x + x ** 3)) / (24 * K)
  },
  'sag-one-end': (v, shown) => {
    const places = list(shown, 'a')
    const point = list(shown, 'F').reduce(
      (sum, F, i) => sum + (F * places[i]! ** 2 * (3 * v('L') - places[i]!)) / (6 * v('K')),
      0,
    )
    return point + (v('w') * v('L') ** 4) / (8 * v('K'))
  },
  'openings-day': v => (v('n') * v('s') * v('V') * v('Δc')) / 30.44,
  'days-held': v => (1000 * v('m') * (v('q') - v('q0'))) / v('W'),
  'both-streams': v => v('G') * v('Δc') * 24,
  bulge: v => (v('w') * v('s') ** 4) / (384 * v('E') * v('I')),
  'water-brought': (_, shown) => {
    const [wet, dry] = [list(shown, 'u'), list(shown, 'v')]
    return list(shown, 'm').reduce((sum, m, i) => sum + m * (wet[i]! - dry[i]!), 0)
  },
  'volume-of': v => v('m') / v('ρ'),
  'cost-year': v => (v('m') / 1000) * v('p') * v('n'),
  'leak-weighed': v => Math.max(0, 1 / ((v('Δc') * v('t')) / (1000 * v('m')) - 1 / v('H')) - v('w')),
  'leak-shown': v =>
    Math.max(
      0,
      (v('V') * v('b') * Math.log(Math.abs(v('R') - v('a')) / Math.abs(v('R') - v('e')))) / v('t') - v('w'),
    ),
  'openings-month': v => (v('n') * v('s') * v('V') * v('Δc')) / 1000,
  'baking-minutes': v =>
    v('t0') +
    (v('d') * v('ρ') * 1000 * (v('w') * 2700 + 0.92 * (v('T') - v('T_r')))) /
      (60 * v('h') * (1 - v('s')) * (v('T') - v('T_r'))),
  'microwave-minutes': v => (2700 * v('w') + 0.92 * v('m') * (105 - v('T_r'))) / (60 * 0.75 * v('P')),
  'baking-energy': v =>
    Math.min((v('P') * v('t')) / 60, v('a') * v('ΔT') + (v('b') * v('ΔT') * v('t')) / 60 + 0.75 * v('w')) /
    1000,
  'microwave-energy': v => (v('s') * v('P') * v('t')) / (60 * 0.55 * 1000),
  product: v => v('a') * v('b'),
  'power-energy': v => (v('P') * v('t')) / 60_000,
  volume: v =>
    (v('w') * v('d') * v('h') * v('f') * (1 + 4 * ((1 + v('b')) / 2) ** 2 + v('b') ** 2)) / 6 / 1e6,
}

/** How far the result as shown may lie from the inputs as shown: five figures each, and differences of near equals. */
const TOLERANCE: Readonly<Record<string, number>> = {
  'dew-point': 0.15,
  'intake-dew-point': 0.15,
  'least-heat': 0.2,
}

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
    greatest(Object.values(shown.inputs).map(text => Math.abs(number(text)) || 0)),
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
