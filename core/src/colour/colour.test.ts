import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { shelf } from '../testing/stain-shelf.ts'
import { refused } from '../testing/words.ts'
import {
  bandsOf,
  CURVE_NANOMETRES,
  colourDifference,
  film,
  glazed,
  type Lab,
  labOf,
  labOfCurve,
  metamerism,
  onSubstrate,
  overSurface,
  shownColour,
  stained,
  stainedColour,
  substrateOf,
  thickFilm,
  underSurface,
  whiteOf,
} from './index.ts'

const lab = (L: number, a: number, b: number): Lab => ({ L, a, b })
/** To the last digit that is given. */
const near = (found: readonly number[], wanted: readonly number[], digits: number) =>
  expect(
    found.map((each, n) => (Math.abs(each - wanted[n]!) < 0.7 * 10 ** -digits ? wanted[n] : each)),
  ).toEqual(wanted)
const parts = ({ L, a, b }: Lab) => [L, a, b]
const block = lab(84, 1, 13)
const pot = (name: string) => shelf.find((each) => each.name === name)!

// The 34 pairs of Sharma, Wu and Dalal 2005: L1 a1 b1 / L2 a2 b2 / ΔE00.
const PAIRS =
  `50 2.6772 -79.7751/50 0 -82.7485/2.0425; 50 3.1571 -77.2803/50 0 -82.7485/2.8615; 50 2.8361 -74.02/50 0 -82.7485/3.4412; 50 -1.3802 -84.2814/50 0 -82.7485/1; 50 -1.1848 -84.8006/50 0 -82.7485/1; 50 -.9009 -85.5211/50 0 -82.7485/1; 50 0 0/50 -1 2/2.3669;
50 -1 2/50 0 0/2.3669; 50 2.49 -.001/50 -2.49 .0009/7.1792; 50 2.49 -.001/50 -2.49 .001/7.1792; 50 2.49 -.001/50 -2.49 .0011/7.2195; 50 2.49 -.001/50 -2.49 .0012/7.2195; 50 -.001 2.49/50 .0009 -2.49/4.8045; 50 -.001 2.49/50 .001 -2.49/4.8045;
50 -.001 2.49/50 .0011 -2.49/4.7461; 50 2.5 0/50 0 -2.5/4.3065; 50 2.5 0/73 25 -18/27.1492; 50 2.5 0/61 -5 29/22.8977; 50 2.5 0/56 -27 -3/31.903; 50 2.5 0/58 24 15/19.4535; 50 2.5 0/50 3.1736 .5854/1;
50 2.5 0/50 3.2972 0/1; 50 2.5 0/50 1.8634 .5757/1; 50 2.5 0/50 3.2592 .335/1; 60.2574 -34.0099 36.2677/60.4626 -34.1751 39.4387/1.2644; 63.0109 -31.0961 -5.8663/62.8187 -29.7946 -4.0864/1.263; 61.2901 3.7196 -5.3901/61.4292 2.248 -4.962/1.8731; 35.0831 -44.1164 3.7933/35.0232 -40.0716 1.5901/1.8645;
22.7233 20.0904 -46.694/23.0331 14.973 -42.5619/2.0373; 36.4612 47.858 18.3852/36.2715 50.5065 21.2231/1.4146; 90.8027 -2.0831 1.441/91.1528 -1.6435 .0447/1.4441; 90.9257 -.5406 -.9208/88.6381 -.8985 -.7239/1.5381; 6.7747 -.2908 -2.4247/5.8714 -.0985 -2.2286/.6377; 2.0776 .0795 -1.135/.9033 -.0636 -.5514/.9082`
    .split(';')
    .map((pair) =>
      pair
        .trim()
        .split('/')
        .map((part) => part.trim().split(' ').map(Number)),
    )

describe('how far apart two colours are', () => {
  it('agrees with every published pair to four places', () => {
    expect(PAIRS).toHaveLength(34)
    const found = PAIRS.map(([one, other]) =>
      colourDifference(lab(one![0]!, one![1]!, one![2]!), lab(other![0]!, other![1]!, other![2]!)),
    )
    near(
      found,
      PAIRS.map(([, , wanted]) => wanted![0]!),
      4,
    )
  })
})

// Figures of the film: worked out by two methods outside the project.
describe('bands and surface', () => {
  it('of a colour, and what lies under its surface', () => {
    near(bandsOf(lab(80, 2, 18)), [0.575071, 0.566813, 0.401272], 6)
    near(
      bandsOf(lab(80, 2, 18)).map((m) => underSurface(m)),
      [0.788803, 0.782796, 0.642278],
      6,
    )
    near(
      bandsOf(lab(80, 2, 18)).map((m) => underSurface(m, 'included')),
      [0.75892, 0.752496, 0.601355],
      6,
    )
    near([underSurface(0.5), underSurface(0.5, 'included'), overSurface(1)], [0.730994, 0.69697, 0.96], 6)
  })
  it('there and back, dark colours too', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 99, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: -20, max: 40, noNaN: true }),
        (L, a, b) => {
          const back = labOf(bandsOf(lab(L, a, b)))
          expect(Math.hypot(back.L - L, back.a - a, back.b - b)).toBeLessThan(1e-9)
        },
      ),
    ))
  it('glazing darkens and deepens a matt block by itself', () =>
    near(parts(glazed(lab(82, 1, 13))), [79.7832, 1.0466, 13.6924], 4))
})

