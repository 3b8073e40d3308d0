import {
  COOLING_MINUTES,
  displayUnit,
  PEAK_WITHIN_CELSIUS,
  type ProgramSegment,
  programStretches,
  qty,
  RESIDUAL_WITHIN,
  saying,
} from '@yentrik/core'
import { useMemo, useState } from 'react'
import { quantity } from '../format/format.ts'
import { Chart } from '../parts/Chart.tsx'
import type { ChartHandle } from '../parts/ChartHandles.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { type CureCurves, cureOption } from './cure-chart.ts'

/** How far an estimate of the cure may be off, and what it leaves out. */
export function CureLimits() {
  return (
    <p className="px-2 text-sm opacity-80">
      <Said
        words={saying`An estimate for this thickness and flask: about ±${qty.celsiusApart(PEAK_WITHIN_CELSIUS)} on the peak, ±${100 * RESIDUAL_WITHIN} % on monomer. Not counted: pressure, cross-linker, teeth, several flasks in one bath. The maker's sheet and a measured test decide.`}
      />
    </p>
  )
}

/** So long after the bath a chart goes on: the cooling, and some air. */
export const AFTER_BATH_MINUTES = COOLING_MINUTES + 20

const MINUTE = 60_000
/** By an arrow key: five minutes, one degree. */
const STEP_MINUTES = 5

/** Bath, thin and thick resin over the hours; the corners of the bath are handles. */
export function CureChart({
  program,
  followed,
  measured,
  going = false,
  startAt,
  untilMinutes,
  onDrag,
  onMoves,
}: Omit<CureCurves, 'going' | 'units'> & {
  readonly going?: boolean
  readonly onDrag?: (segment: number, to: Partial<ProgramSegment>) => void
  readonly onMoves?: (moves: boolean) => void
}) {
  // While a corner is dragged, the scale of time stays as it was when it was taken.
  const [held, setHeld] = useState<number>()
  const units = usePreferences((preferences) => preferences.units)
  const { fromStored: hot, toStored: celsiusOf } = displayUnit('celsius', units)
  const until = held ?? untilMinutes
  const option = useMemo(
    () => cureOption({ program, followed, measured, going, startAt, untilMinutes: until, units }),
    [program, followed, measured, going, startAt, until, units],
  )
  const handles = onDrag
    ? programStretches(program).map((stretch, n): ChartHandle => {
        const { startMinutes, rampMinutes, holdMinutes, toCelsius } = stretch
        return {
          name: `Line ${n + 1}: ${quantity(toCelsius, 'celsius', units)}, held ${Math.round(holdMinutes)} min`,
          at: [startAt + (startMinutes + rampMinutes + holdMinutes) * MINUTE, hot(toCelsius)],
          value: Math.round(holdMinutes),
          most: 1440,
          onTake: () => {
            setHeld(until)
            onMoves?.(true)
          },
          onMove: ([instant, degrees]) =>
            onDrag(n, {
              holdMinutes: (instant - startAt) / MINUTE - startMinutes - rampMinutes,
              toCelsius: celsiusOf(degrees),
            }),
          onLeave: () => {
            setHeld(undefined)
            onMoves?.(false)
          },
          onStep: (right, up) =>
            onDrag(n, { holdMinutes: holdMinutes + STEP_MINUTES * right, toCelsius: toCelsius + up }),
        }
      })
    : []
  return (
    <Chart
      className="aspect-[2/1] min-h-72 w-full"
      says="Bath and resin over the hours"
      option={option}
      handles={handles}
    />
  )
}
