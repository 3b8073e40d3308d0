import { DomainError } from '../refusal/index.ts'
import { CURVE_NANOMETRES, labOfCurve } from './curves.ts'
import { checkLab, type Lab } from './lab.ts'

/** A colour with the name it was read under; with its curve where one was measured. */
export interface NamedReading {
  readonly name: string
  readonly colour: Lab
  readonly curve?: readonly number[]
}

const wrong = (line: number, what: string, remedy: string) =>
  new DomainError('readings-not-understood', `Line ${line}: ${what}.`, remedy, 'file')

/** Columns of a table of colours, and of curves: reflectance 0 to 1, or in percent where the heading says so. */
const HEAD = ['name', 'L*', 'a*', 'b*'] as const

/**
 * Readings out of the rows of a table: `name, L*, a*, b*` (CIELAB, D65/2°), or `name` and 41 columns `380 nm` to `780 nm`, each a
 * reflectance 0 to 1, or `380 nm %`.
 * @throws {DomainError} `readings-not-understood`, as `checkLab`
 */
export function readReadings([first = [], ...rows]: readonly (readonly string[])[]): readonly NamedReading[] {
  const head = first.map((each) => each.trim())
  const curve = head.length === 1 + CURVE_NANOMETRES.length
  const percent = curve && head.slice(1).every((each) => /%/.test(each))
  const bare = (each = '') => each.toLowerCase().replace('*', '')
  const asWanted = curve
    ? head.slice(1).every((each, n) => Number.parseInt(each, 10) === CURVE_NANOMETRES[n] && /nm/.test(each))
    : HEAD.every((each, n) => bare(head[n]) === bare(each))
  if (!asWanted)
    throw wrong(
      1,
      'the heading is not known',
      `Head the columns ${HEAD.join(', ')}; or name and 380 nm to 780 nm by 10 nm, with % where the figures are percent.`,
    )
  return rows.flatMap((row, n) => {
    if (row.every((each) => each.trim() === '')) return []
    const [name = '', ...rest] = row.map((each) => each.trim())
    const figures = rest.map((each) => (each === '' ? Number.NaN : Number(each.replace(',', '.'))))
    if (figures.length !== head.length - 1 || !figures.every(Number.isFinite))
      throw wrong(n + 2, 'a figure is missing or no number', 'Fill it in, and read the file again.')
    if (!curve) {
      const colour = { L: figures[0]!, a: figures[1]!, b: figures[2]! }
      checkLab(colour, 'file')
      return [{ name, colour }]
    }
    const reflectances = percent ? figures.map((each) => each / 100) : figures
    return [{ name, colour: labOfCurve(reflectances, 'D65'), curve: reflectances }]
  })
}

/** Readings as the rows of a table, colours with two decimals. */
export const readingRows = (readings: readonly NamedReading[]): readonly (readonly string[])[] => [
  [...HEAD],
  ...readings.map(({ name, colour: { L, a, b } }) => [name, ...[L, a, b].map((each) => each.toFixed(2))]),
]
