import { differenceCiede2000, modeLab65, useMode } from 'culori/fn'
import { DomainError } from '../refusal/index.ts'
import { figure, type Of, record } from '../shape/index.ts'

useMode(modeLab65)
const ciede2000 = differenceCiede2000()

/** A colour as CIELAB, D65, 2 degrees. */
export const labShape = record({
  L: figure(-1e6, 1e6, { example: 80 }),
  a: figure(-1e6, 1e6, { example: 2 }),
  b: figure(-1e6, 1e6, { example: 18 }),
})
export type Lab = Of<typeof labShape>

/** Refuses what is no colour. @throws {DomainError} `not-a-number`, `lightness-out-of-range` */
export function checkLab(colour: Lab, field: string): void {
  if (![colour.L, colour.a, colour.b].every(Number.isFinite))
    throw new DomainError(
      'not-a-number',
      'A colour has a figure that is no number.',
      'Enter L*, a* and b*.',
      field,
    )
  if (!(colour.L >= 0 && colour.L <= 100))
    throw new DomainError(
      'lightness-out-of-range',
      `L* ${colour.L} is no lightness.`,
      'Enter L* from 0 to 100.',
      field,
    )
}

/** How far apart two colours are, CIEDE2000 with kL = kC = kH = 1. Source: Sharma, Wu and Dalal 2005. */
export const colourDifference = (one: Lab, other: Lab): number =>
  ciede2000(
    { mode: 'lab65', l: one.L, a: one.a, b: one.b },
    { mode: 'lab65', l: other.L, a: other.a, b: other.b },
  )

const BEND = 6 / 29
const inverse = (t: number) => (t > BEND ? t ** 3 : 3 * BEND ** 2 * (t - 4 / 29))
const forward = (m: number) => (m > BEND ** 3 ? Math.cbrt(m) : m / (3 * BEND ** 2) + 4 / 29)

/** The three bands of a colour, X/Xn, Y/Yn, Z/Zn: no white point enters. Source: CIE 15 (exact). */
export function bandsOf({ L, a, b }: Lab): [number, number, number] {
  const y = (L + 16) / 116
  return [inverse(y + a / 500), inverse(y), inverse(y - b / 200)]
}

/** And back. */
export function labOf([x, y, z]: readonly number[]): Lab {
  const [fx, fy, fz] = [forward(x!), forward(y!), forward(z!)]
  return { L: 116 * fy - 16, a: 500 * (fx - fy), b: 200 * (fy - fz) }
}

/** L* of the Y band. */
export const lightnessOf = (y: number): number => 116 * forward(y) - 16

/** White of sRGB as X, Y, Z, and the way from XYZ to its linear channels. Source: IEC 61966-2-1, recalled. */
const WHITE = [0.95047, 1, 1.08883] as const
const TO_RGB = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
] as const

/** A colour on a screen, channels 0 to 255. A screen is no shade match. */
export interface ShownColour {
  readonly rgb: readonly [number, number, number]
  /** By how much its chroma was drawn in to fit: 1 where it can be shown. */
  readonly chroma: number
}

/** The nearest colour of a screen: what it cannot show loses chroma, never lightness. */
export function shownColour(colour: Lab): ShownColour {
  const linear = (t: number) => {
    const bands = bandsOf({ L: colour.L, a: colour.a * t, b: colour.b * t })
    return TO_RGB.map((row) => row.reduce((sum, part, n) => sum + part * bands[n]! * WHITE[n]!, 0))
  }
  const fits = (t: number) => linear(t).every((channel) => channel >= -1e-6 && channel <= 1 + 1e-6)
  let [low, high] = [0, 1]
  if (fits(1)) low = 1
  else
    for (let n = 0; n < 50; n++) {
      const middle = (low + high) / 2
      if (fits(middle)) low = middle
      else high = middle
    }
  const [r, g, b] = linear(low).map((channel) => {
    const within = Math.max(0, Math.min(1, channel))
    return Math.round(255 * (within <= 0.0031308 ? 12.92 * within : 1.055 * within ** (1 / 2.4) - 0.055))
  })
  return { rgb: [r!, g!, b!], chroma: low }
}
