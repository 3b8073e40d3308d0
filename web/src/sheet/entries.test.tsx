import { describe, expect, it, jest } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { type DataOfKind, goodSheet, type SheetData, type SheetKind, type StepSheet } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { askingFor, type StepAtHand } from '../testing/case.ts'
import { show } from '../testing/lab.tsx'
import { button, entry, type } from '../testing/sheet-entry.tsx'
import { StepSheetCard } from './StepSheetCard.tsx'

describe('parts that came along', () => {
  it('are suggested by the step, counted, and stored with their names', async () => {
    const { user, recorded } = entry('parts', {
      sheet: { suggested: ['Copings', 'Screws'], returnOf: undefined },
    })
    type('Copings', '4')
    type('Screws', '4')
    await user.click(button('Record'))
    expect(recorded).toEqual([
      {
        kind: 'parts',
        parts: [
          { name: 'Copings', count: 4 },
          { name: 'Screws', count: 4 },
        ],
      },
    ])
  })
  it('are not stored while a line makes no sense, and the line says why', async () => {
    const { user, recorded } = entry('parts', { sheet: { suggested: ['Screws'], returnOf: undefined } })
    type('Screws', 'four')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toContain('"four" is not a number')
    type('Screws', '3.5')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toBe('Enter a whole number.')
    expect(recorded).toEqual([])
    expect(screen.getByLabelText<HTMLInputElement>('Screws').value).toBe('3.5')
  })
  it('may be more or fewer lines', async () => {
    const { user, recorded } = entry('parts', {
      sheet: { suggested: ['Screws', 'Tray'], returnOf: undefined },
    })
    await user.click(button('Take away Tray'))
    await user.click(button('Another part'))
    fireEvent.change(screen.getAllByLabelText('What or where')[1]!, { target: { value: 'Bite' } })
    type('Bite', '1')
    type('Screws', '2')
    await user.click(button('Record'))
    expect(recorded[0]?.parts).toEqual([
      { name: 'Screws', count: 2 },
      { name: 'Bite', count: 1 },
    ])
  })
  it('what was typed at intake is not typed again', () => {
    entry('parts', {
      sheet: { suggested: ['Screws'], returnOf: undefined, withEnclosures: true },
      enclosures: ['Screws', 'Wax bite'],
    })
    expect(screen.getAllByLabelText('Wax bite')).toHaveLength(1)
    expect(screen.getAllByLabelText('Screws')).toHaveLength(1)
  })
  it('an unnamed one is asked for its name', async () => {
    const { user, recorded } = entry('parts', { sheet: { suggested: [''], returnOf: undefined } })
    type('Value', '1')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toBe('Name the part, or take the line away.')
    expect(recorded).toEqual([])
  })
  it('keep what was typed until they are stored', async () => {
    const first = entry('parts', { sheet: { suggested: ['Screws'], returnOf: undefined }, stores: false })
    type('Screws', '4')
    await first.user.click(button('Record'))
    first.unmount()
    entry('parts', { sheet: { suggested: ['Screws'], returnOf: undefined } })
    expect(screen.getByLabelText<HTMLInputElement>('Screws').value).toBe('4')
  })
  it('cannot be entered before the step is begun', () => {
    entry('parts', { open: false, sheet: { suggested: ['Screws'], returnOf: undefined } })
    expect(button('Record')).toHaveProperty('disabled', true)
  })
})

describe('places that are measured', () => {
  const sheet = { suggested: ['front'], leastPlaces: 2, min: 3.5, max: 8, suggestTeeth: false }
  it('say their limits, and are stored in millimetres', async () => {
    const { user, recorded } = entry('places', { sheet })
    expect(screen.getByText(/At least 3.5 mm, at most 8 mm, at 2 places or more\./)).toBeTruthy()
    type('front', '0.4 cm')
    await user.click(button('Record'))
    expect(recorded).toEqual([{ kind: 'places', places: [{ place: 'front', value: 4 }] }])
  })
  it('are typed in inches on a bench that wants them', async () => {
    usePreferences.setState({ units: 'us' })
    const { user, recorded } = entry('places', { sheet })
    type('front', '0.2')
    await user.click(button('Record'))
    // 0.2 in is 5.08 mm (exact).
    expect(recorded[0]!.places[0]!.value).toBeCloseTo(5.08, 9)
  })
  it('suggest the teeth of the case, as the bench names them', () => {
    entry('places', { sheet: { ...sheet, suggestTeeth: true }, teeth: [46] })
    expect(screen.getByLabelText('46')).toBeTruthy()
  })
  it('want a name', async () => {
    const { user, recorded } = entry('places', { sheet: { ...sheet, suggested: [''] } })
    type('Value', '4')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toBe('Say where, or take the line away.')
    expect(recorded).toEqual([])
  })
})

