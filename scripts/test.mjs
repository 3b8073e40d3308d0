import { execFile, spawn } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'

/**
 * All tests, in the order in which they are quickest to fail: lint and format, boundaries, types and build side by side, then unit and
 * server tests, then end to end. Ends with a line of totals; a stage that failed without a count counts as 1 failed.
 */
const root = fileURLToPath(new URL('..', import.meta.url))
const run = promisify(execFile)
const reports = mkdtempSync(join(tmpdir(), 'yentrik-reports-'))
let passed = 0
let failed = 0

/** What a stage came to: what its report counts, or itself. */
function reckon(status, report) {
  const counts = report?.()
  if (counts) {
    passed += counts.passed
    failed += counts.failed
    if (status !== 0 && counts.failed === 0) failed++
  } else if (status === 0) passed++
  else failed++
}

async function stage(name, args, { cwd = root, env = {}, report } = {}) {
  console.log(`\n== ${name}`)
  const child = spawn(process.execPath, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } })
  const [status] = await once(child, 'close')
  reckon(status, report)
}

/** Stages that do not need each other, side by side; each says what it has to say once it is over. */
async function together(stages) {
  await Promise.all(
    stages.map(async ([name, args]) => {
      const child = spawn(process.execPath, args, { cwd: root })
      const said = []
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part))
      const [status] = await once(child, 'close')
      console.log(`\n== ${name}`)
      process.stdout.write(Buffer.concat(said))
      reckon(status)
    }),
  )
}

function readReport(file, counts) {
  const path = join(reports, file)
  return () => (existsSync(path) ? counts(JSON.parse(readFileSync(path, 'utf8'))) : undefined)
}

/** Debian's Chromium, by apt where that is possible, while the other stages run; without it the end-to-end stage fails and says so. */
async function needChromium() {
  if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) return ''
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  try {
    await run('apt-get', ['update', '-qq'], { env })
    await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { env })
    return 'Chromium was missing: installed by apt.'
  } catch (error) {
    return `Chromium is missing and could not be installed (${error.message}). Install it, or name it in CHROMIUM.`
  }
}

const chromium = needChromium()
await together([
  ['lint and format', ['node_modules/@biomejs/biome/bin/biome', 'ci', '.']],
  [
    'boundaries',
    [
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      'core/src',
      'contract/src',
      'server/src',
      'web/src',
      '--config',
      '.dependency-cruiser.cjs',
    ],
  ],
  ['types and build', ['scripts/build.mjs']],
])
await stage(
  'unit and server tests',
  [
    '--experimental-vm-modules',
    'node_modules/jest/bin/jest.js',
    '--config=jest.in-one.config.mjs',
    // As many as there are cores; by itself it would leave one idle.
    '--maxWorkers=100%',
    '--json',
    `--outputFile=${join(reports, 'jest.json')}`,
  ],
  {
    report: readReport('jest.json', (r) => ({
      passed: r.numPassedTests,
      failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
    })),
  },
)
console.log(await chromium)
await stage('end to end', ['../node_modules/@playwright/test/cli.js', 'test'], {
  cwd: join(root, 'e2e'),
  env: { PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'playwright.json'), YENTRIK_JUST_BUILT: '1' },
  report: readReport('playwright.json', ({ stats }) => ({
    passed: stats.expected,
    failed: stats.unexpected + stats.flaky,
  })),
})
rmSync(reports, { recursive: true, force: true })
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
