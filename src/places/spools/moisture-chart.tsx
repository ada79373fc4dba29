import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { moistureOption, type MoistureColours, type MoistureData } from './moisture-option.ts'

echarts.use([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent, SVGRenderer])

/** Colours are read when it is drawn: give it a new key with a new theme. Loaded when a spool is opened. */
export default function MoistureChart({
  data,
  left,
  width,
  height,
}: {
  readonly data: MoistureData
  readonly left: number
  readonly width: number
  readonly height: number
}) {
  const host = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!host.current) return
    const chart = echarts.init(host.current, null, { renderer: 'svg', width, height })
    const style = getComputedStyle(document.documentElement)
    const colour = (name: string) => style.getPropertyValue(name).trim()
    const colours: MoistureColours = {
      ink: colour('--ink'),
      pencil: colour('--pencil'),
      water: colour('--water'),
      band: colour('--band'),
    }
    chart.setOption(moistureOption(data, colours, left))
    return () => chart.dispose()
  }, [data, left, width, height])
  return (
    <div ref={host} style={{ width, height }} role="img" aria-label={data.summary} data-part="moisture" />
  )
}
