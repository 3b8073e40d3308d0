import { LineChart } from 'echarts/charts'
import {
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
} from 'echarts/components'
import { type EChartsCoreOption, init, use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef, useState } from 'react'
import { type ChartHandle, ChartHandles } from './ChartHandles.tsx'

use([
  LineChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
  SVGRenderer,
])

type ECharts = ReturnType<typeof init>

/** A chart that fills its box. `says` tells in words what it shows; its handles, where it has any, lie on it. */
export function Chart({
  option,
  says,
  className,
  handles = [],
}: {
  readonly option: EChartsCoreOption
  readonly says: string
  readonly className?: string
  readonly handles?: readonly ChartHandle[]
}) {
  const box = useRef<HTMLDivElement>(null)
  const [chart, setChart] = useState<ECharts>()
  // Goes up with every size and every drawing: what lies on the chart is placed again.
  const [drawn, setDrawn] = useState(0)
  useEffect(() => {
    if (!box.current) return
    const made = init(box.current, undefined, { renderer: 'svg' })
    setChart(made)
    const fit = new ResizeObserver(() => {
      made.resize()
      setDrawn((n) => (n > 0 ? n + 1 : 0))
    })
    fit.observe(box.current)
    return () => {
      fit.disconnect()
      made.dispose()
      setChart(undefined)
      setDrawn(0)
    }
  }, [])
  useEffect(() => {
    if (!chart) return
    chart.setOption(option, { notMerge: true })
    // The library wants a colour, not a variable of the theme.
    const color = getComputedStyle(document.documentElement).getPropertyValue('--color-base-content').trim()
    const axis = { axisLabel: { color }, nameTextStyle: { color } }
    chart.setOption({ textStyle: { color }, xAxis: axis, yAxis: axis })
    setDrawn((n) => n + 1)
  }, [chart, option])
  return (
    <div className={`relative ${className ?? ''}`}>
      <div ref={box} role="img" aria-label={says} className="h-full w-full" />
      {chart && drawn > 0 && handles.length > 0 && (
        <ChartHandles
          handles={handles}
          pixelOf={(point) => chart.convertToPixel('grid', [...point]) as [number, number]}
          pointOf={(pixel) => chart.convertFromPixel('grid', [...pixel]) as [number, number]}
        />
      )}
    </div>
  )
}
