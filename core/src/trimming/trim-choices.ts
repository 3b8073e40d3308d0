import { millimetresFromInches, qty, saying } from '../quantity/index.ts'
import { DomainError, requireWithin } from '../refusal/index.ts'
import { changesOf, choice, figure, maybe, type Of, record } from '../shape/index.ts'

/** What a person may set; the rest follows. Lengths mm, angles degrees. All are our choice unless said otherwise. */
const trimChoices = {
  /** Behind the hamular notches: "just clear" (common practice). */
  backClearanceMillimetres: figure(-200, 200),
  /** Stone left outside the vestibule. */
  vestibuleAllowanceMillimetres: figure(-200, 200),
  /** From the canine centre to its corner, against the midline, labially outwards. */
  canineRayDegrees: figure(-360, 360),
  frontMaxDegrees: figure(-360, 360),
  /** 9.525 to 15.875 mm, 3/8 to 5/8 in (common practice). */
  heelMillimetres: figure(-200, 200, { example: 12.7 }),
}
const trimChoicesShape = record({
  ...trimChoices,
  /** Overrides the choice of the better side. */
  betterSide: maybe(choice(['right', 'left'])),
})
/** Only what is wanted otherwise than usual. */
export const trimChangesShape = changesOf(trimChoicesShape)
export type TrimChoices = Of<typeof trimChoicesShape>
export const usualTrimChoices: TrimChoices = {
  backClearanceMillimetres: 2,
  vestibuleAllowanceMillimetres: 0,
  canineRayDegrees: 45,
  frontMaxDegrees: 40,
  heelMillimetres: 12.7,
}
/** Heel lengths, both ends allowed: 3/8 to 5/8 in (common practice). */
export const heelRange = { min: millimetresFromInches(3 / 8), max: millimetresFromInches(5 / 8) } as const

/** What a hand sets on the trimmer: outside these a slip (choice). */
const choiceLimits = [
  ['backClearanceMillimetres', 'The clearance behind the notches', 0, 20, 'millimetres'],
  ['vestibuleAllowanceMillimetres', 'The stone left outside the vestibule', 0, 10, 'millimetres'],
  ['canineRayDegrees', 'The angle at the canine', 0, 90, 'degrees'],
  ['frontMaxDegrees', 'The steepest front', 10, 80, 'degrees'],
] as const

/** @throws {DomainError} `heel-range`, `trim-choice` */
export function checkTrimChoices(choices: TrimChoices): void {
  for (const [field, what, least, most, kind] of choiceLimits)
    requireWithin(choices[field], { least, most, what, field: `choices.${field}`, kind, code: 'trim-choice' })
  const { heelMillimetres } = choices
  if (!(heelMillimetres >= heelRange.min - 1e-9 && heelMillimetres <= heelRange.max + 1e-9))
    throw new DomainError(
      'heel-range',
      saying`A heel of ${qty.mm(heelMillimetres)} is not wanted.`,
      'Choose 9.525 to 15.875 mm (3/8 to 5/8 in).',
      'heelMillimetres',
    )
}
