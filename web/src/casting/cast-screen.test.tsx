import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import { serverWith, show } from '../testing/lab.tsx'
import { CastScreen } from './CastScreen.tsx'

const open = (view?: string) => {
  serverWith({
    'GET /lots': [],
    'GET /products': [],
    'GET /equipment': [],
    'GET /alloy-pieces': [],
    'GET /machine-runs': [],
    'GET /devices': { balance: null, dispenser: null, press: null },
  })
  const shown = show(<CastScreen />, { at: '/cast', pattern: '/cast' })
  if (view) fireEvent.click(screen.getByRole('radio', { name: view }))
  return shown
}
const fill = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const region = (name: string) => screen.getByRole('region', { name })

describe('the sprue and its ring', () => {
  // Worked in the model notes: 10 gauge on a 1.5 mm part has 0.86 of its modulus; a ball of 5.4 mm cures it.
  it('which freezes first, and what to do about it', () => {
    open()
    expect(region('Ring').textContent).toContain('The sprue freezes first')
    expect(region('Ring').textContent).toContain(
      'A ball of 5.4 mm within 1.5 mm of the pattern, or a sprue of 3.6 mm, gauge 7.',
    )
    fill('Thickest part', '1')
    expect(region('Ring').textContent).toContain('Stands right')
  })
  it('a gypsum-bonded ring wants more at its end', () => {
    open()
    fill('Thickest part', '1')
    fireEvent.click(screen.getByRole('radio', { name: 'Gypsum-bonded' }))
    expect(region('Ring').textContent).toContain('Shorten the sprue by 1.5 mm, or take a taller ring.')
  })
  it('takes the smallest ring of the lab that keeps every clearance', () => {
    open()
    fill('Thickest part', '1')
    fill('Pattern, high', '9')
    fill('Pattern, reaches out', '5.5')
    fill('Patterns in the ring', '3')
    expect(screen.getByLabelText('Ring that fits').textContent).toContain('Ring 48 mm')
    fireEvent.click(screen.getByRole('button', { name: 'Take it' }))
    // 48 mm less the liner of 1 mm on both sides.
    expect(screen.getByLabelText<HTMLInputElement>('Ring, inside').value).toBe('46')
    fill('Patterns in the ring', '12')
    expect(region('Ring').textContent).toContain('No ring of the lab takes them')
  })
  it('of no gauge is refused, and kept', () => {
    open()
    fill('Sprue', '80')
    expect(within(region('Ring')).getByRole('alert').textContent).toContain('There is no gauge 80 here.')
    expect(screen.getByLabelText<HTMLInputElement>('Sprue').value).toBe('80')
  })
})

describe('the metal', () => {
  const gold = () => {
    open('Metal')
    fireEvent.change(screen.getByRole('combobox', { name: 'Alloy' }), { target: { value: 'gold-type-2' } })
    fill('Density of the alloy', '15.5')
    fill('Patterns with sprues', '0.4')
  }
  // By hand: 0.40/0.95 x 15.5 + 6 = 12.526 g.
  it('is so much for the wax, and the button', () => {
    gold()
    expect(screen.getByLabelText('Alloy to melt').textContent).toBe('12.5 g')
  })
  // 18.526 g: 6.02 + 5.97 + 3.10 + 2.48 + 1.22 = 18.79 is the least that is enough.
  it('is taken from the pieces with the least left over, or says what is missing', () => {
    gold()
    fill('Button', '12')
    const pieces = screen.getByLabelText(/^Other pieces/)
    fireEvent.change(pieces, { target: { value: '6.02, 5.97, 6.05, 3.10, 2.48, 1.22, 12.10' } })
    expect(screen.getByLabelText('Pieces to take').textContent).toContain('18.79 g')
    fireEvent.change(pieces, { target: { value: '6.02, 5.97' } })
    expect(region('Alloy').textContent).toContain('6.54 g are missing.')
  })
  it('of another alloy has figures of its own', () => {
    gold()
    fireEvent.change(screen.getByRole('combobox', { name: 'Alloy' }), {
      target: { value: 'nickel-chromium' },
    })
    expect(screen.getByLabelText<HTMLInputElement>('Density of the alloy').value).toBe('8.3')
    expect(screen.getByRole('complementary', { name: 'Figures' }).textContent).toContain('beryllium')
  })
  it('keeps a word where a number should stand', () => {
    gold()
    fill('Button', 'small')
    expect(screen.getAllByRole('alert')[0]!.textContent).toContain('"small" is not a number')
    expect(screen.getByLabelText<HTMLInputElement>('Button').value).toBe('small')
  })
})