describe('a film', () => {
  const on = (K: number, S: number, under: number) => onSubstrate(film(K, S), under)
  it('scatters, absorbs, or is thick', () => {
    near([on(0, 0.5, 0.3), on(0.2, 0, 0.6), thickFilm(0.5, 1)], [0.481481, 0.402192, 0.381966], 6)
    const { reflects, passes } = film(0.02, 0.1)
    near(
      [reflects, passes, on(0.02, 0.1, 0.7), on(0.02, 0.1, 0.2)],
      [0.089169, 0.8910362, 0.68193, 0.2508413],
      7,
    )
    near([on(0.02, 0.1, on(0.02, 0.1, 0.7))], [0.6656376], 7)
  })
  it('moves from its substrate towards its thick film and never past it; two equal ones are one of twice as much', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        (K, S, under) => {
          const found = on(K, S, under)
          const far = S === 0 ? 0 : thickFilm(K, S)
          const [low, high] = [Math.min(under, far), Math.max(under, far)]
          expect(found >= low - 1e-9 && found <= high + 1e-9).toBe(true)
          expect(Math.abs(on(K, S, found) - on(2 * K, 2 * S, under))).toBeLessThan(1e-9)
        },
      ),
    ))
  it.each([
    ['ochre body', [82.704, 0.995, 16.91], 2.501],
    ['brown body', [79.863, 4.638, 15.71], 5.28],
    ['grey', [81.049, 0.928, 12.484], 2.017],
    ['blue', [81.668, -0.144, 9.341], 3.236],
    ['pink', [82.332, 3.743, 12.507], 3.742],
    ['brightener', [83.944, 0.995, 12.745], 0.166],
    ['white', [84.11, 0.972, 12.318], 0.441],
  ])('one coat of %s on a light block', (name, colour, difference) => {
    const found = stainedColour(block, [{ pot: pot(name), coats: 1 }])
    near(parts(found), colour, 3)
    near([colourDifference(found, block)], [difference], 3)
  })
  it('a mix is one film; one on the other differs by nothing that is seen', () => {
    const mixed = stainedColour(block, [
      { pot: pot('ochre body'), coats: 1 },
      { pot: pot('brown body'), coats: 0.5 },
    ])
    near(parts(mixed), [80.6501, 2.8444, 18.0351], 4)
    const first = stained(substrateOf(block, 'excluded', 'block'), [{ pot: pot('brown body'), coats: 0.5 }])
    const layered = labOf(
      stained(first, [{ pot: pot('ochre body'), coats: 1 }]).map((band) => overSurface(band)),
    )
    expect(colourDifference(mixed, layered)).toBeLessThan(0.04)
    const white = (coats: number) => stainedColour(lab(68, 4, 20), [{ pot: pot('white'), coats }]).L
    near([white(2), white(8)], [69.956, 74.357], 3)
  })
  it('a veneer over a stump is a film too', () => {
    const veneer = { name: 'block', absorption: [0.04, 0.045, 0.11], scattering: [0.8, 0.78, 0.7] }
    for (const [mm, colour] of [
      [0.5, [65.517, 5.317, 17.867]],
      [1, [67.955, 4.972, 16.094]],
      [1.5, [69.696, 4.808, 15.394]],
    ] as const)
      near(parts(stainedColour(lab(62, 6, 22), [{ pot: veneer, coats: mm }])), colour, 3)
  })
  it('a reading that no glazed surface gives is refused', () => {
    const against = refused(() => stainedColour(lab(100, 20, 0), []))
    expect([against?.code, against?.field]).toEqual(['reading-above-surface', 'blockLab'])
  })
})

describe('on a screen', () => {
  it('what can be shown is, and what cannot loses chroma alone', () => {
    expect(shownColour(lab(80, 2, 18))).toEqual({ rgb: [215, 196, 165], chroma: 1 })
    expect(shownColour(block)).toEqual({ rgb: [222, 208, 185], chroma: 1 })
    // White and black are the ends of a screen; of chroma there is none to draw in.
    expect(shownColour(lab(0, 0, 0)).rgb).toEqual([0, 0, 0])
    expect(shownColour(lab(100, 0, 0)).rgb).toEqual([255, 255, 255])
    const { rgb, chroma } = shownColour(lab(94, 1, 35))
    expect(rgb).toEqual([255, 236, 198])
    expect(Math.abs(chroma - 0.5995)).toBeLessThan(0.0005)
  })
})

describe('curves', () => {
  const flat = CURVE_NANOMETRES.map(() => 0.6)
  const wave = CURVE_NANOMETRES.map((nm) => 0.6 + 0.08 * Math.sin((2 * Math.PI * (nm - 380)) / 120))
  it('a perfect reflector is white under both lights', () => {
    near(whiteOf('D65'), [95.0174, 100, 108.8128], 4)
    near(whiteOf('A'), [109.8311, 100, 35.5456], 4)
    for (const light of ['D65', 'A'] as const)
      near(
        parts(
          labOfCurve(
            CURVE_NANOMETRES.map(() => 1),
            light,
          ),
        ),
        [100, 0, 0],
        9,
      )
  })
  it('a match in daylight may differ under a lamp', () => {
    const { daylight, lamp, index } = metamerism(flat, wave)
    near([daylight, lamp, index], [6.9745, 4.5769, 3.1085], 3)
    expect(metamerism(flat, flat).index).toBeCloseTo(0, 9)
  })
  it('a curve of other steps is refused', () =>
    expect(refused(() => labOfCurve(flat.slice(1), 'D65'))?.code).toBe('curve-not-understood'))
})
