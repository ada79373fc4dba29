import { LineChart } from 'echarts/charts'
import { GridComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { isothermOption, type IsothermColours } from './isotherm-option.ts'

echarts.use([LineChart, GridComponent, SVGRenderer])

/** Loading over RH for every desiccant. Colours are read when it is drawn: give it a new key with a new theme. */
export default function IsothermChart({
  temperatureC,
  width,
}: {
  readonly temperatureC: number
  readonly width: number
}) {
  const host = useRef<HTMLDivElement>(null)
  const height = width < 500 ? 260 : 330
  useEffect(() => {
    if (!host.current) return
    const chart = echarts.init(host.current, null, { renderer: 'svg', width, height })
    const style = getComputedStyle(document.documentElement)
    const colour = (name: string) => style.getPropertyValue(name).trim()
    const colours: IsothermColours = {
      ink: colour('--ink'),
      pencil: colour('--pencil'),
      water: colour('--water'),
      heat: colour('--heat'),
      faint: colour('--faint'),
    }
    chart.setOption(isothermOption(temperatureC, colours, width))
    return () => chart.dispose()
  }, [temperatureC, width, height])
  return (
    <div
      ref={host}
      style={{ width, height }}
      role="img"
      aria-label="Loading of each desiccant over relative humidity"
    />
  )
}
