import { readFileSync } from 'node:fs'
import { commonTokens } from '@stryker-mutator/api/plugin'
import { createInstrumenter } from '@stryker-mutator/instrumenter'
import { createInjector } from 'typed-inject'
import { isSentence } from './sentences.mjs'

const silent = { debug() {}, info() {}, isDebugEnabled: () => false }

/** Every mutant of the files, as {fileName, location, mutatorName, replacement}, in their order; lines from 0. */
export async function listMutants(files) {
  const instrumenter = createInjector()
    .provideValue(commonTokens.logger, silent)
    .injectFunction(createInstrumenter)
  const { mutants } = await instrumenter.instrument(
    files.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') })),
    { ignorers: [{ shouldIgnore: isSentence }], excludedMutations: [], plugins: null, noHeader: false },
  )
  return mutants.filter((mutant) => mutant.status !== 'Ignored')
}
