import { execFileSync } from 'node:child_process'
import { readdirSync, statSync } from 'node:fs'
import { join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { Stryker } from '@stryker-mutator/core'
import { workspaceTests } from '../jest.config.mjs'
import { listMutants } from './list.mjs'
import { addFigures, makeOnly } from './mutators.mjs'

/**
 * Changes the code a little at a time and looks whether a test notices. docs/testing.md says how to read it.
 *
 *   npm run mutate -- core/src/planning             every mutant of a folder or file, by all tests of the workspace
 *   npm run mutate -- core/src/planning --own       the same, by the tests of that folder alone: quick, and stricter
 *   npm run mutate -- core --sample 600 --seed 1    as many, drawn from the whole workspace
 *   npm run mutate -- core --sample 600 --no-tables the same without what stands in tables: quick
 */
const root = fileURLToPath(new URL('..', import.meta.url))
process.chdir(root)
// A mutant that only some chance would find is not found twice.
process.env.YENTRIK_SEED = '1'
// Each mutant costs a run of the tests, and a tenth of the draws finds nearly as many.
process.env.YENTRIK_DRAWS = '10'
addFigures()

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string' },
    seed: { type: 'string', default: '1' },
    own: { type: 'boolean', default: false },
    // What stands in a table of a module is tried by every test that reads the module: a hundred times as dear.
    'no-tables': { type: 'boolean', default: false },
    workers: { type: 'string', default: '2' },
  },
})
const [target] = positionals
const workspace = target?.split('/')[0]
if (workspace !== 'core' && workspace !== 'server')
  throw new Error('Name a folder or file of core/src or server/src: npm run mutate -- core/src/planning')

// Tests, and what is only looked at: invented cases, drawings.
const notMutated =
  /\.test\.ts$|\/testing\/|\/demo\/|\/main\.ts$|\/migrations?\/|\/invented-|\/(back|front)-patterns\.ts$|\.generated\.ts$/
const listed = (path) =>
  statSync(path).isDirectory()
    ? readdirSync(path, { recursive: true }).map((name) => join(path, name))
    : [path]
const files = listed(target === workspace ? `${workspace}/src` : target).filter(
  (path) => path.endsWith('.ts') && !notMutated.test(path),
)

/** A small generator with a seed (mulberry32), so that a sample can be drawn again. */
function seeded(seed) {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}

async function draw(size, seed) {
  const rest = await listMutants(files)
  const next = seeded(seed)
  const drawn = []
  while (drawn.length < size && rest.length > 0)
    drawn.push(...rest.splice(Math.floor(next() * rest.length), 1))
  return drawn
}

const sampled = values.sample && (await draw(Number(values.sample), Number(values.seed)))
if (sampled) makeOnly(new Set(sampled.map(({ spot }) => spot)))

/** What tells one mutant from all others of a workspace, whether its lines and columns count from 0 or from 1. */
const markOf = ({ fileName, location: { start, end }, replacement }, first) =>
  [
    relative(root, resolve(root, fileName)),
    start.line - first,
    start.column - first,
    end.line - first,
    end.column - first,
    replacement,
  ].join('|')

// A mutant is only made where its place lies wholly in one of these; Stryker counts lines from 1 there, columns from 0.
const place = ({ fileName, location: { start, end } }) =>
  `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`

// Libraries, built code and what the tests of this workspace do not read stay out of the copies.
const notCopied = [
  '/web/dist',
  '/web/src',
  '/e2e',
  '/docs/screenshots',
  '/bench',
  '/.mutation',
  '/server/data',
]
if (workspace === 'server')
  execFileSync(process.execPath, ['node_modules/typescript-7/bin/tsc', '-b', 'server'], { stdio: 'inherit' })

const folderOf = (fileName) => relative(root, resolve(root, fileName)).split('/').slice(0, 3).join('/')
const hasTests = (folder) =>
  statSync(folder).isDirectory() &&
  readdirSync(folder, { recursive: true }).some((name) => name.endsWith('.test.ts'))

