import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

/**
 * All tests, in the order in which they are quickest to fail: lint and format, boundaries, types, build, unit and
 * server tests, end to end. Ends with a line of totals; a stage that failed without a count counts as 1 failed.
 */
const root = fileURLToPath(new URL('..', import.meta.url))
const reports = mkdtempSync(join(tmpdir(), 'yentrik-reports-'))
let passed = 0
let failed = 0

function stage(name, args, { cwd = root, env = {}, report } = {}) {
  console.log(`\n== ${name}`)
  const { status } = spawnSync(process.execPath, args, {
    cwd,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  })
  const counts = report?.()
  if (counts) {
    passed += counts.passed
    failed += counts.failed
    if (status !== 0 && counts.failed === 0) failed++
  } else if (status === 0) passed++
  else failed++
}

function readReport(file, counts) {
  const path = join(reports, file)
  return () => (existsSync(path) ? counts(JSON.parse(readFileSync(path, 'utf8'))) : undefined)
}

/** Debian's Chromium, by apt where that is possible; without it the end-to-end stage fails and says so. */
function needChromium() {
  if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) return
  console.log('\n== Chromium is missing: installing it by apt')
  const apt = (...args) =>
    execFileSync('apt-get', args, {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  try {
    apt('update', '-qq')
    apt('install', '-y', '-qq', '--no-install-recommends', 'chromium')
  } catch (error) {
    console.error(`Could not install it (${error.message}). Install Chromium, or name it in CHROMIUM.`)
  }
}

stage('lint and format', ['node_modules/@biomejs/biome/bin/biome', 'ci', '.'])
stage('boundaries', [
  'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
  'core/src',
  'contract/src',
  'server/src',
  'web/src',
  '--config',
  '.dependency-cruiser.cjs',
])
stage('types and build', ['scripts/build.mjs'])
stage(
  'unit and server tests',
  [
    '--experimental-vm-modules',
    'node_modules/jest/bin/jest.js',
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
needChromium()
stage('end to end', ['../node_modules/@playwright/test/cli.js', 'test'], {
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
