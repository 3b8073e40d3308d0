import { rmSync } from 'node:fs'
import each, { workspaceTests } from './jest.config.mjs'
import { testsInOne } from './scripts/tests-in-one.mjs'

/**
 * All tests of core and server in a few files each, as `npm test` runs them: the same tests in half the time. The files are made
 * here, as Jest looks for tests before it calls any setup.
 */
export default async () => {
  const inOne = async (workspace) => {
    rmSync(`${workspace}/.tests`, { recursive: true, force: true })
    await testsInOne(workspace, { into: (part) => `${workspace}/.tests/part-${part}.test.mjs`, parts: 3 })
    return { ...workspaceTests(workspace), testMatch: ['<rootDir>/.tests/*.test.mjs'], transform: {} }
  }
  const web = each.projects.find(({ displayName }) => displayName === 'web')
  return { ...each, projects: [await inOne('core'), await inOne('server'), web] }
}
