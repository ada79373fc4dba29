import { greatest } from '#units/extremes.ts'
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent, MarkPointComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { monthStarts, monthText } from '#ui/dates.ts'

echarts.use([
  LineChart,
  ScatterChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  SVGRenderer,
])

export interface WrongChartData {
  readonly fromMs: number
  readonly toMs: number
  readonly target: number
  readonly readings: readonly (readonly [ms: number, rh: number])[]
  /** What each cause would have shown, the likeliest first. */
  readonly lines: readonly (readonly (readonly [ms: number, rh: number])[])[]
  readonly marks: readonly { readonly ms: number; readonly rh: number; readonly letter: string }[]
  readonly summary: string
  readonly zone: string
}

const FONT = "'Source Sans 3 Variable', sans-serif"
const STROKES = [
  { width: 2.4, type: 'solid' },
  { width: 1.4, type: [6, 4] },
  { width: 1.4, type: [1.5, 3] },
] as const

/** Every cause as a line on the same readings. Give it a new key with a new theme. */
export default function WrongChart({
  data,
  width,
  height,
}: {
  readonly data: WrongChartData
  readonly width: number
  readonly height: number
}) {
  const host = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!host.current) return
    const style = getComputedStyle(document.documentElement)
    const colour = (name: string) => style.getPropertyValue(name).trim()
    const [ink, pencil, band, ground] = ['--ink', '--pencil', '--band', '--ground'].map(colour)
    const text = { fontFamily: FONT, fontSize: 13.5, color: ink }
    const top = Math.max(
      greatest(data.readings.map(([, rh]) => rh + 3)),
      greatest(data.lines.flatMap(line => line.map(([, rh]) => Math.min(100, rh + 2)))),
      data.target + 6,
    )
    const months = monthStarts(data.fromMs, data.toMs)
    const chart = echarts.init(host.current, null, { renderer: 'svg', width, height })
    chart.setOption({
      animation: false,
      grid: { left: 34, right: 10, top: 14, bottom: 26 },
      xAxis: {
        type: 'value',
        min: data.fromMs,
        max: data.toMs,
        axisLine: { lineStyle: { color: ink } },
        axisTick: { customValues: months, length: 5 },
        axisLabel: { ...text, customValues: months, formatter: (ms: number) => monthText(ms, data.zone) },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        min: 0,
        max: Math.ceil(top / 10) * 10,
        interval: 10,
        axisLabel: { ...text, color: pencil },
        splitLine: { show: false },
        axisLine: { show: true, lineStyle: { color: ink } },
      },
      series: [
        {
          type: 'line',
          data: [],
          markArea: {
            silent: true,
            itemStyle: { color: band },
            data: [[{ yAxis: data.target - 2.5 }, { yAxis: data.target + 2.5 }]],
          },
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: ink, width: 1.3, type: 'solid' },
            label: { ...text, formatter: `target ${data.target}`, position: 'insideStartTop', distance: 4 },
            data: [{ yAxis: data.target }],
          },
        },
        ...data.lines.toReversed().map((line, i) => ({
          type: 'line',
          symbol: 'none',
          silent: true,
          data: line,
          lineStyle: {
            ...STROKES[data.lines.length - 1 - i],
            color: i === data.lines.length - 1 ? ink : pencil,
          },
        })),
        {
          type: 'scatter',
          silent: true,
          z: 6,
          symbolSize: 6.5,
          data: data.readings,
          itemStyle: { color: ground, borderColor: ink, borderWidth: 1.4 },
          markPoint: {
            silent: true,
            symbol: 'circle',
            symbolSize: 18,
            symbolOffset: [0, -20],
            itemStyle: { color: ground, borderColor: ink, borderWidth: 1 },
            label: { ...text, fontSize: 13, formatter: '{b}' },
            data: data.marks.map(({ ms, rh, letter }) => ({ name: letter, coord: [ms, rh] })),
          },
        },
      ],
    })
    return () => chart.dispose()
  }, [data, width, height])
  return <div ref={host} style={{ width, height }} role="img" aria-label={data.summary} />
}
