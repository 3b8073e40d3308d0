import type { MachineRunShown } from '@yentrik/contract'

/** When a machine is taken, ms. */
export const occupied = (runs: readonly MachineRunShown[], machine: string) =>
  runs
    .filter((run) => run.machine === machine && run.stoppedAt === null)
    .map((run) => ({ from: Date.parse(run.startedAt), to: Date.parse(run.endsAt), words: run.machine }))
