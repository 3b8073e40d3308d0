import { randomInt, timingSafeEqual } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import { Refusal } from '../errors/problem.filter.ts'
import { isThisMachine } from '../network/this-machine.ts'

/** Eight letters and figures that are not taken for one another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'

/** Who makes an empty lab theirs from another machine must have read what the server printed at its start. */
@Injectable()
export class FirstStartCode {
  readonly code = Array.from({ length: 8 }, () => LETTERS[randomInt(LETTERS.length)]).join('')
  private triesLeft = 20

  /** @throws {Refusal} `first-start-code` */
  mustFit(given: string | undefined, address: string): void {
    if (isThisMachine(address)) return
    const typed = Buffer.from(
      (given ?? '')
        .toUpperCase()
        .replaceAll(/[^A-Z0-9]/g, '')
        .padEnd(8)
        .slice(0, 8),
    )
    if (this.triesLeft > 0 && timingSafeEqual(typed, Buffer.from(this.code))) return
    this.triesLeft--
    throw new Refusal(
      403,
      'first-start-code',
      'The code of the first start does not fit.',
      'Type the code that the server printed when it started, or begin at the machine of the server itself. After 20 wrong ones the server must be started again.',
      { field: 'code' },
    )
  }
}
