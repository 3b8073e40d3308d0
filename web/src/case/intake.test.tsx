import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { routeTemplates } from '@yentrik/core'
import { START } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { storedDraft } from '../parts/draft.ts'
import { refusal, serverWith, show } from '../testing/lab.tsx'
import { readIntake } from './ImportIntakes.tsx'
import { IntakeScreen } from './IntakeScreen.tsx'
import { choicesOf, emptyIntake, type Intake, intakeFaults, intakeOf } from './intake.ts'

const atStart = () =>
  useLabClock.setState({ labMillis: START, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
const typed: Intake = {
  ...emptyIntake,
  clinic: ' Mill Lane ',
  prescriber: 'Dr. Orla',
  patientCode: 'P-7',
  dueDay: '2026-03-20',
}

describe('a work authorisation as it is typed', () => {
  it('is sent trimmed, with what it is in words and the choices of the prescription', () => {
    expect(intakeOf({ ...typed, teeth: '46, 47', enclosures: 'tray,\n bite ,', notes: ' ' }, 'fdi')).toEqual({
      docket: undefined,
      authorisation: {
        clinic: 'Mill Lane',
        prescriber: 'Dr. Orla',
        patientCode: 'P-7',
        patientAge: undefined,
        wanted: 'Study cast, upper',
        teeth: [46, 47],
        shade: undefined,
        dueAt: new Date(2026, 2, 20, 12, 0).toISOString(),
        enclosures: ['tray', 'bite'],
        notes: undefined,
      },
      jobs: [
        {
          templateId: 'study-cast',
          choices: { arch: 'upper' },
          impressions: [{ of: 'impression', material: 'alginate' }],
        },
      ],
    })
  })
  it('takes teeth as the bench writes them', () => {
    // Universal 30 is FDI 46 (ISO 3950; ADA, recalled).
    expect(intakeOf({ ...typed, teeth: '30' }, 'universal').authorisation.teeth).toEqual([46])
  })
  it('keeps a choice that the job has, and takes the usual one for another', () => {
    expect(choicesOf({ ...typed, choices: { arch: 'lower' } })).toEqual({ arch: 'lower' })
    expect(choicesOf({ ...typed, choices: { arch: 'both', colour: 'red' } })).toEqual({ arch: 'upper' })
  })
  it.each<[Partial<Intake>, keyof Intake, string]>([
    [{ clinic: ' ' }, 'clinic', 'Enter the clinic.'],
    [{ prescriber: '' }, 'prescriber', 'Enter who prescribes.'],
    [{ patientCode: '' }, 'patientCode', 'Enter the code on the box, not a name.'],
    [{ patientAge: '131' }, 'patientAge', 'Enter whole years, 0 to 130.'],
    [{ patientAge: '7.5' }, 'patientAge', 'Enter whole years, 0 to 130.'],
    [{ docket: 'K 7' }, 'docket', 'Letters, digits and hyphens only, at most 24.'],
    [{ docket: '-7' }, 'docket', 'Letters, digits and hyphens only, at most 24.'],
    [{ docket: 'K'.repeat(25) }, 'docket', 'Letters, digits and hyphens only, at most 24.'],
    [{ dueTime: '' }, 'dueDay', 'Enter the day and time.'],
    [{ dueDay: '2026-02-31' }, 'dueDay', 'Enter the day and time.'],
    [{ dueDay: '2026-03-01' }, 'dueDay', 'It is past. Enter the date the clinic wants it back.'],
  ])('%j is told at its field: %s', (change, field, sentence) => {
    atStart()
    const faults = intakeFaults({ ...typed, ...change }, 'fdi')
    expect(faults[field]).toBe(sentence)
    expect(Object.values(faults).filter((fault) => fault !== undefined)).toHaveLength(1)
  })
  it.each(['130', '0', ''])('an age of "%s" is one', (patientAge) => {
    atStart()
    expect(intakeFaults({ ...typed, patientAge }, 'fdi').patientAge).toBeUndefined()
  })
  it('a try-in is before the due date, at the same hour; none is as good', () => {
    atStart()
    const tryInAt = (tryInDay: string) => intakeOf({ ...typed, tryInDay }, 'fdi').authorisation.tryInAt
    const fault = (tryInDay: string) => intakeFaults({ ...typed, tryInDay }, 'fdi').tryInDay
    expect(tryInAt('2026-03-10')).toBe(new Date(2026, 2, 10, 12, 0).toISOString())
    expect(tryInAt('')).toBeUndefined()
    expect(['2026-03-19', ''].map(fault)).toEqual([undefined, undefined])
    expect(fault('2026-03-20')).toBe('It is not before the due date.')
    expect(fault('2026-02-31')).toBe('Enter the day, or leave it empty.')
  })
  it('the materials of the order go along as they were written', () => {
    expect(intakeOf({ ...typed, materials: ' gold type 3 ' }, 'fdi').authorisation.materials).toBe(
      'gold type 3',
    )
    expect(intakeOf(typed, 'fdi').authorisation.materials).toBeUndefined()
  })
  it('a fixed job without its teeth is told so at their field, by what it wants', () => {
    atStart()
    const fault = (teeth: string) => intakeFaults({ ...typed, templateId: 'cast-bridge', teeth }, 'fdi').teeth
    expect(String(fault('35, 37'))).toContain('Enter both retainers and the pontic.')
    expect(fault('35, 36, 37')).toBeUndefined()
  })
  it('a tooth that is none is told in the words of the core', () => {
    atStart()
    expect(String(intakeFaults({ ...typed, teeth: '99' }, 'fdi').teeth)).toMatch(/99/)
  })
})

describe('a row of a file', () => {
  const row = (cells: object) => ({
    line: 2,
    cells: {
      Job: 'Study cast',
      Choices: '',
      Clinic: 'Mill Lane',
      Prescriber: 'Dr. Orla',
      'Patient code': 'P-7',
      Age: '',
      Due: '2026-03-20',
      At: '',
      'Try-in': '',
      Teeth: '',
      Materials: '',
      Shade: '',
      Docket: '',
      'Came along': '',
      Notes: '',
      ...cells,
    },
  })
  it('is a work authorisation, with the hour that is usual where it names none', () =>
    expect(readIntake(row({}))).toMatchObject({
      ok: true,
      value: {
        templateId: 'study-cast',
        clinic: 'Mill Lane',
        dueDay: '2026-03-20',
        dueTime: '12:00',
        choices: {},
      },
    }))
  it('takes choices in words, with commas between', () => {
    expect(readIntake(row({ Choices: ' Lower ' }))).toMatchObject({
      ok: true,
      value: { choices: { arch: 'lower' } },
    })
    expect(readIntake(row({ Job: 'implant-verification', Choices: 'lower, 6' }))).toMatchObject({
      ok: true,
      value: { choices: { arch: 'lower', implants: '6' } },
    })
  })
  it.each([
    [{ Job: 'magic' }, /^There is no job "magic"\. Write one of: Articulator mounting; /],
    [{ Due: '20.3.2026' }, /^"20\.3\.2026" is no day\. Write it as 2026-12-09\.$/],
    [{ Choices: 'sideways' }, /^"sideways" is no choice of Study cast\.$/],
  ])('%j is refused', (cells, sentence) => {
    const read = readIntake(row(cells))
    expect(read.ok).toBe(false)
    expect(read.ok ? '' : String(read.sentence)).toMatch(sentence)
  })
})

describe('the intake', () => {
  const open = (answers: object = {}) => {
    atStart()
    const sent = serverWith({ 'GET /cases': [], 'POST /cases': { caseId: 'c-new' }, ...answers })
    return { ...show(<IntakeScreen />, { at: '/cases/new', pattern: '/cases/new' }), sent }
  }
  const fill = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
  const posted = (sent: ReturnType<typeof serverWith>) => sent.filter(({ method }) => method === 'POST')
  it('offers every job, and the days that it usually takes', async () => {
    open()
    expect(screen.getAllByRole('radio').length).toBeGreaterThanOrEqual(routeTemplates.size)
    const day = () => screen.getByLabelText<HTMLInputElement>('Due on').value
    // 2 and 11 working days after Monday 2 March.
    expect(day()).toBe('2026-03-04')
    fireEvent.click(screen.getByText('Complete denture'))
    await waitFor(() => expect(day()).toBe('2026-03-17'))
  })
  it('takes the case in and opens it', async () => {
    const { user, sent, where } = open()
    fill('Clinic', 'Mill Lane')
    fill('Prescriber', 'Dr. Orla')
    fill('Patient code', 'P-7')
    await user.click(screen.getByText('Lower'))
    await user.click(screen.getByRole('button', { name: 'Take it in' }))
    await waitFor(() => expect(where()).toBe('/case/c-new'))
    expect(posted(sent)[0]?.body).toMatchObject({
      authorisation: { clinic: 'Mill Lane', wanted: 'Study cast, lower' },
      jobs: [
        {
          templateId: 'study-cast',
          choices: { arch: 'lower' },
          impressions: [{ of: 'impression', material: 'alginate' }],
        },
      ],
    })
    expect(storedDraft('intake')).toBeUndefined()
  })
  it('sends nothing while something is missing, and says so at the button', async () => {
    const { user, sent } = open()
    fill('Clinic', 'Mill Lane')
    await user.click(screen.getByRole('button', { name: 'Take it in' }))
    expect(await screen.findByText('Mend what is marked; nothing is stored yet.')).toBeTruthy()
    expect(screen.getByText('Enter who prescribes.')).toBeTruthy()
    expect(posted(sent)).toEqual([])
    expect(storedDraft('intake')).toMatchObject({ clinic: 'Mill Lane' })
  })
  it('shows a refusal of the server at the entry that it names', async () => {
    const { user } = open({
      'POST /cases': refusal({ field: 'docket', detail: 'There is a K-7 already.', remedy: 'Take another.' }),
    })
    for (const [label, text] of [
      ['Clinic', 'a'],
      ['Prescriber', 'b'],
      ['Patient code', 'c'],
      ['Docket code', 'K-7'],
    ])
      fill(label!, text!)
    await user.click(screen.getByRole('button', { name: 'Take it in' }))
    expect((await screen.findByText('There is a K-7 already. Take another.')).textContent).toBeTruthy()
    expect(screen.getByLabelText('Docket code').getAttribute('aria-invalid')).toBe('true')
  })
})
