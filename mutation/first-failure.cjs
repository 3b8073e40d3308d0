const Environment = require('@stryker-mutator/jest-runner/jest-env/node')

/** Stops at the first test that fails: a mutant is noticed by then. */
module.exports = class extends Environment {
  async handleTestEvent(event, state) {
    await super.handleTestEvent?.(event, state)
    if (event.name === 'test_done' && event.test.errors.length > 0) this.noticed = true
    if (event.name === 'test_start' && this.noticed) event.test.mode = 'skip'
  }
}
