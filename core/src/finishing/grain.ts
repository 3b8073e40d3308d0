import { DomainError } from '../refusal/index.ts'

/** Median grain, µm. F: ISO 8486, FEPA; P: ISO 6344; both recalled. They are different scales: the letter is kept. */
const grains: Readonly<Record<string, number>> = {
  ...{
    F60: 260,
    F80: 185,
    F100: 129,
    F120: 109,
    F150: 82,
    F180: 69,
    F220: 58,
    F240: 44.5,
    F280: 36.5,
    F320: 29.2,
  },
  ...{ F360: 22.8, F400: 17.3, F500: 12.8, F600: 9.3, F800: 6.5, F1000: 4.5, F1200: 3 },
  ...{
    P60: 269,
    P80: 201,
    P100: 162,
    P120: 125,
    P150: 100,
    P180: 82,
    P220: 68,
    P240: 58.5,
    P320: 46.2,
    P400: 35,
  },
  ...{ P600: 25.8, P800: 21.8, P1200: 15.3, P2000: 10.3, P2500: 8.4 },
}

/**
 * The median grain of a numbered abrasive, µm.
 * @throws {DomainError} `grit-letter`: no F or P before it; `grit`: a number that the scales do not have
 * @example grainMicrometres('F120') // 109
 * Source: ISO 8486 and ISO 6344, recalled.
 */
export function grainMicrometres(grit: string): number {
  const name = grit.trim().toUpperCase().replace(/\s+/g, '')
  if (/^\d+$/.test(name))
    throw new DomainError(
      'grit-letter',
      `"${grit}" may be of two scales.`,
      `Enter F${name} or P${name}, as it stands on the abrasive.`,
      'grit',
    )
  const found = grains[name]
  if (found === undefined)
    throw new DomainError(
      'grit',
      `"${grit}" is no grit of these scales.`,
      'Enter one as F120 or P400.',
      'grit',
    )
  return found
}
