/** Every formula that puts a number on the screen: its id, how it reads, where it comes from. */
export const FORMULAS = {
  'as-entered': { text: 'x = r, as entered', source: "the person's own entry" },
  'as-assumed': { text: 'x = a, assumed until told', source: 'common practice; replace it with your own' },
  strictest: { text: 'x = the least of t1, t2, …', source: 'material catalogue, typical values from memory' },
  'vapour-density': {
    text: 'c = φ/100 · e_s · M / (R · T in kelvin)',
    source: 'ideal gas; e_s: Wagner & Pruß 1993, IAPWS SR1-86(1992)',
  },
  'dew-point': {
    text: 'e_s(T_d) = φ/100 · e_s(T)',
    source: 'IAPWS SR1-86(1992), inverted; over water also below 0 °C',
  },
  difference: { text: 'x = a − b', source: 'arithmetic' },
  total: { text: 'x = s1 + s2 + …', source: 'arithmetic' },
  ratio: { text: 'x = a / b', source: 'arithmetic' },
  miss: {
    text: 'x = |seen − e| / σ',
    source: 'stated test: the nearest draw against the instrument’s error and the model’s own',
  },
  'settles-at': {
    text: 't = o + h',
    source: 'common practice: 6 h after an opening, 24 h after a new charge',
  },
  'days-since': { text: 'n = calendar days from a to b', source: 'arithmetic' },
  'sorption-inverse': {
    text: 'φ = 100 · 2·w / (A + √(A² + 4·K·w²))',
    source: 'Guggenheim–Anderson–de Boer with C = 2, inverted; material values typical, from memory',
  },
  stream: {
    text: 'm = G · (c_from − c_to) · 24',
    source: 'conductance picture of moisture transport; G from practice and the readings',
  },
  'water-held': {
    text: 'w = q · m · k',
    source: 'Tóth isotherm, Ng et al. 2001 (from memory), fitted to the readings',
  },
  'weighted-date': {
    text: 'the first date by which at least p of the draws have left the target',
    source: 'adaptive importance sampling over the moisture network',
  },
  'weighted-share': {
    text: 'the least value that p of the draws do not exceed',
    source: 'adaptive importance sampling over the moisture network',
  },
  'spool-moisture': { text: 'w = 100 · m_water / m_dry', source: 'moisture network, fitted to the readings' },
  'length-past': {
    text: 'L = m / m_1',
    source: 'rings of winding, from the outside in; a metre weighs ρ·π·r²',
  },
  passing: {
    text: 't = t1 + (c − c1) / (c2 − c1) · (t2 − t1)',
    source:
      'rings of winding, each with its strand (Crank, The Mathematics of Diffusion, ch. 5), in steady air: between two points of the run',
  },
  sorption: {
    text: 'w = A·a / (1 − K·a²)',
    source: 'Guggenheim–Anderson–de Boer with C = 2; material values typical, from memory',
  },
  'constant-loading': {
    text: 'x = φ1 · (e1 · K1) / (e2 · K2) − φ1',
    source: 'Tóth isotherm, Ng et al. 2001 (from memory): the loading stays, K·p stays',
  },
  'charge-gain': {
    text: 'g = 1000 · (q2 − q1) · m · k',
    source: 'Tóth isotherm, Ng et al. 2001 (from memory), at both readings',
  },
  'steady-floor': {
    text: 'φ = φ_c + (φ_r − φ_c) · G_l / (G_l + G_h)',
    source: 'steady flow, leak against holder; derived',
  },
  toth: {
    text: 'q = K·p / (1 + (K·p/q_m)^t)^(1/t)',
    source: 'Tóth isotherm, Ng et al. 2001 (from memory); at oven heat an extrapolation',
  },
  'toth-inverse': {
    text: 'φ = 100 · q / (1 − (q/q_m)^t)^(1/t) / (K · e_s)',
    source: 'Tóth isotherm, Ng et al. 2001 (from memory), inverted',
  },
  volume: { text: 'V = w·d·h · f · (1 + 4·((1 + b)/2)² + b²)/6 / 10⁶', source: 'prismatoid with taper' },
} as const
export type FormulaId = keyof typeof FORMULAS
