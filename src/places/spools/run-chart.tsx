import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { useCallback } from 'react'
import { SvgChart, type HouseColour } from '#ui/svg-chart.tsx'
import type { DryingRun } from '#core/spool/drying-run.ts'
import { clockText } from '#ui/dates.ts'
import { inWhole, THIN } from '#ui/format.ts'
import { msFromSeconds } from '#units/time.ts'

echarts.use([LineChart, ScatterChart, GridComponent, MarkLineComponent])

export interface RunData {
  readonly found: DryingRun
  /** When, and grams out since the first weight. */
  readonly weights: readonly (readonly [number, number])[]
  readonly nowMs: number
  /** When it is done, from early to late; null: within what is looked at it is not, or it is already. */
  readonly doneMs: { readonly low: number; readonly middle: number; readonly high: number } | null
  readonly zone: string
}

const FONT = "'Source Sans 3 Variable', sans-serif"

/** Water out, upwards: what is believed as a band, what the scale said as dots. */
export default function RunChart({
  data,
  width,
  height,
}: {
  readonly data: RunData
  readonly width: number
  readonly height: number
}) {
  const option = useCallback(
    (colour: HouseColour) => {
      const [ink, pencil, ground] = [colour('ink'), colour('pencil'), colour('ground')]
      const text = { fontFamily: FONT, fontSize: 14, color: ink }
      const line = { type: 'line', symbol: 'none', silent: true, animation: false } as const
      const { found, nowMs, doneMs } = data
      const heat = colour('heat')
      const at = found.atS.map(msFromSeconds)
      const pairs = (of: (i: number) => number, from: (ms: number) => boolean = () => true) =>
        at.flatMap((ms, i) => (from(ms) ? [[ms, of(i)]] : []))
      const end = (which: 'low' | 'high') => ({
        ...line,
        data: pairs(i => found.outG[i]![which]),
        lineStyle: { color: pencil, width: 0.9, type: [3, 3] },
      })
      return {
        animation: false,
        grid: { left: 44, right: 10, top: 14, bottom: 26 },
        xAxis: {
          type: 'time',
          min: at[0],
          max: at.at(-1),
          axisLine: { lineStyle: { color: ink } },
          splitLine: { show: false },
          splitNumber: 4,
          axisLabel: { ...text, hideOverlap: true, formatter: (ms: number) => clockText(ms, data.zone) },
        },
        yAxis: {
          type: 'value',
          min: 0,
          splitNumber: 3,
          axisLine: { show: true, lineStyle: { color: ink } },
          splitLine: { show: false },
          axisLabel: { ...text, formatter: (g: number) => (g === 0 ? '0' : `${inWhole(g)}${THIN}g`) },
        },
        series: [
          end('low'),
          end('high'),
          {
            ...line,
            data: pairs(
              i => found.outG[i]!.middle,
              ms => ms >= nowMs,
            ),
            lineStyle: { color: pencil, width: 1.6, type: [5, 3] },
          },
          {
            ...line,
            data: pairs(
              i => found.outG[i]!.middle,
              ms => ms <= nowMs,
            ),
            lineStyle: { color: ink, width: 2.4 },
            markLine: {
              silent: true,
              symbol: 'none',
              animation: false,
              data: [
                {
                  xAxis: nowMs,
                  lineStyle: { color: ink, width: 1, type: 'solid' },
                  label: { ...text, formatter: 'now', position: 'end', distance: 2 },
                },
                ...(doneMs === null
                  ? []
                  : [
                      {
                        xAxis: doneMs.middle,
                        lineStyle: { color: heat, width: 2, type: 'solid' },
                        label: { ...text, color: heat, formatter: 'done', position: 'end', distance: 2 },
                      },
                    ]),
              ],
            },
          },
          // as long as its range, on the axis
          {
            ...line,
            data:
              doneMs === null
                ? []
                : [doneMs.low, Math.min(doneMs.high, at.at(-1)!)].map(ms => [Math.max(ms, nowMs), 0]),
            lineStyle: { color: ink, width: 4 },
          },
          {
            type: 'scatter',
            silent: true,
            animation: false,
            z: 6,
            symbolSize: 8,
            data: data.weights.map(([ms, g]) => [ms, Math.max(0, g)]),
            itemStyle: { color: ground, borderColor: ink, borderWidth: 1.8 },
          },
        ],
      }
    },
    [data],
  )
  return (
    <SvgChart
      option={option}
      width={width}
      height={height}
      label="Water out since it went in"
      part="moisture"
    />
  )
}
