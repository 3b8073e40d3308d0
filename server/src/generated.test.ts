import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'

const root = new URL('../../', import.meta.url)

/** What is made out of the code, its file and what makes it. */
const made = [
  ['the catalogue of refusals', 'server/src/errors/refusals.generated.ts', 'refusals', 'refusalsFile'],
  ['the list of routes', 'core/src/jobs/routes.generated.ts', 'routes', 'routesFile'],
] as const

describe('what is made out of the code', () => {
  it.each(made)('%s is as the code stands now', async (_, file, script, maker) => {
    const scripts = (await import(new URL(`scripts/${script}.mjs`, root).href)) as Record<
      string,
      () => string
    >
    expect(readFileSync(new URL(file, root), 'utf8') === scripts[maker]?.()).toBe(true)
  })
})
