import { LineChart, ScatterChart, CustomChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { historyOption, type HistoryColours } from './history-option.ts'
import type { HistoryData } from './history-data.ts'

echarts.use([
  LineChart,
  ScatterChart,
  CustomChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  SVGRenderer,
])

/** Colours are read when it is drawn: give it a new key with a new theme. How it went, and how it may go. Loaded when a box is opened. */
export default function HistoryChart({
  data,
  width,
  height,
}: {
  readonly data: HistoryData
  readonly width: number
  readonly height: number
}) {
  const host = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!host.current) return
    const chart = echarts.init(host.current, null, { renderer: 'svg', width, height })
    const style = getComputedStyle(document.documentElement)
    const colour = (name: string) => style.getPropertyValue(name).trim()
    const colours: HistoryColours = {
      ink: colour('--ink'),
      pencil: colour('--pencil'),
      heat: colour('--heat'),
      ground: colour('--ground'),
      band: colour('--band'),
    }
    chart.setOption(historyOption(data, colours, width))
    return () => chart.dispose()
  }, [data, width, height])
  return <div ref={host} style={{ width, height }} role="img" aria-label={data.summary} />
}
