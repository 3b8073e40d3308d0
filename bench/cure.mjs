import { cure, drawnFineness, fastestSafe, isSafe, quotedFineness, twoStage } from '@yentrik/core'

/** The cure: how long a day of it takes, and whether its shortest safe baths are the shortest there are. */
const sheet = (millimetres) => ({ shape: 'sheet', millimetres })
const ridge = (millimetres) => ({ shape: 'ridge', millimetres })
const long = twoStage(
  { toCelsius: 74, rampMinutes: 30, holdMinutes: 660 },
  { rampMinutes: 30, holdMinutes: 60 },
)

function median(work, times) {
  const taken = []
  for (let n = 0; n <= times; n++) {
    const start = performance.now()
    work()
    if (n > 0) taken.push(performance.now() - start)
  }
  return taken.sort((a, b) => a - b)[Math.floor(taken.length / 2)]
}

const coarse = { cells: { resin: 6, stone: 12 }, longestSeconds: 60, rise: 0.002 }
const cases = [
  [[sheet(2)], 2.2],
  [[sheet(3)], 2.2],
  [[sheet(3)], 1],
  [[sheet(5)], 2.2],
  [[ridge(8)], 2.2],
  [[ridge(10)], 1],
  [[ridge(12)], 2.2],
  [[ridge(12)], 1.5],
  [[ridge(14)], 2.2],
  [[sheet(2), ridge(10)], 1],
]

/** The shortest safe bath of the grid. Rows of boils are left out only where even the exotherm of the hold is too hot. */
function byGrid(sections, most) {
  const follow = (program) => sections.map((section) => cure({ section, program }, coarse))
  let best = Number.POSITIVE_INFINITY
  for (const toCelsius of [76, 74, 72, 70, 68, 66]) {
    const first = (holdMinutes) => ({ toCelsius, rampMinutes: 30, holdMinutes })
    if (!isSafe(follow(twoStage(first(180))), 100)) continue
    for (let hold = 0; 30 + hold < best; hold += 15) {
      if (isSafe(follow(twoStage(first(hold))), most)) best = Math.min(best, 30 + hold)
      for (const rampMinutes of [15, 30])
        for (let boil = 0; boil <= 120 && 30 + hold + rampMinutes + boil < best; boil += 5)
          if (isSafe(follow(twoStage(first(hold), { rampMinutes, holdMinutes: boil })), most)) {
            best = 30 + hold + rampMinutes + boil
            break
          }
    }
  }
  return best
}

const rows = cases.map(([sections, most]) => {
  const found = fastestSafe({ sections, mostResidualPercent: most }, coarse).bathMinutes
  const best = byGrid(sections, most)
  const name = sections.map(({ shape, millimetres }) => `${millimetres} mm ${shape}`).join(', ')
  return `| ${name}, ${most} % | ${found.toFixed(0)} min | ${best.toFixed(0)} min | ${(100 * (found / best - 1)).toFixed(1)} % |`
})
const two = (fineness) => () => {
  for (const section of [sheet(3), ridge(12)]) cure({ section, program: long }, fineness)
}

export const section = `## A night of curing

12 h of holds, ramps and boil, cooling and all, a sheet of 3 mm and a ridge of 12 mm; median of nine, after one to warm up.

| cells, longest step | both sections | wanted |
|---|---|---|
| 10 + 20, 30 s | ${median(two(drawnFineness), 9).toFixed(0)} ms | under 15 ms |
| 16 + 20, 10 s | ${median(two(quotedFineness), 9).toFixed(0)} ms | |

The shortest safe bath against trying every bath of a grid (first hold 66 to 76 °C by 2, holds by 15 min, boils by 5 min,
ramps to the boil of 15 and 30 min), in the same coarse computation; within 2 % is wanted:

| sections, most monomer | found | by the grid | longer by |
|---|---|---|---|
${rows.join('\n')}
`
