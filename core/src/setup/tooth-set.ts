import { DomainError, requireWithin } from '../refusal/index.ts'
import { figure, type Of, record, text } from '../shape/index.ts'
export const anteriorTeeth = ['central', 'lateral', 'canine'] as const
export const posteriorTeeth = ['firstPremolar', 'secondPremolar', 'firstMolar', 'secondMolar'] as const
export type AnteriorTooth = (typeof anteriorTeeth)[number]
export type PosteriorTooth = (typeof posteriorTeeth)[number]
export type ToothKind = AnteriorTooth | PosteriorTooth

/** A tooth's name as the bench says it. */
export const toothNames: Readonly<Record<ToothKind, string>> = {
  central: 'Central',
  lateral: 'Lateral',
  canine: 'Canine',
  firstPremolar: 'First premolar',
  secondPremolar: 'Second premolar',
  firstMolar: 'First molar',
  secondMolar: 'Second molar',
}

/** A set of teeth as the lab has measured it with a caliper, mm. The name is the lab's own. */
const toothMillimetres = figure(0, 100, { example: 8.9 })
const toothMeasures = {
  /** Widest, from contact to contact. */
  widthsMillimetres: record({
    central: toothMillimetres,
    lateral: toothMillimetres,
    canine: toothMillimetres,
    firstPremolar: toothMillimetres,
    secondPremolar: toothMillimetres,
    firstMolar: toothMillimetres,
    secondMolar: toothMillimetres,
  }),
  /** Neck to edge. */
  lengthsMillimetres: record({
    central: toothMillimetres,
    lateral: toothMillimetres,
    canine: toothMillimetres,
  }),
  /** Of the back teeth to their base. */
  cuspDegrees: figure(-90, 90, { example: 20 }),
}
export const toothMeasuresShape = record(toothMeasures)
export const toothSetShape = record({ name: text(60, { example: 'Broad 24' }), ...toothMeasures })
export type ToothSet = Of<typeof toothSetShape>

/**
 * Refuses a set that cannot be measured right.
 * @throws {DomainError} `words-missing`, `tooth-measure`
 */
export function checkToothSet({ name, widthsMillimetres, lengthsMillimetres, cuspDegrees }: ToothSet): void {
  if (name.trim() === '')
    throw new DomainError('words-missing', 'The set has no name.', 'Give it the name the lab uses.', 'name')
  for (const kind of [...anteriorTeeth, ...posteriorTeeth])
    requireWithin(widthsMillimetres[kind], {
      least: 3,
      most: 14,
      kind: 'millimetres',
      what: `The width of the ${toothNames[kind].toLowerCase()}`,
      field: kind,
      code: 'tooth-measure',
    })
  for (const kind of anteriorTeeth)
    requireWithin(lengthsMillimetres[kind], {
      least: 5,
      most: 16,
      kind: 'millimetres',
      what: `The length of the ${toothNames[kind].toLowerCase()}`,
      field: kind,
      code: 'tooth-measure',
    })
  requireWithin(cuspDegrees, {
    least: 0,
    most: 45,
    what: 'The cusp angle',
    field: 'cuspDegrees',
    code: 'tooth-measure',
  })
}

/** The upper or lower tooth of a side in ISO 3950 numbers. @example fdiOf('canine', 'upper', 'left') // 23 */
export function fdiOf(kind: ToothKind, arch: 'upper' | 'lower', side: 'right' | 'left'): number {
  const place = [...anteriorTeeth, ...posteriorTeeth].indexOf(kind) + 1
  const quadrant = arch === 'upper' ? (side === 'right' ? 1 : 2) : side === 'right' ? 4 : 3
  return quadrant * 10 + place
}
