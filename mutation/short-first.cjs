const { statSync } = require('node:fs')
const { default: Sequencer } = require('@jest/test-sequencer')

/** Short files of tests before long ones: most mutants are noticed soon, and the rest need not run. */
module.exports = class extends Sequencer {
  sort(tests) {
    return [...tests].sort((a, b) => statSync(a.path).size - statSync(b.path).size)
  }
}
