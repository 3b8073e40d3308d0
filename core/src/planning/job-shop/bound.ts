import { leastLateness } from '../one-machine.ts'
import type { JobShop } from './graph.ts'

/**
 * The least that the makespan can be: each machine alone, work interrupted at will, between what must go before and after each of its
 * operations (recalled: Jackson 1955; Carlier 1982).
 */
export function jobShopBound({ machines, jobs }: JobShop): number {
  const onMachine: { release: number; minutes: number; due: number }[][] = Array.from(
    { length: machines },
    () => [],
  )
  let longest = 0
  for (const job of jobs) {
    const all = job.reduce((sum, [, minutes]) => sum + minutes, 0)
    longest = Math.max(longest, all)
    let before = 0
    for (const [machine, minutes] of job) {
      // A tail is a due time below 0: lateness is then the way to the end.
      onMachine[machine]!.push({ release: before, minutes, due: -(all - before - minutes) })
      before += minutes
    }
  }
  return onMachine.reduce(
    (bound, work) => (work.length === 0 ? bound : Math.max(bound, leastLateness(work))),
    longest,
  )
}
