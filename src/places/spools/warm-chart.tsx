import { LineChart } from 'echarts/charts'
import { GridComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { useCallback } from 'react'
import type { WarmUpFound } from '#core/spool/warm-up.ts'
import { inWhole, THIN } from '#ui/format.ts'
import type { Measure } from '#ui/measures.ts'
import { SvgChart, type HouseColour } from '#ui/svg-chart.tsx'

echarts.use([LineChart, GridComponent])

export interface WarmData {
  readonly found: WarmUpFound
  readonly degrees: Measure<number>
}
const FONT = "'Source Sans 3 Variable', sans-serif"

/** Vapour over heat: the empty chamber in pencil, with the spool in ink; what lies between came out of it. */
export default function WarmChart({
  data: { found, degrees },
  width,
  height,
}: {
  readonly data: WarmData
  readonly width: number
  readonly height: number
}) {
  const option = useCallback(
    (colour: HouseColour) => {
      const [ink, pencil, water] = [colour('ink'), colour('pencil'), colour('water')]
      const text = { fontFamily: FONT, fontSize: 14, color: ink }
      const told = found.points.filter(one => one.addedGPerM3 !== null)
      // both counted from where the spool's began, so that what lies between is what it added
      const first = told[0]
      const empty = told.map(one => [
        one.temperatureC,
        one.emptyGPerM3! - first!.emptyGPerM3! + first!.densityGPerM3,
      ])
      const line = { type: 'line', silent: true, animation: false } as const
      const named = (name: string) => ({
        endLabel: { show: true, ...text, formatter: name, distance: 6 },
      })
      return {
        animation: false,
        grid: { left: 60, right: 110, top: 14, bottom: 26 },
        xAxis: {
          type: 'value',
          scale: true,
          axisLine: { onZero: false, lineStyle: { color: ink } },
          splitLine: { show: false },
          axisLabel: { ...text, formatter: (at: number) => `${degrees.field(at)}${THIN}${degrees.unit}` },
        },
        yAxis: {
          type: 'value',
          scale: true,
          splitNumber: 3,
          axisLine: { show: true, onZero: false, lineStyle: { color: ink } },
          splitLine: { show: false },
          axisLabel: { ...text, formatter: (g: number) => `${inWhole(g)}${THIN}g/m³` },
        },
        series: [
          {
            ...line,
            ...named('empty'),
            symbol: 'none',
            data: empty,
            lineStyle: { color: pencil, width: 1.2, type: [4, 3] },
          },
          {
            ...line,
            ...named('with the spool'),
            symbol: 'circle',
            symbolSize: 6,
            data: found.points.map(one => [one.temperatureC, one.densityGPerM3]),
            itemStyle: { color: water },
            lineStyle: { color: water, width: 2.2 },
          },
        ],
      }
    },
    [found, degrees],
  )
  return (
    <SvgChart
      option={option}
      width={width}
      height={height}
      label="Vapour in the chamber over its heat"
      part="moisture"
    />
  )
}
