import { execFileSync } from 'node:child_process'
import { readdirSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/** Builds what is stale: the catalogue of refusals, the list of routes, types, core and server by `tsc -b`, the screens by Vite when a source is newer than the page. */
const root = fileURLToPath(new URL('..', import.meta.url))
const run = (...args) => execFileSync(process.execPath, args, { cwd: root, stdio: 'inherit' })

run('scripts/refusals.mjs')
run('scripts/routes.mjs')
run('node_modules/typescript-7/bin/tsc', '-b')
if (
  newest(
    'web/src',
    'core/src',
    'core/package.json',
    'contract/src',
    'web/index.html',
    'web/vite.config.ts',
    'package-lock.json',
  ) > built()
)
  execFileSync(process.execPath, ['../node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'], {
    cwd: `${root}web`,
    stdio: 'inherit',
  })

function built() {
  try {
    return statSync(`${root}web/dist/index.html`).mtimeMs
  } catch {
    return 0
  }
}

function newest(...paths) {
  return Math.max(
    ...paths.map((path) => {
      const stat = statSync(root + path)
      return stat.isDirectory()
        ? newest(...readdirSync(root + path).map((name) => `${path}/${name}`))
        : stat.mtimeMs
    }),
    0,
  )
}
