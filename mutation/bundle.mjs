import { readdirSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { rolldown } from 'rolldown'

/**
 * Puts all tests of the core with all of the core into one file: a mutant is tried by many files of tests, and each would load
 * the whole core again. Short files come first, as most mutants are noticed soon. Run by Stryker in its mutated copy.
 */
const folder = resolve('core/src')
const tests = readdirSync(folder, { recursive: true })
  .filter((name) => name.endsWith('.test.ts'))
  .map((name) => join(folder, name))
  .sort((a, b) => statSync(a).size - statSync(b).size)

const all = await rolldown({
  input: 'all-tests',
  platform: 'node',
  // The copy's own has its paths changed.
  tsconfig: false,
  external: ['@jest/globals', 'fast-check', 'ajv'],
  // A file of tests exports nothing, and would be left out.
  treeshake: false,
  plugins: [
    {
      name: 'all-tests',
      resolveId: (id) => (id === 'all-tests' ? id : null),
      load: (id) =>
        id === 'all-tests' ? tests.map((path) => `import ${JSON.stringify(path)}`).join('\n') : null,
    },
  ],
})
await all.write({ file: 'core/all.test.cjs', format: 'cjs', keepNames: true })
await all.close()