/** What becomes of the mutants of some files or places, by all tests of the workspace or by those of one folder. */
function mutate(places, folder) {
  const own = folder && hasTests(folder)
  return new Stryker({
    mutate: places,
    testRunner: 'jest',
    testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
    coverageAnalysis: 'perTest',
    ignoreStatic: values['no-tables'],
    buildCommand: `node mutation/bundle.mjs ${workspace} ${own ? folder : ''}`,
    jest: {
      projectType: 'custom',
      // One file of tests is related to none of the sources by its imports.
      enableFindRelatedTests: false,
      config: {
        ...workspaceTests(workspace, { environment: join(root, 'mutation/first-failure.cjs') }),
        testMatch: ['<rootDir>/all.test.mjs'],
        transform: {},
        globalSetup: null,
        projects: [],
        testTimeout: 30000,
      },
    },
    plugins: ['@stryker-mutator/jest-runner', join(root, 'mutation/left-alone.mjs')],
    ignorers: ['leftAlone'],
    ignorePatterns: notCopied,
    tempDirName: '.mutation/copies',
    concurrency: Number(values.workers),
    // Beyond the usual time of the tests that come there. Long: what is only slow is not noticed.
    timeoutMS: 30000,
    // What a run leaves in memory would slow those after it.
    maxTestRunnerReuse: 40,
    reporters: ['progress-append-only'],
    logLevel: 'warn',
    clearTextReporter: { allowColor: false },
    allowEmpty: true,
  }).runMutationTest()
}

// Two files may have a mutant at the same spot; the other one is not of the sample.
const marks = sampled && new Set(sampled.map((mutant) => markOf(mutant, 0)))
const noticed = ({ status }) => status === 'Killed' || status === 'Timeout'
const judged = (mutants) =>
  mutants.filter(
    (mutant) =>
      (!marks || marks.has(markOf(mutant, 1))) &&
      ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(mutant.status),
  )

function printSurvivors(mutants) {
  const survivors = mutants
    .filter((mutant) => !noticed(mutant))
    .map((mutant) => ({ ...mutant, fileName: relative(root, mutant.fileName) }))
    .sort((a, b) => a.fileName.localeCompare(b.fileName) || a.location.start.line - b.location.start.line)
  for (const { fileName, location, mutatorName, replacement, status } of survivors)
    console.log(
      `${fileName}:${location.start.line}:${location.start.column} ${mutatorName}${
        status === 'NoCoverage' ? ' (no test comes here)' : ''
      }: ${replacement.replaceAll(/\s+/g, ' ').slice(0, 80)}`,
    )
}

const score = (mutants) => {
  const hit = mutants.filter(noticed).length
  return mutants.length === 0
    ? '-'
    : `${((100 * hit) / mutants.length).toFixed(1)} % (${hit} of ${mutants.length})`
}

const valid = []
const add = (mutants) => {
  const some = judged(mutants)
  printSurvivors(some)
  valid.push(...some)
}
if (sampled && values.own) {
  const byFolder = new Map()
  for (const mutant of sampled) {
    const folder = folderOf(mutant.fileName)
    byFolder.set(folder, [...(byFolder.get(folder) ?? []), place(mutant)])
  }
  for (const [folder, places] of [...byFolder].sort()) {
    console.log(`== ${folder}: ${places.length}`)
    add(await mutate(places, folder))
  }
} else add(await mutate(sampled ? sampled.map(place) : files, values.own && folderOf(files[0])))

const folders = new Map()
for (const mutant of valid) {
  const folder = folderOf(mutant.fileName)
  folders.set(folder, [...(folders.get(folder) ?? []), mutant])
}
console.log()
for (const [folder, mutants] of [...folders].sort()) console.log(`${folder}: ${score(mutants)}`)
const figures = valid.filter(({ mutatorName }) => mutatorName === 'Figure')
console.log(`figures: ${score(figures)}`)
console.log(`rules: ${score(valid.filter((mutant) => !figures.includes(mutant)))}`)
console.log(`all: ${score(valid)}${sampled ? `, seed ${values.seed}` : ''}`)
