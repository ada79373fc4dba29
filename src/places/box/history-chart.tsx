import { LineChart, ScatterChart, CustomChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { useCallback } from 'react'
import { SvgChart, type HouseColour } from '#ui/svg-chart.tsx'
import { historyOption } from './history-option.ts'
import type { HistoryData } from './history-data.ts'

echarts.use([LineChart, ScatterChart, CustomChart, GridComponent, MarkAreaComponent, MarkLineComponent])

/** How it went, and how it may go. Loaded when a box is opened. */
export default function HistoryChart({
  data,
  width,
  height,
}: {
  readonly data: HistoryData
  readonly width: number
  readonly height: number
}) {
  const option = useCallback(
    (colour: HouseColour) =>
      historyOption(
        data,
        {
          ink: colour('ink'),
          pencil: colour('pencil'),
          heat: colour('heat'),
          ground: colour('ground'),
          band: colour('band'),
        },
        width,
      ),
    [data, width],
  )
  return <SvgChart option={option} width={width} height={height} label={data.summary} />
}