describe('what goes to the clinic', () => {
  const sheet = { suggested: ['Set-up'] }
  it('says when it is due back, by the clock of the bench', async () => {
    const { user, recorded } = entry('dispatch', { sheet })
    type('Due back, day', '2099-03-04')
    type('Due back, time', '09:30')
    await user.click(button('Record'))
    expect(recorded).toEqual([
      {
        kind: 'dispatch',
        parts: [{ name: 'Set-up', count: 1 }],
        dueBackAt: new Date(2099, 2, 4, 9, 30).toISOString(),
      },
    ])
  })
  it.each([
    ['', 'Enter the day and the time agreed with the clinic.'],
    ['2020-03-04', 'It is past. Enter when the clinic sends it back.'],
  ])('of "%s" is not stored', async (day, sentence) => {
    const { user, recorded } = entry('dispatch', { sheet })
    type('Due back, day', day)
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toBe(sentence)
    expect(recorded).toEqual([])
  })
})

describe('the answer from the try-in', () => {
  const { sheet } = askingFor('tryInAnswer')
  const [first, other] = [sheet.changes[0]!, sheet.changes[1]!]
  it('is accepted by one tap', async () => {
    const { user, recorded } = entry('tryInAnswer')
    await user.click(button('Accepted'))
    expect(recorded).toEqual([{ kind: 'tryInAnswer', changes: [] }])
  })
  it('or lists what is wanted, each in the words of the note', async () => {
    const { user, recorded } = entry('tryInAnswer')
    await user.click(button(other.name))
    await user.click(button('Record the changes'))
    expect(screen.getByRole('alert').textContent).toBe('Write down what the note says of it.')
    type(`${other.name}: what the note says`, 'a little longer')
    await user.click(button('Record the changes'))
    expect(recorded).toEqual([
      { kind: 'tryInAnswer', changes: [{ change: other.id, words: 'a little longer' }] },
    ])
  })
  it('a change may be taken back', async () => {
    const { user } = entry('tryInAnswer')
    await user.click(button(first.name))
    expect(button(first.name).getAttribute('aria-pressed')).toBe('true')
    await user.click(button(first.name))
    expect(screen.queryByRole('button', { name: 'Record the changes' })).toBeNull()
  })
})

describe('teeth that are set', () => {
  const sheet = { order: [21, 22, 23] }
  it('are tapped in any order; the next in turn is named', async () => {
    const { user, recorded } = entry('teethSet', { sheet, last: { kind: 'teethSet', teeth: [22] } })
    expect(screen.getByTestId('next-tooth').textContent).toBe('21')
    await user.click(button('Tooth 21'))
    await user.click(button('Tooth 22'))
    expect(recorded.map(({ teeth }) => teeth)).toEqual([[22, 21], []])
  })
  it('are all set when they are', () => {
    entry('teethSet', { sheet, last: { kind: 'teethSet', teeth: [21, 22, 23] } })
    expect(screen.getByText('All set.')).toBeTruthy()
  })
})

describe('groove patterns', () => {
  it('are those of the tooth of the case, and one tap chooses', async () => {
    const { user, recorded } = entry('grooves', { teeth: [46, 11] })
    expect(screen.getByRole<HTMLInputElement>('radio', { name: '46' }).checked).toBe(true)
    const [pattern] = screen.getAllByRole('button')
    await user.click(pattern!)
    expect(recorded[0]).toMatchObject({ kind: 'grooves', tooth: 46 })
    // A front tooth is seen from lingual: fossa, cingulum, ridges.
    await user.click(screen.getByRole('radio', { name: '11' }))
    expect(screen.getByRole('img', { name: 'One broad fossa, from lingual' })).toBeTruthy()
  })
  it('of a tooth that has none say so', async () => {
    entry('grooves')
    type('Tooth', '18')
    expect(screen.getByText(/A wisdom tooth has no usual pattern/)).toBeTruthy()
  })
})

describe('regions to look at', () => {
  it('are answered one after the other, and stored once all were', async () => {
    const { user, recorded } = entry('regions')
    const count = within(screen.getByRole('list', { name: 'Regions' })).getAllByRole('button').length
    for (let n = 0; n < count - 1; n++) await user.click(button('Good'))
    expect(recorded).toEqual([])
    await user.click(button('Good'))
    await waitFor(() => expect(recorded).toHaveLength(1))
    expect(recorded[0]!.regions).toHaveLength(count)
    expect(recorded[0]!.regions.every(({ fault }) => fault === undefined)).toBe(true)
  })
})

