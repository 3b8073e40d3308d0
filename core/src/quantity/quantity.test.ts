import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { gaugeMillimetres } from '../materials/index.ts'
import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  inchesFromMillimetres,
  psiFromKilopascals,
} from './convert.ts'
import {
  capital,
  displayUnit,
  formatQuantity,
  kilopascalsFromPsi,
  millimetresFromInches,
  parseTypedNumber,
  type QuantityKind,
  qty,
  saying,
  spoken,
  unfinished,
} from './index.ts'

describe('conversions', () => {
  // Exact: (165 - 32) · 5/9 = 73.888...
  it('165 °F is 73.89 °C', () => expect(celsiusFromFahrenheit(165)).toBeCloseTo(73.89, 2))
  // NIST SP 811: 1 psi = 6.894757 kPa; printed here in MPa to 3 decimals.
  it.each([
    [1500, 10.342],
    [3000, 20.684],
  ])('%d psi is %d MPa', (psi, megapascals) => {
    expect(kilopascalsFromPsi(psi) / 1000).toBeCloseTo(megapascals, 3)
  })
  // Exact: 1 in = 25.4 mm.
  it.each([
    [2.75, 69.85],
    [0.375, 9.525],
    [0.625, 15.875],
  ])('%d in is %d mm', (inches, millimetres) => {
    expect(millimetresFromInches(inches)).toBeCloseTo(millimetres, 10)
  })
  it('goes there and back again', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e4, max: 1e4, noNaN: true }), (x) => {
        expect(fahrenheitFromCelsius(celsiusFromFahrenheit(x))).toBeCloseTo(x, 8)
        expect(psiFromKilopascals(kilopascalsFromPsi(x))).toBeCloseTo(x, 8)
        expect(inchesFromMillimetres(millimetresFromInches(x))).toBeCloseTo(x, 8)
      }),
    )
  })
})

describe('gauge', () => {
  // ASTM B258: d = 0.127 · 92^((36 - n)/39) mm, printed to 4 figures.
  it.each([
    [28, 0.3211],
    [14, 1.628],
    [12, 2.053],
    [10, 2.588],
  ])('gauge %d is %d mm', (gauge, millimetres) => {
    expect(gaugeMillimetres(gauge)).toBeCloseTo(millimetres, millimetres < 1 ? 4 : 3)
  })
  it.each([-1, 41, 2.5, Number.NaN])('refuses gauge %d', (gauge) => {
    expect(() => gaugeMillimetres(gauge)).toThrow(expect.objectContaining({ code: 'gauge-out-of-range' }))
  })
})

describe('display', () => {
  it('shows the gauge in psi for a US lab and drops zeros that say nothing', () => {
    expect(formatQuantity(kilopascalsFromPsi(1500), 'kilopascals', 'us')).toBe('1500 psi')
    expect(formatQuantity(2.6, 'millimetres', 'metric')).toBe('2.6 mm')
    expect(formatQuantity(90, 'degrees', 'us')).toBe('90°')
    expect(formatQuantity(3, 'count', 'metric')).toBe('3')
  })
  it('reads back what it shows, in every unit', () => {
    const kinds: QuantityKind[] = ['millimetres', 'celsius', 'kilopascals', 'grams', 'minutes']
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.double({ min: 0, max: 500, noNaN: true }), (kind, x) => {
        const { fromStored, toStored } = displayUnit(kind, 'us')
        expect(toStored(fromStored(x))).toBeCloseTo(x, 8)
      }),
    )
  })
})

