import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { createApp } from '../server/dist/create-app.js'

/** The built application with the demo data in Chromium at an address of it, for as long as the work on its page takes. */
export async function inBrowser(path, work) {
  const folder = mkdtempSync(join(tmpdir(), 'yentrik-bench-'))
  const webFolder = fileURLToPath(new URL('../web/dist', import.meta.url))
  const dataFile = join(folder, 'lab.sqlite')
  const app = await createApp(
    { port: 0, host: '127.0.0.1', dataFile, demo: true, clockControl: true, webFolder },
    true,
  )
  await app.listen(0, '127.0.0.1')
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${await app.getUrl()}${path}`)
  const measured = await work(page)
  await browser.close()
  await app.close()
  rmSync(folder, { recursive: true, force: true })
  return measured
}

/** Frames a second of a page, and the longest gap between two. */
export const framesOf = (page, seconds) =>
  page.evaluate(async (seconds) => {
    let [frames, longest] = [0, 0]
    const begun = performance.now()
    let last = begun
    while (last - begun < seconds * 1000) {
      const now = await new Promise(requestAnimationFrame)
      frames++
      longest = Math.max(longest, now - last)
      last = now
    }
    return { frames: frames / seconds, longest }
  }, seconds)
