import { LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { useCallback } from 'react'
import { SvgChart, type HouseColour } from '#ui/svg-chart.tsx'
import type { DryFound } from '#core/spool/dry-these.ts'
import { inHundredths, inWhole, THIN } from '#ui/format.ts'

echarts.use([LineChart, GridComponent, MarkLineComponent])

export interface DryingData {
  readonly course: DryFound['course']
  readonly cleanPercent: number
  readonly usablePercent: number
}

const FONT = "'Source Sans 3 Variable', sans-serif"
const LEAST_HOURS = 12
const LEFT = 56

/** How both parts come down, hour by hour, as far as anything still happens. */
export default function DryingChart({
  data,
  width,
  height,
}: {
  readonly data: DryingData
  readonly width: number
  readonly height: number
}) {
  const option = useCallback(
    (colour: HouseColour) => {
      const [ink, water] = [colour('ink'), colour('water')]
      const text = { fontFamily: FONT, fontSize: 14, color: ink }
      const line = { type: 'line', symbol: 'none', silent: true, animation: false } as const
      const toHours = hoursShown(data.course)
      const shown = data.course.filter(({ hours }) => hours <= toHours)
      const limit = (at: number, name: string, lineWidth: number) => ({
        yAxis: at,
        lineStyle: { color: ink, width: lineWidth, type: 'solid' },
        label: { ...text, formatter: `${name} ${inHundredths(at)}`, position: 'insideEndTop', distance: 3 },
      })
      return {
        animation: false,
        grid: { left: LEFT, right: 10, top: 16, bottom: 26 },
        xAxis: {
          type: 'value',
          min: 0,
          max: toHours,
          axisLine: { lineStyle: { color: ink } },
          splitLine: { show: false },
          axisLabel: { ...text, formatter: (h: number) => `${inWhole(h)}${THIN}h` },
        },
        yAxis: {
          type: 'value',
          min: 0,
          splitNumber: 3,
          axisLine: { show: true, lineStyle: { color: ink } },
          splitLine: { show: false },
          axisLabel: { ...text, formatter: (at: number) => (at === 0 ? '0' : `${inHundredths(at)}${THIN}%`) },
        },
        series: [
          {
            ...line,
            data: shown.map(one => [one.hours, one.meanPercent]),
            lineStyle: { color: ink, width: 1.6 },
            markLine: {
              silent: true,
              symbol: 'none',
              animation: false,
              data: [
                limit(data.usablePercent, 'usable', 1.3),
                ...(data.cleanPercent < data.usablePercent ? [limit(data.cleanPercent, 'clean', 0.9)] : []),
              ],
            },
          },
          {
            ...line,
            data: shown.map(one => [one.hours, one.nextPercent]),
            lineStyle: { color: water, width: 2.6 },
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
      label="Moisture over the hours of drying"
      part="moisture"
    />
  )
}

/** Until the outer turns have done nine tenths of their way; half a day at the least. */
function hoursShown(course: DryingData['course']): number {
  const [first, last] = [course[0]!.nextPercent, course.at(-1)!.nextPercent]
  const done = course.find(({ nextPercent }) => Math.abs(nextPercent - first) >= 0.9 * Math.abs(last - first))
  return Math.ceil(Math.max(LEAST_HOURS, 2 * (done?.hours ?? LEAST_HOURS)) / 12) * 12
}
