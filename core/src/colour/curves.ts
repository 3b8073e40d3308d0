import { DomainError } from '../refusal/index.ts'
import { colourDifference, type Lab, labOf } from './lab.ts'

/** Wavelengths of a curve: 380 to 780 nm by 10 nm. */
export const CURVE_NANOMETRES: readonly number[] = Array.from({ length: 41 }, (_, n) => 380 + 10 * n)

const micro = (text: string) => {
  const values = text.split(' ').map((each) => Number(each) / 1e6)
  return [...values, ...new Array<number>(41 - values.length).fill(0)]
}
/** Colour-matching functions of the standard observer. Source: CIE 1931, CIE 15, recalled. */
const observer = [
  micro(
    '1368 4243 14310 43510 134380 283900 348280 336200 290800 195360 95640 32010 4900 9300 63270 165500 290400 433450 594500 762100 916300 1026300 1062200 1002600 854450 642400 447900 283500 164900 87400 46770 22700 11359 5790 2899 1440 690 332 166 83 42',
  ),
  micro(
    '39 120 396 1210 4000 11600 23000 38000 60000 90980 139020 208020 323000 503000 710000 862000 954000 994950 995000 952000 870000 757000 631000 503000 381000 265000 175000 107000 61000 32000 17000 8210 4102 2091 1047 520 249 120 60 30 15',
  ),
  micro(
    '6450 20050 67850 207400 645600 1385600 1747060 1772110 1669200 1287640 812950 465180 272000 158200 78250 42160 20300 8750 3900 2100 1650 1100 800 340 190 50 20',
  ),
]
/** Daylight. Source: CIE 15, recalled. */
const D65 =
  '49.9755 54.6482 82.7549 91.486 93.4318 86.6823 104.865 117.008 117.812 114.861 115.923 108.811 109.354 107.802 104.79 107.689 104.405 104.046 100 96.3342 95.788 88.6856 90.0062 89.5991 87.6987 83.2886 83.6992 80.0268 80.2146 82.2778 78.2842 69.7213 71.6091 74.349 61.604 69.8856 75.087 63.5927 46.4182 66.8054 63.3828'
    .split(' ')
    .map(Number)
/** A filament lamp, 2856 K. Source: CIE 15 (formula). */
const A = CURVE_NANOMETRES.map(
  (nm) =>
    100 * (560 / nm) ** 5 * ((Math.exp(1.435e7 / (2848 * 560)) - 1) / (Math.exp(1.435e7 / (2848 * nm)) - 1)),
)
export const illuminants = { D65, A } as const
export type Illuminant = keyof typeof illuminants

/** X, Y and Z of a curve under a light; a perfect reflector has Y 100. */
export function xyzOf(
  curve: readonly number[],
  light: Illuminant,
  field = 'curve',
): [number, number, number] {
  if (curve.length !== CURVE_NANOMETRES.length || !curve.every((each) => each >= 0 && each <= 2))
    throw new DomainError(
      'curve-not-understood',
      'A curve has 41 reflectances from 380 to 780 nm by 10 nm, 0 to 1.',
      'Export it in those steps.',
      field,
    )
  const energy = illuminants[light]
  const whole = energy.reduce((sum, e, n) => sum + e * observer[1]![n]!, 0)
  const [x, y, z] = observer.map((channel) =>
    curve.reduce((sum, r, n) => sum + (100 * r * energy[n]! * channel[n]!) / whole, 0),
  )
  return [x!, y!, z!]
}

/** White under a light: the same sums of a perfect reflector, which so is exactly L* 100, a* 0, b* 0. */
export const whiteOf = (light: Illuminant) =>
  xyzOf(
    CURVE_NANOMETRES.map(() => 1),
    light,
  )

const labUnder = (xyz: readonly number[], light: Illuminant): Lab => {
  const white = whiteOf(light)
  return labOf(xyz.map((value, n) => value / white[n]!))
}
export const labOfCurve = (curve: readonly number[], light: Illuminant): Lab =>
  labUnder(xyzOf(curve, light), light)

/**
 * Whether a match in daylight holds under a lamp: differences under both, and the special index with the daylight difference taken
 * out channel by channel. Curves as measured only: one made from L*a*b* says nothing about it.
 * Source: CIE 15, special metamerism index, recalled.
 */
export function metamerism(target: readonly number[], sample: readonly number[]) {
  const [t65, s65, tA, sA] = [
    xyzOf(target, 'D65', 'target'),
    xyzOf(sample, 'D65', 'sample'),
    xyzOf(target, 'A', 'target'),
    xyzOf(sample, 'A', 'sample'),
  ]
  const corrected = sA.map((value, n) => (value * t65[n]!) / s65[n]!)
  return {
    daylight: colourDifference(labUnder(t65, 'D65'), labUnder(s65, 'D65')),
    lamp: colourDifference(labUnder(tA, 'A'), labUnder(sA, 'A')),
    index: colourDifference(labUnder(tA, 'A'), labUnder(corrected, 'A')),
  }
}
