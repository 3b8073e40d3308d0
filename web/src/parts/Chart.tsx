import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { type EChartsCoreOption, init, use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'

use([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent, SVGRenderer])

/** A chart that fills its box. `says` tells in words what it shows. */
export function Chart({
  option,
  says,
  className,
}: {
  option: EChartsCoreOption
  says: string
  className?: string
}) {
  const box = useRef<HTMLDivElement>(null)
  const shown = useRef<ReturnType<typeof init>>(undefined)
  useEffect(() => {
    if (!box.current) return
    const chart = init(box.current, undefined, { renderer: 'svg' })
    shown.current = chart
    const fit = new ResizeObserver(() => chart.resize())
    fit.observe(box.current)
    return () => {
      fit.disconnect()
      chart.dispose()
    }
  }, [])
  useEffect(() => {
    const chart = shown.current
    if (!chart) return
    chart.setOption(option, { notMerge: true })
    // The library wants a colour, not a variable of the theme.
    const color = getComputedStyle(document.documentElement).getPropertyValue('--color-base-content').trim()
    const axis = { axisLabel: { color }, nameTextStyle: { color } }
    chart.setOption({ textStyle: { color }, xAxis: axis, yAxis: axis })
  }, [option])
  return <div ref={box} role="img" aria-label={says} className={className} />
}
