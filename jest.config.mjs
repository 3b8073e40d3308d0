const swc = (decorators) => [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', decorators, tsx: !decorators },
      transform: decorators
        ? { legacyDecorator: true, decoratorMetadata: true }
        : { react: { runtime: 'automatic' } },
      keepClassNames: true,
    },
    module: { type: 'es6' },
  },
]
const project = (name, decorators = false) => ({
  displayName: name,
  rootDir: name,
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['yentrik-source', 'node', 'node-addons'] },
  transform: { '\\.tsx?$': swc(decorators) },
})
export default {
  globalSetup: './jest.setup.mjs',
  projects: [project('core'), project('server', true), project('web')],
  testTimeout: 30000,
}
