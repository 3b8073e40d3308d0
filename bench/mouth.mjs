import {
  close,
  contactMap,
  copyOf,
  frameOf,
  grindByRules,
  processingErrors,
  trainerArticulator,
  volumeTaken,
  waxSetUp,
  withErrors,
} from '@yentrik/core'

/** The computed mouth of the remount trainer: closing with its map, live under the hand, and the expert that is measured against. */
const wax = waxSetUp()
const centric = frameOf(trainerArticulator, 'centric', 0)
const seeds = Array.from({ length: 12 }, (_, n) => n + 1)
const mouths = seeds.map((seed) => withErrors(wax, processingErrors(seed)))
const timed = (work) => {
  const begun = performance.now()
  work()
  return performance.now() - begun
}
const sorted = (times) => times.sort((a, b) => a - b)
const median = (times) => sorted(times)[times.length >> 1]
const maps = mouths.flatMap((mouth) =>
  [1, 2, 3].map(() => timed(() => contactMap(mouth, close(mouth, centric)))),
)
const copies = mouths.map(copyOf)
const blocked = []
const experts = copies.map((mouth) => timed(() => blocked.push(grindByRules(mouth).blocked.length)))
const volumes = copies.map(volumeTaken)

export const section = `## A computed mouth

Twelve mouths with the errors of processing, cells of 0.15 mm; median and most.

| what | median | most | wanted |
|---|---|---|---|
| closing, with its map of contacts | ${median(maps).toFixed(1)} ms | ${maps.at(-1).toFixed(1)} ms | under 12 ms |
| the expert, the whole mouth | ${median(experts).toFixed(0)} ms | ${experts.at(-1).toFixed(0)} ms | under 400 ms |

The expert took ${Math.min(...volumes).toFixed(0)} to ${Math.max(...volumes).toFixed(0)} mm³; pairs that could not give way: ${blocked.reduce((sum, n) => sum + n, 0)}.
`
