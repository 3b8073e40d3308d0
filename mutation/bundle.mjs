import { testsInOne } from '../scripts/tests-in-one.mjs'

/**
 * All tests of a workspace, or of a folder of it, in one file, for Stryker to run in its mutated copy. Left out are those that hold the
 * code as it is written, which a mutated copy is not, and that start what was built before.
 */
const [workspace, folder] = process.argv.slice(2)
await testsInOne(workspace, {
  into: () => `${workspace}/all.test.mjs`,
  parts: 1,
  folder,
  leftOut: /generated\.test\.ts$|kill-and-restore\.test\.ts$/,
})
