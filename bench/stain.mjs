import { readFileSync } from 'node:fs'
import { planCrown } from '@yentrik/core'
import { framesOf, inBrowser } from './in-browser.mjs'

/** Stains for a crown of four zones from the pots of the demo lab; then the page while the coat is dragged. */
const TIMES = 15
const lab = JSON.parse(readFileSync(new URL('../demo/lab.json', import.meta.url), 'utf8'))
const seven = lab.products.flatMap(({ name, stain }) => (stain ? [{ name, ...stain }] : []))
/** The same pots a little stronger, to be twelve. */
const twelve = [
  ...seven,
  ...seven.slice(0, 5).map(({ name, absorption, scattering }) => ({
    name: `${name}, strong`,
    absorption: absorption.map((each) => each * 1.7),
    scattering: scattering.map((each) => each * 1.7),
  })),
]
const block = { L: 84, a: 1, b: 13 }
const zones = [
  ['neck', 76.5, 4, 22],
  ['body', 80.5, 2, 17],
  ['edge', 79, 0, 9.5],
  ['sides', 80, 1, 12],
].map(([name, L, a, b]) => ({ name, block, target: { L, a, b } }))

const median = (all) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)]
const timed = (pots, maxCoats) => {
  // A worker that has planned before is warm.
  for (let n = 0; n < 8; n++) planCrown(zones, pots, { maxCoats: 2 })
  const times = Array.from({ length: TIMES }, () => {
    const begun = performance.now()
    planCrown(zones, pots, { maxCoats })
    return performance.now() - begun
  })
  return median(times)
}
const rows = [
  ['7 pots, 2 coats', timed(seven, 2), 'under 20 ms'],
  ['7 pots, 3 coats', timed(seven, 3), ''],
  ['12 pots, 2 coats', timed(twelve, 2), 'under 150 ms, in a worker'],
  ['12 pots, 3 coats', timed(twelve, 3), ''],
]

const SECONDS = 3
const seen = await inBrowser('/fire', async (page) => {
  await page.getByRole('button', { name: 'Try it with an example' }).click()
  await page.getByRole('status', { name: 'Furthest off' }).waitFor()
  await page.waitForTimeout(2000)
  const slider = page.getByRole('slider')
  const box = await slider.boundingBox()
  const measuring = framesOf(page, SECONDS)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  for (let n = 0; n < 25 * SECONDS; n++) {
    await page.mouse.move(box.x + box.width * (0.5 + 0.45 * Math.sin(n / 6)), box.y + box.height / 2)
    await page.waitForTimeout(25)
  }
  await page.mouse.up()
  return measuring
})

const ms = (value) => `${value.toFixed(0)} ms`
export const section = `## Stains for a crown

Four zones, every mix of at most three pots in quarter coats, every set of at most four pots; median of ${TIMES}, one thread of Node.

| shelf | measured | wanted |
|---|---|---|
${rows.map(([name, time, wanted]) => `| ${name} | ${ms(time)} | ${wanted} |`).join('\n')}

| in Chromium, while the coat is dragged thinner and thicker | measured | wanted |
|---|---|---|
| frames a second | ${seen.frames.toFixed(0)} | 30 or more |
| longest gap between two frames | ${ms(seen.longest)} | |
`
if (process.argv[1]?.endsWith('stain.mjs')) {
  console.log(section)
  process.exit(0)
}
