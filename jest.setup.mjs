import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

/** Before anything is tested: builds what is stale, as workers and child servers run the build; says how chance is drawn. */
export default function prepare() {
  const root = fileURLToPath(new URL('.', import.meta.url))
  execFileSync(process.execPath, ['node_modules/typescript-7/bin/tsc', '-b', 'server'], {
    cwd: root,
    stdio: 'inherit',
  })
  process.env.YENTRIK_SEED ??= String(Math.floor(Math.random() * 2 ** 31))
  const seed = process.env.YENTRIK_SEED
  console.log(`\nProperties are drawn with seed ${seed}; YENTRIK_SEED=${seed} npm test draws the same again.`)
}
