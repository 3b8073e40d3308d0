import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { type DataOfKind, goodSheet } from '@yentrik/core'
import { askingFor, caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { SetUpScreen } from './SetUpScreen.tsx'

/** Central 8.9 mm wide and 11 mm long: the invented set of the core. */
const { toothSet } = (goodSheet(askingFor('setUpPlan').sheet) as DataOfKind<'setUpPlan'>).setUpEntry
const open = () => {
  serverWith({ 'GET /tooth-sets': [toothSet], 'GET /equipment': [] })
  return show(<SetUpScreen />, { at: '/set-up', pattern: '/set-up' })
}
const fill = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const view = (name: string) => fireEvent.click(screen.getByRole('radio', { name }))
const plan = () => screen.getByRole('region', { name: 'The plan' })

/** The rule laid across an invented cast: behind the front, rim and crest on each side. */
const ruler = [
  ['5', '13.8', '14', '', ''],
  ['10', '19.1', '18.9', '9.1', '8.9'],
  ['20', '24.6', '24.9', '17.4', '17.6'],
  ['30', '27.5', '27.3', '21.5', '21.3'],
  ['40', '', '', '23.2', '23.4'],
]
const columns = ['Behind the front', 'Rim, right', 'Rim, left', 'Crest, right', 'Crest, left']
const measured = () => {
  open()
  for (const [label, value] of [
    ['Rim front', '8'],
    ['Crest at the middle', '7'],
    ['Canine, right', '24'],
    ['Canine, left', '24'],
    ['High lip', '12.5'],
  ] as const)
    fill(label, value)
  for (const [row, cells] of ruler.entries())
    for (const [index, cell] of cells.entries()) if (cell) fill(`${columns[index]}, row ${row + 1}`, cell)
}
const rim = {
  'Centre line': '0',
  'Incisal level': '21.5',
  'Labial fullness': '8',
  'High-lip line': '12.5',
  'Canine line, 13': '24.5',
  'Canine line, 23': '24.5',
  'Plane, right molar': '18',
  'Plane, left molar': '18',
  Pin: '0',
}
const teeth = {
  'Centre line': '0',
  Pin: '0',
  'Incisal level, 11': '21.5',
  'Incisal level, 21': '21.5',
  'Fullness, 11': '8',
  'Fullness, 21': '8',
  'Canine line, 13': '24.5',
  'Canine line, 23': '24.5',
  'Plane, right molar': '18',
  'Plane, left molar': '18',
}

const choose = async () =>
  fireEvent.change(await screen.findByLabelText('Set of teeth'), { target: { value: toothSet.name } })

describe('a set-up that is planned', () => {
  it('says that a central is shorter than to the high-lip line', async () => {
    measured()
    view('Teeth')
    await choose()
    // Central 11 mm, high-lip line 12.5 mm up.
    expect(plan().textContent).toContain('1.5 mm shorter than to the high-lip line')
  })
  it('refuses a curve that does not reach the arch, and keeps its radius', async () => {
    measured()
    view('Teeth')
    await choose()
    view('Bite and curve')
    fill('Radius of the curve', '10')
    expect(within(plan()).getByRole('alert').textContent).toContain('does not reach both sides of the arch')
    expect(screen.getByLabelText<HTMLInputElement>('Radius of the curve').value).toBe('10')
    fill('Radius of the curve', '101.6')
    expect(within(plan()).queryByRole('alert')).toBeNull()
  })
  it('is there again after a visit elsewhere', () => {
    const first = open()
    fill('Rim front', '8.25')
    first.unmount()
    open()
    expect(screen.getByLabelText<HTMLInputElement>('Rim front').value).toBe('8.25')
  })
})

describe('a set-up that is held against the rim', () => {
  const compared = (changes: Partial<Record<keyof typeof teeth, string>>) => {
    open()
    view('Compare with the rim')
    for (const [label, value] of Object.entries(rim)) fill(label, value)
    fireEvent.click(screen.getByRole('button', { name: 'Now the teeth' }))
    for (const [label, value] of Object.entries({ ...teeth, ...changes })) fill(label, value)
    return screen.findByRole('region', { name: 'What to move' })
  }
  it('says how far the pin stands open', async () =>
    expect((await compared({ Pin: '0.4' })).textContent).toContain('The pin stands 0.4 mm open'))
  it('names the tooth that is off, and by how much', async () => {
    // 0.6 mm is more than the half millimetre that is let go (common practice).
    const move = await compared({ 'Incisal level, 21': '22.1' })
    expect(move.textContent).toContain('0.6 mm')
  })
  it('lets half a millimetre go', async () => {
    const move = await compared({ 'Incisal level, 21': '21.9' })
    expect(move.textContent).not.toContain('0.4 mm too')
  })
  it('wants every measure of the rim first', () => {
    open()
    view('Compare with the rim')
    fill('Incisal level', '21.5')
    fireEvent.click(screen.getByRole('button', { name: 'Now the teeth' }))
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0)
    expect(screen.queryByRole('region', { name: 'What to move' })).toBeNull()
  })
})

describe('the rim of a case', () => {
  it('goes into its record, and what cannot be right does not', async () => {
    const { bench, sheet, step } = askingFor('prescription')
    bench.upTo(step.id)
    const sent = caseOnServer(bench, { 'GET /tooth-sets': [] })
    const { user, where } = show(<SetUpScreen />, {
      at: `/set-up?case=c1&job=job-1&step=${step.id}&sheet=${sheet.id}`,
      pattern: '/set-up',
    })
    await screen.findByRole('button', { name: 'Record the prescription' })
    for (const [label, value] of Object.entries({ ...rim, 'Incisal level': '210' })) fill(label, value)
    await user.click(screen.getByRole('button', { name: 'Record the prescription' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Incisal level: 210 mm cannot be right.')
    expect(sent.filter(({ method }) => method === 'POST')).toEqual([])
    fill('Incisal level', '21.5')
    await user.click(screen.getByRole('button', { name: 'Record the prescription' }))
    await waitFor(() => expect(where()).toBe('/case/c1'))
    expect(bench.job.steps[step.id]!.sheets.at(-1)?.sheet).toMatchObject({
      kind: 'prescription',
      prescription: { incisalLevelMillimetres: 21.5 },
    })
    expect(goodSheet(sheet).kind).toBe('prescription')
  })
})
