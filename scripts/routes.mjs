import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { writeGenerated } from './write-generated.mjs'

/**
 * The list of all shipped routes: a file in `core/src/jobs/routes` is one, and exports it by the file's name
 * (`cast-crown.ts`: `castCrown`). `node scripts/routes.mjs` writes it; the build does so too.
 */
const jobs = fileURLToPath(new URL('../core/src/jobs', import.meta.url))
const nameOf = (file) => file.replace(/\.ts$/, '').replaceAll(/-(\w)/g, (_, letter) => letter.toUpperCase())

/** The list, as a module. */
export function routesFile() {
  const lines = readdirSync(join(jobs, 'routes'))
    .filter((file) => file.endsWith('.ts'))
    .sort()
    .map((file) => `export { ${nameOf(file)} } from './routes/${file}'`)
  return `// Made by scripts/routes.mjs out of the files in routes/; not to be changed by hand.\n${lines.join('\n')}\n`
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  writeGenerated(join(jobs, 'routes.generated.ts'), routesFile())
