import type { EChartsCoreOption } from 'echarts/core'
import type { Celsius } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '#core/desiccant/catalogue.ts'
import { loadingAtRhGPerG } from '#core/sorbent/sorbent.ts'

export interface IsothermColours {
  readonly ink: string
  readonly pencil: string
  readonly water: string
  readonly heat: string
  readonly faint: string
}

const FONT = "'Source Sans 3 Variable', sans-serif"
const MOST_LOADING = 0.5
/** Names beside a rising line keep clear of it. */
const OFFSETS = { top: [0, 0], bottom: [0, 0], left: [0, -11], right: [4, 11] }

/** One line each, told apart by stroke as well as colour; the name stands at its end. */
export const LINES: readonly {
  readonly kind: DesiccantKind
  readonly name: string
  readonly colour: 'ink' | 'pencil' | 'water' | 'heat'
  readonly dash: readonly number[]
  readonly width: number
  /** RH at which the name stands. */
  readonly nameAt: number
  readonly side: 'top' | 'bottom' | 'left' | 'right'
}[] = [
  {
    kind: 'silica-a',
    name: 'silica gel A',
    colour: 'water',
    dash: [],
    width: 2.6,
    nameAt: 58,
    side: 'right',
  },
  {
    kind: 'silica-rd',
    name: 'silica gel RD',
    colour: 'water',
    dash: [7, 3],
    width: 1.8,
    nameAt: 47,
    side: 'left',
  },
  { kind: 'sieve-4a', name: 'sieve 4A', colour: 'ink', dash: [], width: 1.8, nameAt: 15, side: 'top' },
  { kind: 'sieve-3a', name: 'sieve 3A', colour: 'ink', dash: [7, 3], width: 1.3, nameAt: 50, side: 'bottom' },
  { kind: 'alumina', name: 'alumina', colour: 'heat', dash: [], width: 1.8, nameAt: 56, side: 'right' },
  { kind: 'clay', name: 'clay', colour: 'heat', dash: [7, 3], width: 1.8, nameAt: 75, side: 'left' },
  {
    kind: 'calcium-sulfate',
    name: 'calcium sulfate',
    colour: 'pencil',
    dash: [],
    width: 1.8,
    nameAt: 70,
    side: 'bottom',
  },
  {
    kind: 'calcium-chloride',
    name: 'calcium chloride',
    colour: 'pencil',
    dash: [2, 3],
    width: 1.8,
    nameAt: 13,
    side: 'top',
  },
]

/** Points of one isotherm, RH % against g/g, cut at the page's top. */
export function isothermPoints(kind: DesiccantKind, temperatureC: Celsius): (readonly [number, number])[] {
  const sorbent = DESICCANTS[kind].sorbent
  const points: (readonly [number, number])[] = []
  for (let rh = 0; rh <= 95; rh += rh < 5 ? 0.25 : 1) {
    const loading = loadingAtRhGPerG(sorbent, { relativeHumidityPercent: rh, temperatureC })
    points.push([rh, Math.min(loading, MOST_LOADING)])
    if (loading > MOST_LOADING) break
  }
  return points
}

export function isothermOption(
  temperatureC: Celsius,
  colours: IsothermColours,
  widthPx: number,
): EChartsCoreOption {
  const text = { fontFamily: FONT, fontSize: 14, color: colours.ink }
  const axis = {
    axisLine: { lineStyle: { color: colours.ink } },
    axisTick: { lineStyle: { color: colours.ink } },
    axisLabel: text,
    splitLine: { lineStyle: { color: colours.faint } },
    nameTextStyle: { ...text, align: 'left' },
  }
  return {
    animation: false,
    textStyle: { fontFamily: FONT },
    grid: { left: 44, right: 16, top: 26, bottom: 40 },
    xAxis: {
      ...axis,
      type: 'value',
      min: 0,
      max: 100,
      interval: 10,
      name: '% RH',
      nameLocation: 'middle',
      nameGap: 26,
      nameTextStyle: text,
      splitLine: { show: false },
    },
    yAxis: { ...axis, type: 'value', min: 0, max: MOST_LOADING, interval: 0.1, name: 'g of water a gram' },
    series: LINES.map(line => {
      const points = isothermPoints(line.kind, temperatureC)
      const named = points.reduce(
        (best, point, i) =>
          Math.abs(point[0] - line.nameAt) < Math.abs(points[best]![0] - line.nameAt) ? i : best,
        0,
      )
      return {
        type: 'line',
        symbol: 'none',
        silent: true,
        data: points.map((point, i) =>
          i === named
            ? {
                value: point,
                symbol: 'circle',
                symbolSize: 1,
                label: {
                  show: widthPx > 500,
                  formatter: line.name,
                  position: line.side,
                  distance: 6,
                  offset: OFFSETS[line.side],
                  ...text,
                  color: colours[line.colour],
                },
              }
            : { value: point },
        ),
        showSymbol: true,
        lineStyle: {
          color: colours[line.colour],
          width: line.width,
          type: line.dash.length > 0 ? line.dash : 'solid',
        },
        itemStyle: { color: colours[line.colour] },
      }
    }),
  }
}
