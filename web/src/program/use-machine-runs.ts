import type { JobState, MeasuredPoint, TemperatureProgram } from '@yentrik/core'
import { useEffect } from 'react'
import { useFetched } from '../live/live-store.ts'

/** A program on a machine, with what it shows, minute by minute. */
export interface MachineRun {
  readonly runId: string
  readonly machine: string
  readonly kind: 'furnace' | 'bath'
  /** Otherwise its thermometer is read, and the program is set on the machine itself. */
  readonly standIn: boolean
  /** In words, while its thermometer says nothing. */
  readonly fault?: string
  readonly program: TemperatureProgram
  readonly loads: readonly { readonly caseId: string; readonly jobId: string; readonly stepId: string }[]
  readonly startedAt: string
  readonly stoppedAt: string | null
  /** Likely, while it runs. */
  readonly endsAt: string
  readonly ended: boolean
  readonly measured: readonly (MeasuredPoint & { readonly setCelsius: number })[]
}

/** The run that holds the work of a step, of this attempt and none before; undefined while the step is not running. */
export function runOf(
  runs: readonly MachineRun[],
  caseId: string,
  { jobId, steps }: JobState,
  stepId: string,
): MachineRun | undefined {
  const { status, startedAt } = steps[stepId] ?? {}
  if (status !== 'running' || !startedAt) return undefined
  return runs.find(
    (run) =>
      run.startedAt >= startedAt &&
      run.loads.some((load) => load.caseId === caseId && load.jobId === jobId && load.stepId === stepId),
  )
}

/** How often a machine is looked at while it runs, ms. */
const LOOK_MILLIS = 3000

/** What the machines run, looked at every few seconds while one of them does. */
export function useMachineRuns(): readonly MachineRun[] {
  const { data = [], reload } = useFetched<readonly MachineRun[]>('/machine-runs')
  const running = data.some(({ stoppedAt }) => stoppedAt === null)
  // `reload` is another function at each render: the beat must not begin anew with it.
  useEffect(() => {
    if (!running) return
    const beat = setInterval(reload, LOOK_MILLIS)
    return () => clearInterval(beat)
  })
  return data
}
