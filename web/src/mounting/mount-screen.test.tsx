import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import { type DataOfKind, goodSheet } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { askingFor, caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { MountScreen } from './MountScreen.tsx'

const open = () => {
  serverWith({ 'GET /equipment': [] })
  return show(<MountScreen />, { at: '/mount', pattern: '/mount' })
}
const fill = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const text = (label: string) => screen.getByLabelText(label).textContent
const view = (name: string) => fireEvent.click(screen.getByRole('radio', { name }))
const guides = (condylar: string, incisal: string) => {
  fill('Condylar guide, right', condylar)
  fill('Condylar guide, left', condylar)
  fill('Incisal table', incisal)
}

describe('the articulator on its own', () => {
  // Worked in the model notes: 1 mm at a pin 100 mm out is 0.497 mm at a molar 50 mm out, 0.5 by similar triangles.
  it('says what the pin does at a tooth, and a tooth at the pin', () => {
    open()
    guides('30', '0')
    expect(text('First molars drops')).toBe('0.5 mm')
    expect(text('At the pin')).toBe('1.01 mm')
    fill('Opening at the first molars', 'wide')
    expect(screen.getByRole('alert').textContent).toContain('"wide" is not a number')
  })
  // The worked example of the model notes: 30°, 30°, 15°, 4 mm forwards.
  it('moves the jaw', () => {
    open()
    guides('30', '15')
    view('Forwards')
    expect(text('Left molar drops')).toBe('1.74 mm')
    expect(text('Incisors drops')).toBe('1.34 mm')
    view('To the right')
    expect(text('Right molar drops')).toBe('0.31 mm')
    expect(text('Left molar drops')).toBe('1.36 mm')
  })
  it('refuses what no jaw does, and keeps it', () => {
    open()
    view('Forwards')
    fill('Condyle forwards by', '-2')
    expect(screen.getAllByRole('alert')[0]!.textContent).toContain('Enter 0 mm or more.')
    expect(screen.getByLabelText<HTMLInputElement>('Condyle forwards by').value).toBe('-2')
  })
  it('keeps what was typed over a visit elsewhere', () => {
    const first = open()
    guides('41', '7')
    first.unmount()
    open()
    expect(screen.getByLabelText<HTMLInputElement>('Incisal table').value).toBe('7')
  })
})

describe('cusps that keep contact', () => {
  const triangle = () => {
    open()
    guides('30', '15')
    fill('Condyles apart', '101.6')
    fill('Incisors in front of the axis', '80.381203')
    fill('Occlusal plane below it', '35.788017')
    view('Cusps')
    fill('First molar, mm behind the incisors', '30.381203')
    fill('First molar, mm from the midline', '25')
  }
  const molar = () => screen.getByRole('row', { name: /First molar/ }).textContent
  // Worked in the model notes: an equilateral triangle of 101.6 mm, a sphere of 101.6 mm, a cusp at (50, 25).
  it('are worked out on the curve', () => {
    triangle()
    expect(molar()).toContain('1.73 mm')
    expect(molar()).toContain('15.1°')
  })
  it('say where the chosen teeth are too flat', () => {
    triangle()
    fill('Cusp angle of the chosen teeth', '5')
    expect(molar()).toContain('too flat')
    fill('Cusp angle of the chosen teeth', '40')
    expect(molar()).not.toContain('too flat')
  })
  it('of a curve that does not reach are refused, with the radius kept', () => {
    triangle()
    fill('Radius of the curve', '40')
    expect(screen.getAllByRole('alert')[0]!.textContent).toContain('does not reach all three points')
    view('Flat plane')
    expect(molar()).toContain('0 mm')
  })
  it('are typed in any unit of length', () => {
    triangle()
    fill('First molar, mm from the midline', '2.5 cm')
    expect(molar()).toContain('15.1°')
  })
})

describe('the articulator of a case', () => {
  it('is set as it is on record, and says what a knock has moved', async () => {
    const { bench, sheet, step } = askingFor('mounting', 'articulator-mounting')
    const good = goodSheet(sheet) as DataOfKind<'mounting'>
    bench.upTo(step.id)
    bench.sheet(step.id, sheet.id, { ...good, pinMillimetres: 0.05 })
    caseOnServer(bench)
    show(<MountScreen />, {
      at: `/mount?case=c1&job=job-1&step=${step.id}&sheet=${sheet.id}`,
      pattern: '/mount',
    })
    expect((await screen.findByRole('link', { name: 'K-1' })).getAttribute('href')).toBe('/case/c1')
    expect(screen.getByLabelText<HTMLInputElement>('Incisal table').value).toBe(
      String(good.articulator.incisalDegrees),
    )
    const knocked = screen.getByText(/^Disturbed\?/).closest('details')!
    fireEvent.change(within(knocked).getByLabelText('Pin reading now'), { target: { value: '0.55' } })
    expect(knocked.textContent).toContain('Pin reading: down by 0.5 mm, to 0.05 mm')
    fireEvent.change(within(knocked).getByLabelText('Pin reading now'), { target: { value: '0.05' } })
    expect(knocked.textContent).toContain('Read what it says now')
  })
  it('that has none on record says so', async () => {
    const { bench, sheet, step } = askingFor('mounting', 'articulator-mounting')
    caseOnServer(bench)
    show(<MountScreen />, {
      at: `/mount?case=c1&job=job-1&step=${step.id}&sheet=${sheet.id}`,
      pattern: '/mount',
    })
    expect(await screen.findByText(/no articulator is on its record yet/)).toBeTruthy()
  })
  it('is shown in inches on a bench that wants them', () => {
    usePreferences.setState({ units: 'us' })
    open()
    guides('30', '0')
    expect(text('First molars drops')).toMatch(/in$/)
  })
})
