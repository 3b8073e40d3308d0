import { readNumber } from '../parts/read-number.ts'

/** What is in the bowl, as typed or taken, and where each figure came from. */
export interface Bowl {
  readonly powder: string
  readonly powderFrom: 'balance' | 'hand'
  readonly liquid: string
  readonly liquidFrom: 'dispenser' | 'hand'
}
export const emptyBowl: Bowl = { powder: '', powderFrom: 'hand', liquid: '', liquidFrom: 'hand' }

/** The same as numbers, or what is wrong with them. */
export interface BowlNumbers {
  readonly powder?: number
  readonly liquid?: number
  readonly powderFault?: string
  readonly liquidFault?: string
}

export function bowlNumbers(bowl: Bowl): BowlNumbers {
  const read = (text: string, unit: string) => {
    const { value, fault } = readNumber(text, unit)
    const wrong =
      fault ??
      (value !== undefined && !(value > 0 && value <= 10_000)
        ? 'Enter a number above 0 and at most 10 000.'
        : undefined)
    return wrong === undefined ? { value } : { fault: wrong }
  }
  const powder = read(bowl.powder, 'g')
  const liquid = read(bowl.liquid, 'mL')
  return { powder: powder.value, liquid: liquid.value, powderFault: powder.fault, liquidFault: liquid.fault }
}
