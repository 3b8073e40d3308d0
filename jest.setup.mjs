import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

/** Builds what is stale before anything is tested: workers and child servers run the build. */
export default function build() {
  const root = fileURLToPath(new URL('.', import.meta.url))
  execFileSync(process.execPath, ['node_modules/typescript-7/bin/tsc', '-b', 'server'], {
    cwd: root,
    stdio: 'inherit',
  })
}
