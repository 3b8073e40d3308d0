import type { CoreReady } from '@yentrik/core'
import { useMemo } from 'react'
import { Chart } from '../parts/Chart.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { coreColour, furnaceColour, plannedOption } from './burnout-chart.ts'

/** Furnace and core over the hours, with what the colours mean. */
export function BurnoutChart({ ready, putInAt }: { ready: CoreReady; putInAt: number }) {
  // The clock goes on while the curve stays: a new minute is soon enough.
  const from = Math.floor(putInAt / 60_000) * 60_000
  const units = usePreferences((preferences) => preferences.units)
  const option = useMemo(() => plannedOption(ready, from, units), [ready, from, units])
  return (
    <>
      <p className="flex flex-wrap gap-x-5 text-sm font-semibold">
        <span style={{ color: 'var(--color-base-content)' }}>
          <span className="mr-2 inline-block h-1 w-8 align-middle" style={{ background: furnaceColour }} />
          furnace
        </span>
        <span>
          <span className="mr-2 inline-block h-1 w-8 align-middle" style={{ background: coreColour }} />
          core, dashed a fast and a slow ring
        </span>
      </p>
      <Chart className="h-72" says="Furnace and core of the ring over the hours" option={option} />
    </>
  )
}
