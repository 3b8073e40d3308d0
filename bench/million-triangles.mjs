import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { inBrowser } from './in-browser.mjs'

/**
 * A binary STL of 1,000,000 triangles: the core beside a plain three.js loader with a loop, each in a process of its
 * own; then the built Mix screen in Chromium, watched for frames that do not come and for memory. The text is `section`.
 */
const [MAJOR, MINOR] = [30, 12]
const [AROUND, ACROSS] = [1000, 500]
const folder = mkdtempSync(join(tmpdir(), 'yentrik-mesh-'))
const file = join(folder, 'torus.stl')
writeFileSync(file, torus())
const fileMegabytes = (84 + 50 * 2 * AROUND * ACROSS) / 1e6
const exactCm3 = (2 * Math.PI ** 2 * MAJOR * MINOR ** 2) / 1000

const runs = ['size', 'three', 'core'].map((which) => {
  const script = fileURLToPath(new URL('./measure-one-mesh.mjs', import.meta.url))
  return JSON.parse(
    execFileSync(process.execPath, ['--expose-gc', script, which, file], { encoding: 'utf8' }),
  )
})
const seen = await inBrowser('/mix?material=dental-stone', dropped)
rmSync(folder, { recursive: true, force: true })

const times = (megabytes) => `${(megabytes / fileMegabytes).toFixed(1)} x`
const row = ({ name, cm3, millis, megabytes }) =>
  `| ${name} | ${(cm3 / 1000).toFixed(3)} cm3 | ${millis.toFixed(0)} ms | ${megabytes.toFixed(0)} MB, ${times(megabytes)} the file |`
export const section = `## A mesh of 1,000,000 triangles

A torus of ${MAJOR} and ${MINOR} mm, ${exactCm3.toFixed(3)} cm3 by 2 π² R r²; binary STL, ${fileMegabytes.toFixed(0)} MB. Memory is the peak of the process over its start, the file counted in.

| in Node | volume | time | memory |
|---|---|---|---|
${runs.map(row).join('\n')}

The volume takes ${(runs[0].millis / runs[1].millis).toFixed(2)} of the time of three.js; wanted: at most 0.7.

| in Chromium, dropped on the Mix screen | measured | wanted |
|---|---|---|
| from drop to the volume | ${(seen.untilVolume / 1000).toFixed(1)} s | |
| from drop to volume, tightness and 3D view | ${(seen.millis / 1000).toFixed(1)} s | |
| longest gap between two frames until the volume stands | ${seen.longestFrame.toFixed(0)} ms | the screen is not blocked |
| longest gap while the 3D view is made (drawn in software here) | ${seen.longestFrameAfter.toFixed(0)} ms | |
| memory of the page over its start, at the peak | ${seen.megabytes.toFixed(0)} MB, ${times(seen.megabytes)} the file | about 3 x |
`

function torus() {
  const bytes = Buffer.alloc(84 + 50 * 2 * AROUND * ACROSS)
  bytes.writeUInt32LE(2 * AROUND * ACROSS, 80)
  const at = (n, k) => {
    const [a, b] = [(2 * Math.PI * (n % AROUND)) / AROUND, (2 * Math.PI * (k % ACROSS)) / ACROSS]
    const r = MAJOR + MINOR * Math.cos(b)
    return [r * Math.cos(a), r * Math.sin(a), MINOR * Math.sin(b)]
  }
  let offset = 84
  for (let n = 0; n < AROUND; n++)
    for (let k = 0; k < ACROSS; k++) {
      const [p, q, r, s] = [at(n, k), at(n + 1, k), at(n + 1, k + 1), at(n, k + 1)]
      for (const triangle of [
        [p, q, r],
        [p, r, s],
      ]) {
        for (const [i, value] of triangle.flat().entries()) bytes.writeFloatLE(value, offset + 12 + 4 * i)
        offset += 50
      }
    }
  return bytes
}

async function dropped(page) {
  await page.getByRole('radio', { name: 'Mesh' }).check({ force: true })
  const mesh = page.getByRole('region', { name: 'Mesh' })
  await mesh.waitFor()
  await page.evaluate(() => {
    globalThis.longest = 0
    let last = performance.now()
    const tick = (now) => {
      globalThis.longest = Math.max(globalThis.longest, now - last)
      last = now
      requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
    // The moment at which its tightness stands too: what comes after is the 3D view.
    const watch = new MutationObserver(() => {
      if (!document.body.textContent.includes('Closed all round')) return
      watch.disconnect()
      globalThis.longestUntilVolume = globalThis.longest
      globalThis.longest = 0
    })
    watch.observe(document.body, { childList: true, subtree: true })
  })
  const before = renderers()
  const begun = performance.now()
  await mesh.getByLabel('Mesh file').setInputFiles(file)
  await mesh.getByText(/cm3$/).waitFor({ timeout: 120_000 })
  const untilVolume = performance.now() - begun
  await mesh.getByText('Closed all round').waitFor({ timeout: 120_000 })
  const longestFrame = await page.evaluate(() => globalThis.longestUntilVolume)
  await mesh.locator('canvas').waitFor({ timeout: 60_000 })
  const millis = performance.now() - begun
  const longestFrameAfter = await page.evaluate(
    () => new Promise((done) => setTimeout(() => done(globalThis.longest), 500)),
  )
  const megabytes = Math.max(...[...before].map(([pid, start]) => peakMegabytes(pid, 'VmHWM') - start))
  return { millis, untilVolume, longestFrame, longestFrameAfter, megabytes }
}

/** Chromium's page processes with what each holds now, MB; the page's is the one that grows. */
function renderers() {
  const pids = readdirSync('/proc').filter((pid) => {
    try {
      return /^\d+$/.test(pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')
    } catch {
      return false
    }
  })
  return new Map(pids.map((pid) => [pid, peakMegabytes(pid, 'VmRSS')]))
}

function peakMegabytes(pid, field) {
  return (
    Number(new RegExp(`${field}:\\s+(\\d+) kB`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1000
  )
}
