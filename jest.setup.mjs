import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { rolldown } from 'rolldown'

/**
 * Before anything is tested: builds what is stale, as workers and child servers run the build; puts the core into one file for the tests
 * of server and web; says how chance is drawn.
 */
export default async function prepare() {
  const root = fileURLToPath(new URL('.', import.meta.url))
  execFileSync(process.execPath, ['node_modules/typescript-7/bin/tsc', '-b', 'server'], {
    cwd: root,
    stdio: 'inherit',
  })
  const core = await rolldown({
    cwd: root,
    input: { core: 'core/src/index.ts', testing: 'core/src/testing/index.ts' },
    platform: 'node',
  })
  await core.write({
    dir: 'node_modules/.cache/yentrik',
    entryFileNames: '[name].mjs',
    chunkFileNames: 'shared.mjs',
    keepNames: true,
  })
  await core.close()
  process.env.YENTRIK_SEED ??= String(Math.floor(Math.random() * 2 ** 31))
  const seed = process.env.YENTRIK_SEED
  console.log(`\nProperties are drawn with seed ${seed}; YENTRIK_SEED=${seed} npm test draws the same again.`)
}
