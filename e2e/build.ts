import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

/** A stale build is never what is tested. */
export default function build(): void {
  execFileSync(process.execPath, [fileURLToPath(new URL('../scripts/build.mjs', import.meta.url))], {
    stdio: 'inherit',
  })
}
