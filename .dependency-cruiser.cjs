/** The arrows of the house: core <- server, core <- web, nothing else. */
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment:
        'core imports neither server nor web nor any input or output; only date arithmetic from outside',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/src|node_modules/(@date-fns/tz|date-fns)/' },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^(web|e2e)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^(server|e2e)/' } },
    {
      name: 'core-through-its-door',
      comment: 'outside the core, import @yentrik/core and nothing deeper',
      severity: 'error',
      from: { path: '^(server|web)/src' },
      to: { path: '^core/src/.+/' },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['yentrik-source', 'import', 'node', 'default', 'types'],
    },
  },
}
