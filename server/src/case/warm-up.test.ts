import { it } from '@jest/globals'
import { warmUp } from './warm-up.ts'

it('what is read to warm up is a sound document: it would be refused otherwise', () => warmUp())
