import { framesOf, inBrowser } from './in-browser.mjs'

/** Four baths on the Cure screen, and the hold of one dragged: how many pictures a second come, and how many of the resin. */
const SECONDS = 5
const seen = await inBrowser('/cure', async (page) => {
  const corner = page.getByRole('slider').first()
  await corner.waitFor()
  await page.getByText('monomer', { exact: true }).nth(3).waitFor()
  const box = await corner.boundingBox()
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  const curves = page.evaluate(async (seconds) => {
    const resin = () =>
      [...document.querySelectorAll('[aria-label="Bath and resin over the hours"] svg path')]
        .map((path) => path.getAttribute('d'))
        .join()
    let [curves, shown] = [0, resin()]
    for (const begun = performance.now(); performance.now() - begun < seconds * 1000; ) {
      await new Promise(requestAnimationFrame)
      const curve = resin()
      if (curve !== shown) curves++
      shown = curve
    }
    return curves / seconds
  }, SECONDS)
  const measuring = Promise.all([framesOf(page, SECONDS), curves]).then(([seen, curves]) => ({
    ...seen,
    curves,
  }))
  let over = false
  void measuring.finally(() => {
    over = true
  })
  for (let n = 0; !over; n++) await page.mouse.move(x - 150 + 150 * Math.cos(n / 20), y)
  await page.mouse.up()
  return measuring
})

export const section = `### The hold of one of four baths, dragged

Chromium, built Cure screen, ${SECONDS} s.

| | measured | wanted |
|---|---|---|
| frames a second | ${seen.frames.toFixed(0)} | 30 or more |
| new curves of the resin a second, from the worker | ${seen.curves.toFixed(0)} | |
| longest gap between two frames | ${seen.longest.toFixed(0)} ms | |
`
