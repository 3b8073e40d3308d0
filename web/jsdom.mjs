import { TestEnvironment } from 'jest-environment-jsdom'

/** jsdom, with what every browser has had for years and Node has too. */
export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    Object.assign(this.global, { TextEncoder, TextDecoder, structuredClone, AbortController, AbortSignal })
  }
}
