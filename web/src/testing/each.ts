import { afterEach, beforeEach } from '@jest/globals'
import { cleanup } from '@testing-library/react'
import { freshBrowser } from './lab.tsx'

beforeEach(freshBrowser)
afterEach(cleanup)