describe('the expansion', () => {
  // The example table of the model notes, made up inside recalled ranges.
  const table = [
    ['0', '0.20', '0.95'],
    ['25', '0.38', '1.02'],
    ['50', '0.58', '1.10'],
    ['75', '0.80', '1.18'],
    ['100', '1.05', '1.25'],
  ]
  const filled = () => {
    open('Expansion')
    for (const [row, cells] of table.entries())
      for (const [column, name] of ['Special liquid, %', 'Setting, %', 'Thermal at peak, %'].entries())
        fill(`${name}, row ${row + 1}`, cells[column]!)
  }
  it('asks for the own table of the investment first', () => {
    open('Expansion')
    expect(region('Fit').textContent).toContain("Copy the rows of the investment's own table")
  })
  it('says how much special liquid brings the gap that is wanted', () => {
    filled()
    expect(screen.getByLabelText('Special liquid', { selector: 'output' }).textContent).toBe('28 %')
    expect(region('Fit').textContent).toContain('worked out 28.2 %')
    fill('Wax cooled by', '10')
    expect(region('Fit').textContent).toContain('worked out 59.1 %')
  })
  it('says what is out of reach, and what the best is', () => {
    filled()
    fill('Alloy shrinks', '2.3')
    expect(region('Fit').textContent).toContain('Out of reach')
    expect(screen.getByLabelText('Gap at the best').textContent).toBe('28 µm')
  })
  it('refuses a table that does not rise', () => {
    filled()
    fill('Special liquid, %, row 2', '0')
    expect(region('Fit').textContent).toContain('The expansion table does not rise in special liquid.')
  })
})

describe('the arm', () => {
  it('says what its turns and its length do to the metal, and keeps what was typed', () => {
    open('Arm')
    expect(region('Arm').textContent).toContain('Speed not measured')
    fireEvent.change(screen.getByRole('combobox', { name: 'Alloy' }), { target: { value: 'gold-type-3' } })
    fill('Speed of the arm', '400')
    // Exact: 15 500 kg/m3 at 400 rpm between 0.22 and 0.25 m is 191.73 kPa; at 8300 kg/m3 102.67.
    expect(screen.getByLabelText('Pressure').textContent).toBe('192 kPa')
    fireEvent.change(screen.getByRole('combobox', { name: 'Alloy' }), {
      target: { value: 'nickel-chromium' },
    })
    expect(screen.getByLabelText('Pressure').textContent).toBe('103 kPa')
    expect(region('Arm').textContent).toContain('takes 4.1 turns here')
    fill('Metal from the axis', 'far')
    expect(screen.getAllByRole('alert')[0]!.textContent).toContain('"far" is not a number')
    expect(screen.getByLabelText<HTMLInputElement>('Metal from the axis').value).toBe('far')
  })
})

describe('the burnout', () => {
  it('says by when the ring goes in, whatever the core does meanwhile', () => {
    open('Burnout')
    fill('Ready to cast at', '09:30')
    // 46 + 60 + 64 + 30 + 40 + 60 min and 10 min of reserve before 09:30.
    expect(screen.getByLabelText('Put in at').textContent).toContain('04:20')
  })
  it('keeps an hour that is none', () => {
    open('Burnout')
    fill('Ready to cast at', '25:99')
    expect(screen.getByLabelText<HTMLInputElement>('Ready to cast at').value).toBe('25:99')
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0)
  })
})

describe('what was typed', () => {
  it('is there again after a visit elsewhere', () => {
    const first = open()
    fill('Thickest part', '1.25')
    first.unmount()
    open()
    expect(screen.getByLabelText<HTMLInputElement>('Thickest part').value).toBe('1.25')
  })
})
