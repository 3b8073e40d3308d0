import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

/** A stale build is never what is tested; what has just been built is not built again. */
export default function build(): void {
  if (process.env.YENTRIK_JUST_BUILT) return
  execFileSync(process.execPath, [fileURLToPath(new URL('../scripts/build.mjs', import.meta.url))], {
    stdio: 'inherit',
  })
}
