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
  'put-right': {
    text: 'x = 25 + (r − 25 − a) / (1 + b)',
    source:
      'the checks of this display: its offset a at 25 % and its slope b (Gaussian, all checks together)',
  },
  'likeliest-draw': {
    text: 'x = d, of the draw that fits best what was seen',
    source: 'adaptive importance sampling: of the accounts of what was seen, the likeliest one',
  },
  'read-again': {
    text: 't + (m − t)/4, but 3 to 14 days',
    source:
      'common practice: a quarter of the way, not sooner than a change would show, not later than a round',
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
    source: 'isotherm of its kind, as the almanac has it (from memory), fitted to the readings',
  },
  'weighted-date': {
    text: 'the first date by which at least p of the draws have left the target',
    source: 'adaptive importance sampling over the moisture network',
  },
  'weighted-share': {
    text: 'the least value that p of the draws do not exceed',
    source: 'adaptive importance sampling over the moisture network',
  },
  'warmed-out': {
    text: 'm = (c2 − c1 − (e2 − e1) − d) · V',
    source: 'vapour of an ideal gas in a closed chamber, beside the same chamber empty',
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
  'constant-loading-heat': {
    text: 'x = φ1 · exp(−1000·Q/R · (1/T2 − 1/T1)) − φ1, T in kelvin',
    source: 'typical net heat of sorption, from memory: the loading stays, one heat for all loadings',
  },
  'charge-gain': {
    text: 'g = 1000 · (q2 − q1) · m · k',
    source: 'isotherm of its kind, as the almanac has it (from memory), at both readings',
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
  'between-points': {
    text: 'x = x1 + (y − y1) / (y2 − y1) · (x2 − x1)',
    source: 'typical isotherm by a table, from memory: between two near points of its curve',
  },
  placed: {
    text: 'n = how many of s1, s2, … stand',
    source: 'solid geometry: every face, spool and block keeps the room asked',
  },
  'room-to-face': {
    text: 'x = d − h − n·w/2 − R·√(1 − n²)',
    source: 'solid geometry: a cylinder to a flat wall',
  },
  tried: {
    text: 'x = the shortest of the lengths tried that does, to half a millimetre',
    source: 'halving between too short and long enough; each length is arranged anew',
  },
  'times-each': { text: 'x = n · m', source: 'arithmetic' },
  hang: { text: 'x = (b − r) / 2', source: 'a hole resting on a rod: their tops touch' },
  'room-beside': { text: 'x = |a − b| − (w1 + w2)/2', source: 'solid geometry' },
  'room-past': { text: 'x = √(x² + y²) − R1 − R2', source: 'solid geometry' },
  prismatoid: {
    text: 'V = f·H·(L1·D1 + (L1 + L2)·(D1 + D2) + L2·D2)/6 / 10⁶',
    source: 'prismatoid: areas at rim, middle and base',
  },
  'along-slope': {
    text: 'x = b · √(1 + ((r − s)/(2·H))²)',
    source: 'solid geometry: a plumb length laid along a leaning wall',
  },
  'from-edge': { text: 'x = W/2 − a', source: 'solid geometry' },
  'arc-from-mark': { text: 'x = W · θ / 360', source: 'solid geometry: an arc of the outside' },
  'rod-cut': { text: 'x = i + n · (w + c), to the full millimetre', source: 'arithmetic' },
  'sag-both-ends': {
    text: 'y = Σ F·b·x·(L² − b² − x²)/(6·K·L) + w·x·(L³ − 2·L·x² + x³)/(24·K), b = L − a; right of a load x and a are taken from the other end',
    source:
      'beam tables of strength of materials: free on two supports, point loads and an even one superposed',
  },
  'sag-one-end': {
    text: 'y = Σ F·a²·(3·L − a)/(6·K) + w·L⁴/(8·K)',
    source: 'beam tables of strength of materials: held in one wall, at its free end',
  },
  'openings-day': {
    text: 'm = n·s·V·Δc / 30.44',
    source: 'common practice: 30 % of the air at once, 95 % left open; spread over the month',
  },
  'days-held': {
    text: 'D = 1000·m·(q − q0) / W',
    source:
      'what the beads take up from fresh to the target, over what comes in; settled, without damp spools',
  },
  'both-streams': { text: 'x = G · Δc · 24', source: 'steady flow' },
  bulge: {
    text: 'y = w·s⁴ / (384·E·I)',
    source: 'beam tables of strength of materials: an even load, both ends held fast',
  },
  'water-brought': {
    text: 'x = Σ m·(u − v)',
    source:
      'isotherms of filament and board as the almanac has them (from memory), at the room’s air and at the target',
  },
  'volume-of': { text: 'x = m / ρ', source: 'bulk density, typical, from memory' },
  'cost-year': { text: 'x = m/1000 · p · n', source: 'arithmetic' },
  'leak-weighed': {
    text: 'G = 1/(Δc·t/(1000·m) − 1/H) − w',
    source: 'steady flow through leak and tray in series; the walls’ share taken off',
  },
  'leak-shown': {
    text: 'G = V·b·ln(|R − a|/|R − e|)/t − w',
    source: 'air of an empty box goes to the room’s exponentially; b for what plastic holds, from memory',
  },
  'openings-month': {
    text: 'm = n·s·V·Δc / 1000',
    source: 'common practice: 30 % of the air at once, 95 % left open',
  },
  'baking-minutes': {
    text: 't = t0 + d·ρ·1000·(w·2700 + 0.92·(T − T_r)) / (60·h·(1 − s)·(T − T_r))',
    source:
      'heat into a bed against the heat its water takes; h from memory, fitted to practice’s ½–2 h at 93–121 °C',
  },
  'microwave-minutes': {
    text: 't = (2700·w + 0.92·m·(105 − T_r)) / (60·0.75·P)',
    source: 'heat that water and beads take; shares from common practice and memory',
  },
  'baking-energy': {
    text: 'E = least of P·t/60 and a·ΔT + b·ΔT·t/60 + 0.75·w, over 1000',
    source: 'warming, losses and the heat of desorption; typical values from memory',
  },
  'microwave-energy': {
    text: 'E = s·P·t / (60·0.55·1000)',
    source: 'mains for what it gives off, from memory',
  },
  product: { text: 'x = a · b', source: 'arithmetic' },
  'power-energy': { text: 'E = P·t / 60 000', source: 'arithmetic' },
  volume: { text: 'V = w·d·h · f · (1 + 4·((1 + b)/2)² + b²)/6 / 10⁶', source: 'prismatoid with taper' },
} as const
export type FormulaId = keyof typeof FORMULAS
