import { castSigns } from './casts.ts'
import { ceramicAndClaspSigns } from './ceramic-and-clasp.ts'
import { dentureSigns } from './denture.ts'
import { doorSigns } from './door.ts'
import { metalSigns } from './metal.ts'
import type { CheckSigns, SignBook } from './sign-book.ts'
import { waxSigns } from './wax.ts'

export { regionSign } from './regions.ts'
export type { CheckSigns, Sign } from './sign-book.ts'

const books: SignBook = {
  ...doorSigns,
  ...castSigns,
  ...waxSigns,
  ...metalSigns,
  ...dentureSigns,
  ...ceramicAndClaspSigns,
}

/** What a check shows; undefined: nobody has written that yet, and its answers stand for themselves. */
export const signsOf = (checkId: string): CheckSigns | undefined => books[checkId]
