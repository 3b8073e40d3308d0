/** How a source is read for the tests. */
export const swcOptions = (decorators) => ({
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', decorators, tsx: !decorators },
    transform: decorators
      ? { legacyDecorator: true, decoratorMetadata: true }
      : { react: { runtime: 'automatic' } },
    keepClassNames: true,
  },
  module: { type: 'es6' },
})

/** How the tests of one workspace run; the mutation runs take the same. */
export const workspaceTests = (name, { decorators = false, environment = 'node', setup = [] } = {}) => ({
  displayName: name,
  rootDir: name,
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: environment,
  testEnvironmentOptions: {
    customExportConditions: ['yentrik-source', ...(name === 'web' ? ['browser'] : ['node', 'node-addons'])],
  },
  setupFilesAfterEnv: ['<rootDir>/../jest.properties.mjs', ...setup],
  transform: { '\\.tsx?$': ['@swc/jest', swcOptions(decorators)] },
  // One file instead of some hundred, as for the icons below.
  moduleNameMapper: { '^culori/fn$': '<rootDir>/../node_modules/culori/bundled/culori.cjs' },
})

/**
 * What every file of tests would load anew, one small file after the other: the core as one file, made before the tests (jest.setup.mjs),
 * and the icons from the one file that their package has as well.
 */
const loadedWhole = {
  '^@yentrik/core$': '<rootDir>/../node_modules/.cache/yentrik/core.mjs',
  '^@yentrik/core/testing$': '<rootDir>/../node_modules/.cache/yentrik/testing.mjs',
  // Where a file that comes along is, the build knows.
  '\\.ply$': '<rootDir>/src/testing/asset.ts',
  '^lucide-react$': '<rootDir>/../node_modules/lucide-react/dist/cjs/lucide-react.js',
}
const whole = (tests) => ({ ...tests, moduleNameMapper: { ...tests.moduleNameMapper, ...loadedWhole } })

export default {
  globalSetup: './jest.setup.mjs',
  projects: [
    workspaceTests('core'),
    whole(workspaceTests('server', { decorators: true })),
    whole(
      workspaceTests('web', {
        environment: '<rootDir>/jsdom.mjs',
        setup: ['<rootDir>/src/testing/browser.ts', '<rootDir>/src/testing/each.ts'],
      }),
    ),
  ],
  testTimeout: 30000,
}
