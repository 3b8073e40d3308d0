import { COMMON_PRACTICE } from '../materials/index.ts'
import type { Check, Conditional } from '../route/index.ts'
import type { SheetOfKind } from '../sheet/index.ts'
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

const ofEach = ['Impression copings', 'Coping screws'] as const

/** A list of the parts of an implant impression, one for each number of implants: of each so many. */
export function implantParts(
  sheet: Pick<SheetOfKind<'parts'>, 'id' | 'name' | 'how' | 'withEnclosures' | 'returnOf' | 'failing'>,
): readonly (SheetOfKind<'parts'> & Conditional)[] {
  return implantCounts.map((implants) => ({
    ...sheet,
    kind: 'parts',
    source: COMMON_PRACTICE,
    suggested: [...ofEach, 'Impression tray'],
    expected: ofEach.map((name) => ({ name, count: Number(implants) })),
    when: { implants: [implants] },
  }))
}