describe('typed numbers', () => {
  it.each([
    ['2.6', 2.6],
    ['2,6', 2.6],
    [' 100 ', 100],
    ['2.6 mm', 2.6],
    ['2.6MM', 2.6],
    ['.5', 0.5],
    ['-1', -1],
  ])('reads "%s"', (text, value) => expect(parseTypedNumber(text, 'mm')).toEqual({ ok: true, value }))
  it.each(['', 'abc', '1,234.5', '1.2.3', '2.6 g', '2.6 µ', '1e3', 'Infinity', '--1', 'mm'])(
    'refuses "%s"',
    (text) => {
      expect(parseTypedNumber(text, 'mm')).toEqual({ ok: false, sentence: expect.stringContaining('mm') })
    },
  )
  it.each([
    ['1,200', '1.200', '1200'],
    ['12,345', '12.345', '12345'],
    ['-1,500 mm', '-1.500', '-1500'],
  ])('asks about "%s", which can be read two ways', (text, small, large) => {
    const parsed = parseTypedNumber(text, 'mm')
    expect(parsed).toEqual({
      ok: false,
      sentence: `"${text}" can be read as ${small} or ${large}. Type the one that is meant.`,
    })
  })
  it.each([
    ['0,125', 0.125],
    ['1,20', 1.2],
    ['1.200', 1.2],
    ['1234,567', 1234.567],
  ])('"%s" leaves no doubt', (text, value) =>
    expect(parseTypedNumber(text, 'mm')).toEqual({ ok: true, value }),
  )
  it.each(['24,', '24.', '24, mm'])('"%s" stops at its separator: a digit may be missing', (text) =>
    expect(parseTypedNumber(text, 'mm').ok).toBe(false),
  )
  // Exact by definition: 1 in = 25.4 mm, 1 bar = 100 kPa, (F - 32) · 5/9; NIST SP 811: 1 psi = 6.894757 kPa.
  it.each([
    ['1 in', 'mm', 25.4],
    ['1"', 'mm', 25.4],
    ['2,6 cm', 'mm', 26],
    ['50 µm', 'mm', 0.05],
    ['25.4 mm', 'in', 1],
    ['165 °F', '°C', 73.8888889],
    ['100 c', '°F', 212],
    ['1500 psi', 'kPa', 10_342.1355],
    ['20 bar', 'kPa', 2000],
    ['2 MPa', 'kPa', 2000],
    ['0.25 kg', 'g', 250],
    ['1 L', 'mL', 1000],
    ['1.5 h', 'min', 90],
    ['90 s', 'min', 1.5],
    ['2 3/4 in', 'mm', 69.85],
    ['1/2 "', 'mm', 12.7],
  ])('understands "%s" in a field of %s', (text, unit, value) => {
    expect(parseTypedNumber(text, unit)).toEqual({ ok: true, value, converted: true })
  })
  it.each([
    ['5 mL', 'g'],
    ['5 g', ''],
    ['5 mm', '°'],
    ['5 °C', 'mm'],
    ['1/0', 'mm'],
    ['1/2/3', 'mm'],
    ['2 3', 'mm'],
  ])('does not take "%s" for a number in "%s"', (text, unit) => {
    expect(parseTypedNumber(text, unit).ok).toBe(false)
  })
  it('converts no difference of temperatures as if it were a temperature', () => {
    // 9 °F of difference are 5 °C (exact).
    expect(parseTypedNumber('9 °F', '°C', { apart: true })).toEqual({ ok: true, value: 5, converted: true })
    expect(parseTypedNumber('9 mm', '°C', { apart: true }).ok).toBe(false)
    // The same of a rate: 9 °F/min are 5 °C/min.
    expect(parseTypedNumber('9 °F/min', '°C/min')).toEqual({ ok: true, value: 5, converted: true })
    expect(parseTypedNumber('9 °C', '°C', { apart: true })).toEqual({ ok: true, value: 9 })
  })
})

describe('a bench that thinks in inches and Fahrenheit', () => {
  // NIST SP 811: exact factors; a difference of 1 °C is one of 1.8 °F, without the 32.
  it.each<[number, QuantityKind, string, string]>([
    [100, 'celsius', '100 °C', '212 °F'],
    [0, 'celsius', '0 °C', '32 °F'],
    [-40, 'celsius', '-40 °C', '-40 °F'],
    [10, 'celsiusApart', '10 °C', '18 °F'],
    [5, 'celsiusPerMinute', '5 °C/min', '9 °F/min'],
    [25.4, 'millimetres', '25.4 mm', '1 in'],
    // What was given as a fraction is one: the total height of a cast, a heel, half an inch.
    [69.85, 'millimetres', '69.85 mm', '2 3/4 in'],
    [19.05, 'millimetres', '19.05 mm', '3/4 in'],
    [12.7, 'millimetres', '12.7 mm', '1/2 in'],
    [-6.35, 'millimetres', '-6.35 mm', '-1/4 in'],
    [1.5875, 'millimetres', '1.59 mm', '1/16 in'],
    [25.4 + 1.5875, 'millimetres', '26.99 mm', '1 1/16 in'],
    [2.75 * 25.4, 'millimetres', '69.85 mm', '2 3/4 in'],
    [-0.625 * 25.4, 'millimetres', '-15.88 mm', '-5/8 in'],
    [12.5, 'millimetres', '12.5 mm', '0.492 in'],
    [250, 'grams', '250 g', '250 g'],
    [50, 'millilitres', '50 mL', '50 mL'],
  ])('%d %s is %s or %s, and comes back from both', (stored, kind, metric, us) => {
    expect(formatQuantity(stored, kind, 'metric')).toBe(metric)
    expect(formatQuantity(stored, kind, 'us')).toBe(us)
    for (const system of ['metric', 'us'] as const) {
      const { fromStored, toStored } = displayUnit(kind, system)
      expect(toStored(fromStored(stored))).toBeCloseTo(stored, 9)
    }
  })
})

describe('sentences that are put together', () => {
  it('a sentence loses its full stop, whether words or a quantity stand last', () => {
    expect(unfinished('Raise it.')).toBe('Raise it')
    expect(unfinished('2.5 mm')).toBe('2.5 mm')
    const [first, last] = [saying`Raise it by ${qty.mm(0.6)} at 21.`, saying`Raise it by ${qty.mm(0.6)}`]
    expect(spoken(unfinished(first), 'metric')).toBe('Raise it by 0.6 mm at 21')
    expect(unfinished(last)).toEqual(last)
  })
  it('begins with a capital, wherever a word stands first', () => {
    expect(capital('the ring')).toBe('The ring')
    expect(spoken(capital(saying`the ring at ${qty.celsius(850)}`), 'metric')).toBe('The ring at 850 °C')
    const figure = saying`${qty.celsius(850)} in the furnace`
    expect(capital(figure)).toEqual(figure)
  })
  it('joins words that touch into one, keeps figures apart, leaves out what is empty', () => {
    expect(saying`${''}a${'b'}${3}`).toBe('ab3')
    expect(saying`a ${saying`b ${qty.mm(1)}`} c`).toEqual(['a b ', qty.mm(1), ' c'])
  })
})