describe('the room for a pattern', () => {
  const sheet = { suggested: [{ name: 'Cusp', place: 'functionalCusp' as const }] }
  it('says what is left as it is typed, and is stored', async () => {
    const { user, recorded } = entry('room', { sheet })
    type('Room, Cusp', '2.5')
    type('Green wax, Cusp', '0.2')
    type('Resin, Cusp', '0.3')
    // 2.5 less 0.2 and 0.3 (exact).
    expect(screen.getByLabelText('Left at Cusp').textContent).toBe('2')
    await user.click(button('Record'))
    expect(recorded[0]!.sites[0]).toMatchObject({ name: 'Cusp', roomMillimetres: 2.5, resinMillimetres: 0.3 })
  })
  it('is not stored half', async () => {
    const { user, recorded } = entry('room', { sheet })
    type('Room, Cusp', '2.5')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toMatch(/\w/)
    expect(recorded).toEqual([])
  })
  it('wants a place', async () => {
    const { user, recorded } = entry('room', { sheet })
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toBe('Measure at one place or more.')
    expect(recorded).toEqual([])
  })
})

describe('the articulator', () => {
  it('is stored with its pin, which is asked for', async () => {
    const { user, recorded } = entry('mounting')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toBe('Enter a number in mm.')
    type('Pin reading', '0')
    await user.click(screen.getByLabelText('Upper placed by facebow'))
    await user.click(button('Record'))
    expect(recorded[0]).toMatchObject({ kind: 'mounting', pinMillimetres: 0, facebow: true })
    expect(recorded[0]).not.toHaveProperty('photo')
  })
  it('comes back as it is on record', () => {
    const last = goodSheet(askingFor('mounting').sheet) as DataOfKind<'mounting'>
    entry('mounting', { last: { ...last, pinMillimetres: 0.05, facebow: true } })
    expect(screen.getByLabelText<HTMLInputElement>('Pin reading').value).toBe('0.05')
    expect(screen.getByLabelText<HTMLInputElement>('Upper placed by facebow').checked).toBe(true)
  })
})

describe('what is filled in on an instrument', () => {
  it.each(['prescription', 'setUpPlan', 'setUp', 'trimPlan', 'finishedPair'] as const)(
    '%s leads there, with the place where it belongs',
    (kind) => {
      const { step, sheet } = askingFor(kind)
      entry(kind)
      const to = screen.getByRole('link').getAttribute('href')
      expect(to).toMatch(/^\/(set-up|trim)\?/)
      for (const part of ['case=c1', 'job=job-1', `sheet=${sheet.id}`, step.id]) expect(to).toContain(part)
    },
  )
})

describe('the card of a sheet', () => {
  const card = (kind: SheetKind, data: SheetData | undefined) => {
    const { bench, step, sheet } = askingFor(kind)
    const stepState = bench.job.steps[step.id]!
    const job = {
      ...bench.job,
      steps: {
        ...bench.job.steps,
        [step.id]: {
          ...stepState,
          sheets: data
            ? [{ sheetId: sheet.id, sheet: data, sequence: 9, at: '2026-03-02T08:00:00Z', by: 'Ada' }]
            : [],
        },
      },
    } as unknown as StepAtHand['job']
    const [goBack, ask] = [jest.fn(), jest.fn()]
    show(
      <StepSheetCard
        sheet={sheet as StepSheet}
        job={job}
        step={step}
        caseId="c1"
        teeth={[]}
        enclosures={[]}
        open
        onRecord={async () => true}
        onGoBack={goBack}
        onAsk={ask}
      />,
    )
    return { goBack, ask, sheet }
  }
  it('says how, from where, and nothing of what is not there yet', () => {
    const { sheet } = card('mounting', undefined)
    const region = screen.getByRole('region', { name: sheet.name })
    expect(region.textContent).toContain(sheet.how)
    expect(region.textContent).toContain(`Source: ${sheet.source}.`)
    expect(screen.queryByText('On record')).toBeNull()
  })
  it('says that what passes is on record', () => {
    card('mounting', goodSheet(askingFor('mounting').sheet))
    expect(screen.getByText('On record')).toBeTruthy()
    expect(screen.getByRole('link', { name: 'What the pin and the guides do' })).toBeTruthy()
  })
  it('says what does not pass, and offers what to do about it', () => {
    const good = goodSheet(askingFor('mounting').sheet) as DataOfKind<'mounting'>
    card('mounting', { ...good, pinMillimetres: 0.4 })
    expect(screen.getByRole('alert').textContent).toContain('Pin at 0.4 mm, not at zero.')
  })
  it('asks the dentist where the room is too little', async () => {
    const { ask } = card('room', {
      kind: 'room',
      sites: [
        {
          name: 'Cusp',
          place: 'functionalCusp',
          roomMillimetres: 0.5,
          greenMillimetres: 0.1,
          resinMillimetres: 0.1,
        },
      ],
    })
    fireEvent.click(button('Ask the dentist'))
    expect(ask).toHaveBeenCalledWith(expect.stringContaining('Cusp'))
  })
  it('takes what is still missing for work, not for a fault', () => {
    card('teethSet', { kind: 'teethSet', teeth: [] })
    expect(screen.queryByRole('alert')).toBeNull()
    expect(screen.getByText(/Not set yet/)).toBeTruthy()
  })
})
