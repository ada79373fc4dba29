import type { EChartsCoreOption } from 'echarts/core'
import { monthStarts, monthText } from '#ui/dates.ts'
import type { HistoryData, HistoryEvent } from './history-data.ts'

export interface HistoryColours {
  readonly ink: string
  readonly pencil: string
  readonly heat: string
  readonly ground: string
  readonly band: string
}

const FONT = "'Source Sans 3 Variable', sans-serif"

/** The chart in the house style: no legend, no tooltip, no toolbox; pencil for what is reckoned, ink for what was read. */
export function historyOption(
  data: HistoryData,
  colours: HistoryColours,
  widthPx: number,
): EChartsCoreOption {
  const { ink, pencil, heat, band } = colours
  const text = { fontFamily: FONT, fontSize: 13.5, color: ink }
  const months = monthStarts(data.fromMs, data.toMs)
  const every = Math.max(1, Math.ceil(months.length / 10))
  const common = { type: 'line', symbol: 'none', silent: true, animation: false } as const
  const pairs = (ms: readonly number[], rh: readonly number[]) => ms.map((at, i) => [at, rh[i]])
  const series: object[] = []
  if (data.target !== null)
    series.push({
      ...common,
      data: [],
      markArea: {
        silent: true,
        itemStyle: { color: band },
        data: [[{ yAxis: data.target - data.nearHalfWidth }, { yAxis: data.target + data.nearHalfWidth }]],
      },
      markLine: {
        silent: true,
        symbol: 'none',
        animation: false,
        lineStyle: { color: ink, width: 1.3, type: 'solid' },
        label: { ...text, formatter: `target ${data.target}`, position: 'insideStartTop', distance: 4 },
        data: [{ yAxis: data.target }],
      },
    })
  if (data.past) {
    series.push({
      ...common,
      data: pairs(data.past.ms, data.past.low),
      lineStyle: { color: pencil, width: 0.8, type: [3, 3] },
    })
    series.push({
      ...common,
      data: pairs(data.past.ms, data.past.high),
      lineStyle: { color: pencil, width: 0.8, type: [3, 3] },
    })
    series.push({
      ...common,
      data: pairs(data.past.ms, data.past.middle),
      lineStyle: { color: ink, width: 2 },
    })
  }
  for (const future of data.futures)
    series.push({
      ...common,
      data: future.filter(([ms]) => ms <= data.toMs),
      lineStyle: { color: pencil, width: 0.9 },
    })
  if (data.leaves && data.target !== null)
    series.push({
      ...common,
      data: [
        [Math.max(data.leaves.earlyMs, data.nowMs), data.target],
        [Math.min(data.leaves.lateMs, data.toMs), data.target],
      ],
      lineStyle: { color: ink, width: 4 },
      z: 5,
    })
  series.push(
    {
      type: 'custom',
      silent: true,
      animation: false,
      data: data.readings.map(([ms, rh]) => [ms, rh]),
      z: 4,
      renderItem: (
        _: unknown,
        api: { value: (i: number) => number; coord: (point: number[]) => number[] },
      ) => {
        const [ms, rh] = [api.value(0), api.value(1)]
        const top = api.coord([ms, rh + data.accuracy])
        const bottom = api.coord([ms, Math.max(0, rh - data.accuracy)])
        return {
          type: 'line',
          shape: { x1: top[0], y1: top[1], x2: bottom[0], y2: bottom[1] },
          style: { stroke: pencil, lineWidth: 1, lineDash: [2, 2.5] },
        }
      },
    },
    {
      type: 'scatter',
      silent: true,
      animation: false,
      z: 6,
      symbolSize: 6.5,
      data: data.readings,
      itemStyle: { color: colours.ground, borderColor: ink, borderWidth: 1.6 },
    },
    {
      ...common,
      data: [],
      markLine: {
        silent: true,
        symbol: 'none',
        animation: false,
        data: [
          {
            xAxis: data.nowMs,
            lineStyle: { color: ink, width: 1, type: 'solid' },
            label: { ...text, formatter: 'today', position: 'end', distance: 5 },
          },
          ...data.events.map(event => ({
            xAxis: event.ms,
            lineStyle: {
              color: event.kind === 'heat' ? heat : ink,
              width: event.kind === 'heat' ? 2 : 0.8,
              type: event.kind === 'heat' ? 'solid' : [2, 2],
            },
            label: { show: false },
          })),
        ],
      },
    },
    // their words over all lines: a neighbour's passes behind them, not through
    {
      ...common,
      data: [],
      markLine: {
        silent: true,
        symbol: 'none',
        animation: false,
        lineStyle: { color: 'transparent' },
        data: labelled(data, widthPx).map(({ event, level, toLeft }) => ({
          xAxis: event.ms,
          label: {
            ...text,
            color: event.kind === 'heat' ? heat : pencil,
            backgroundColor: colours.ground,
            lineHeight: 15,
            padding: [0, 3],
            formatter: event.text,
            position: 'insideEndTop',
            rotate: 0,
            align: toLeft ? 'right' : 'left',
            offset: [toLeft ? -5 : 5, 17 + level * 15],
          },
        })),
      },
    },
  )
  return {
    animation: false,
    textStyle: { fontFamily: FONT },
    grid: { left: 30, right: 16, top: 18, bottom: 22 },
    xAxis: {
      type: 'time',
      min: data.fromMs,
      max: data.toMs,
      axisLine: { lineStyle: { color: ink, width: 1 } },
      axisTick: { show: true, customValues: months, lineStyle: { color: ink } },
      splitLine: { show: false },
      axisLabel: {
        ...text,
        customValues: months.filter((_, i) => i % every === 0),
        formatter: (ms: number) =>
          monthText(ms, 'UTC') +
          (new Date(ms).getUTCMonth() === 0 ? ` ${new Date(ms).getUTCFullYear()}` : ''),
        hideOverlap: true,
      },
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: data.mostRh,
      interval: data.mostRh > 50 ? 20 : 10,
      axisLine: { show: false },
      axisTick: { show: false },
      splitLine: { show: false },
      axisLabel: { ...text, margin: 6 },
    },
    series,
  }
}

const PX_PER_LETTER = 6.6

/** Event words in up to three rows, so that none lies on another; the last ones before today stand to the left. */
export function labelled(
  data: Pick<HistoryData, 'events' | 'fromMs' | 'toMs' | 'nowMs'>,
  widthPx: number,
): { event: HistoryEvent; level: number; toLeft: boolean }[] {
  const ends: number[] = []
  return data.events.map(event => {
    const x = ((event.ms - data.fromMs) / (data.toMs - data.fromMs)) * widthPx
    const length = event.text.length * PX_PER_LETTER + 12
    const nowX = ((data.nowMs - data.fromMs) / (data.toMs - data.fromMs)) * widthPx
    const toLeft = x + length > nowX + 40 && x > length
    const [from, to] = toLeft ? [x - length, x] : [x, x + length]
    let level = 0
    while (level < 3 && (ends[level] ?? -Infinity) > from) level++
    ends[level] = to
    return { event, level, toLeft }
  })
}
