import { afterEach, beforeEach } from '@jest/globals'
import { cleanup } from '@testing-library/react'
import { freshBrowser } from './lab.tsx'

beforeEach(freshBrowser)
// Streams, timers and answers change a screen when they come, as in a browser: tests wait for what is to be seen.
beforeEach(() => {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false })
})
afterEach(cleanup)
