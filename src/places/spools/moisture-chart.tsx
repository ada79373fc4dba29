import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { useCallback } from 'react'
import { SvgChart, type HouseColour } from '#ui/svg-chart.tsx'
import { moistureOption, type MoistureData } from './moisture-option.ts'

echarts.use([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent])

/** A spool's moisture over its life. Loaded when a spool is opened. */
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
  const option = useCallback(
    (colour: HouseColour) =>
      moistureOption(
        data,
        { ink: colour('ink'), pencil: colour('pencil'), water: colour('water'), band: colour('band') },
        left,
      ),
    [data, left],
  )
  return <SvgChart option={option} width={width} height={height} label={data.summary} part="moisture" />
}
