import { readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, relative, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { transform } from '@swc/core'
import { rolldown } from 'rolldown'
import { swcOptions } from '../jest.config.mjs'

/** The sources of the workspaces themselves, as the tests read them. */
const sources = {
  '@yentrik/core': 'core/src/index.ts',
  '@yentrik/core/testing': 'core/src/testing/index.ts',
  '@yentrik/contract': 'contract/src/index.ts',
}

/**
 * Puts all tests of core or server with all that they test into a few files: each file of tests by itself loads the whole workspace
 * anew, which costs more than the tests. Works on the checkout or copy it is run in.
 * @param workspace core or server
 * @param into the files to write, by their numbers from 0; made wherever that folder is
 * @param parts how many
 * @param folder of the workspace whose tests they are; all of it when left out
 * @param leftOut names of files of tests that stay out
 */
export async function testsInOne(workspace, { into, parts, folder = `${workspace}/src`, leftOut }) {
  // Short files come first in each: most that fail do so soon.
  const tests = readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.test.ts') && !leftOut?.test(name))
    .map((name) => resolve(folder, name))
    .sort((a, b) => statSync(a).size - statSync(b).size)
  for (let part = 0; part < parts; part++) {
    const bundle = await rolldown({
      input: 'tests',
      platform: 'node',
      // A mutated copy has its paths changed.
      tsconfig: false,
      // A file of tests exports nothing, and would be left out.
      treeshake: false,
      external: (id) => !/^[./]/.test(id) && id !== 'tests' && !(id in sources),
      plugins: [
        {
          name: 'tests',
          resolveId: (id) => (id === 'tests' ? id : id in sources ? resolve(sources[id]) : null),
          load: (id) => (id === 'tests' ? importsOf(tests.filter((_, at) => at % parts === part)) : read(id)),
        },
      ],
    })
    await bundle.write({ file: into(part), format: 'esm', keepNames: true, codeSplitting: false })
    await bundle.close()
  }

  /** A source as Jest would read it, at its own place though it stands in another file. */
  async function read(id) {
    if (!id.endsWith('.ts')) return null
    const { code } = await transform(readFileSync(id, 'utf8'), {
      filename: id,
      swcrc: false,
      ...swcOptions(true),
    })
    const placed = code
      .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(id).href))
      .replaceAll('import.meta.dirname', JSON.stringify(dirname(id)))
    return {
      code: id.endsWith('.test.ts') ? grouped(relative(workspace, id), placed) : placed,
      moduleType: 'js',
    }
  }
}

const importsOf = (paths) => paths.map((path) => `import ${JSON.stringify(path)}`).join('\n')

/** What a file of tests does before and after its own tests is not done for those of others: all but its imports in a group. */
function grouped(name, code) {
  const imports = /^import\b[^;]*;$/gm
  return `${code.match(imports)?.join('\n') ?? ''}\ndescribe(${JSON.stringify(name)}, () => {${code.replaceAll(imports, '')}\n})`
}
