import type { Check } from '../route/index.ts'
import { adjust } from './checks.ts'

/** How many implants a case can have. */
export const implantCounts = ['2', '3', '4', '5', '6', '7', '8', '9', '10'] as const

/** One check for each number of implants, of which the route keeps the one that stands under its number. */
export function countCheck(
  id: string,
  name: string,
  how: string,
  say: string,
  expected: (implants: number) => number = (n) => n,
): readonly (Check & { readonly when: Readonly<Record<string, readonly string[]>> })[] {
  return implantCounts.map((implants) => ({
    id,
    name,
    how,
    kind: 'measure',
    quantity: 'count',
    min: expected(Number(implants)),
    max: expected(Number(implants)),
    below: adjust(say),
    above: adjust(say),
    plausible: { min: 0, max: 20 },
    source: 'the prescription',
    when: { implants: [implants] },
  }))
}
