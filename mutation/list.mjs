import { readFileSync } from 'node:fs'
import { commonTokens } from '@stryker-mutator/api/plugin'
import { createInstrumenter } from '@stryker-mutator/instrumenter'
import { createInjector } from 'typed-inject'
import { leftAlone } from './left-alone.mjs'
import { spotOf } from './mutators.mjs'

const silent = { debug() {}, info() {}, isDebugEnabled: () => false }

/** Every mutant of the files, as {fileName, location, mutatorName, replacement, spot}, in their order; lines from 0. */
export async function listMutants(files) {
  const instrumenter = createInjector()
    .provideValue(commonTokens.logger, silent)
    .injectFunction(createInstrumenter)
  const { mutants } = await instrumenter.instrument(
    files.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') })),
    { ignorers: [{ shouldIgnore: leftAlone }], excludedMutations: [], plugins: null, noHeader: false },
  )
  const before = new Map()
  return mutants
    .filter((mutant) => mutant.status !== 'Ignored')
    .map((mutant) => {
      const { fileName, mutatorName, location } = mutant
      const line = ({ line, column }) => ({ line: line + 1, column })
      const at = { start: line(location.start), end: line(location.end) }
      const key = fileName + spotOf(mutatorName, at, 0)
      const index = before.get(key) ?? 0
      before.set(key, index + 1)
      return { ...mutant, spot: spotOf(mutatorName, at, index) }
    })
}
