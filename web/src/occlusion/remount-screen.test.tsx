import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import type { UserEvent } from '@testing-library/user-event'
import { lastSheetOf } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { askingFor, atStep, caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { RemountScreen } from './RemountScreen.tsx'

const open = () => {
  serverWith({})
  return show(<RemountScreen />, { at: '/remount', pattern: '/remount' })
}
const next = () => screen.getByRole('region', { name: 'What to do next' })
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name)
async function type(user: UserEvent, name: string, text: string) {
  await user.clear(field(name))
  await user.type(field(name), text)
}
/** A mark by its tooth and region, as hands without a drawing enter it. */
async function mark(user: UserEvent, tooth: string, region: string) {
  const form = screen.getByText('A mark by tooth and region').closest('details')!
  form.open = true
  await user.type(within(form).getByLabelText('Tooth'), tooth)
  await user.selectOptions(within(form).getByLabelText('Region'), region)
  await user.click(within(form).getByRole('button', { name: 'Add the mark' }))
}

describe('a remount on its own', () => {
  it('asks for the pin, then for marks, then says what to grind and how much', async () => {
    const { user } = open()
    expect(next().textContent).toContain('Read the pin')
    await type(user, 'Pin off its table', '1')
    expect(next().textContent).toContain('Mark centric with paper')
    await mark(user, '36', 'fossa')
    // 1.0 at the pin is 0.5 at the first molar (articulator of the average kind), four rounds of 0.15.
    expect(within(next()).getByLabelText('At the tooth').textContent).toBe('0.5')
    expect(next().textContent).toContain('Grind next, mark A')
    expect(next().textContent).toContain('Fossa of 36, where the tip of the palatal cusp of 26 strikes.')
    expect(next().textContent).toContain('0.15 mmthis round')
    expect(next().textContent).toContain('4rounds to expect')
    expect(screen.getByRole('img', { name: /A cut through 26 and 36: the fossa of 36/ })).toBeTruthy()
    // By similar triangles about the axis, whatever the drawing exaggerates.
    expect(screen.getByRole('img', { name: '1 mm at the pin are 0.5 mm at 36' })).toBeTruthy()
  })
  it('takes a mark in one line of keys, and says what a line is that it cannot read', async () => {
    const { user } = open()
    await type(user, 'Pin off its table', '1')
    const form = screen.getByText('A mark by tooth and region').closest('details')!
    form.open = true
    const line = within(form).getByLabelText<HTMLInputElement>('Marks, a line each')
    await user.type(line, '36 fo up{Enter}')
    expect(within(form).getByRole('alert').textContent).toContain('"up" is no movement and no strength.')
    expect(line.value).toBe('36 fo up')
    await user.clear(line)
    await user.type(line, '36 fo ce he')
    expect(form.textContent).toContain('fossa, centric, heavy')
    await user.keyboard('{Enter}')
    expect(line.value).toBe('')
    expect(next().textContent).toContain('Fossa of 36')
  })
  it('after a round wants the pin again, and takes the last round back with its marks', async () => {
    const { user } = open()
    await type(user, 'Pin off its table', '0.8')
    await mark(user, '46', 'fossa')
    await user.click(screen.getByRole('button', { name: 'Ground, mark again' }))
    expect(next().textContent).toContain('Read the pin again')
    expect(screen.getByText('1 round, 0.15 mm off in all')).toBeTruthy()
    expect(within(screen.getByRole('list', { name: 'Marks' })).queryByText(/46/)).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Take the last round back' }))
    expect(within(screen.getByRole('list', { name: 'Marks' })).getByText(/46 fossa/)).toBeTruthy()
    expect(field('Pin off its table').value).toBe('0.8')
  })
  it('asks the dentist, and grinds nothing, where the pin stands too far open', async () => {
    const { user } = open()
    await type(user, 'Pin off its table', '3')
    await mark(user, '36', 'fossa')
    expect(next().textContent).toContain('ask the dentist before anything is ground')
    expect(screen.queryByRole('button', { name: 'Ground, mark again' })).toBeNull()
  })
  it('looks at the seat and the flash first', async () => {
    const { user } = open()
    await type(user, 'Pin off its table', '1')
    await user.click(screen.getByLabelText('Flash on the teeth'))
    expect(next().textContent).toContain('Pick the flash off')
    await user.click(screen.getByLabelText('Fully home, no rock'))
    expect(next().textContent).toContain('Seat it again')
  })
  it('goes on from bite to bite only when pin and stops coincide', async () => {
    const { user } = open()
    const now = () =>
      within(screen.getByRole('region', { name: 'The order' })).getByText(/, now$/).textContent
    await type(user, 'Pin off its table', '0')
    expect(next().textContent).toContain('Count the back teeth')
    await type(user, 'Stops right', '4')
    await type(user, 'Stops left', '4')
    expect(now()).toBe('Right, now')
    for (const [button, after] of [
      ['Right is right', 'Left, now'],
      ['Left is right', 'Forwards, now'],
      ['Forwards is right', 'Centric again, now'],
    ] as const) {
      await user.click(screen.getByRole('button', { name: button }))
      expect(now()).toBe(after)
    }
    await user.click(screen.getByRole('button', { name: 'Centric again is right' }))
    expect(next().textContent).toContain('smooth the ground spots')
    await type(user, 'Stops left', '1')
    expect(next().textContent).toContain('the stops are not even')
  })
  it('keeps a wrong number in its field, with a sentence', async () => {
    const { user } = open()
    await type(user, 'Pin off its table', 'little')
    expect(screen.getByText(/"little" is not a number/)).toBeTruthy()
    expect(field('Pin off its table').value).toBe('little')
    await type(user, 'Pin off its table', '-2')
    expect(next().textContent).toContain('below its set-up reading')
    await type(user, 'Pin off its table', '0.5')
    await type(user, 'Stops right', 'many')
    expect(screen.getByText('Enter a whole number from 0 to 7.')).toBeTruthy()
  })
  it('speaks the tooth numbers and units of the bench', async () => {
    usePreferences.setState({ units: 'us', teeth: 'universal' })
    const { user } = open()
    await type(user, 'Pin off its table', '0.04')
    // Lower left first molar, 36, is 19; 0.04 in are 1.016 mm, 0.5 of it at the molar: 0.02 in.
    await mark(user, '19', 'fossa')
    expect(within(next()).getByLabelText('At the tooth').textContent).toBe('0.02')
    expect(next().textContent).toContain('in at 19')
  })
  it('takes a mark away again', async () => {
    const { user } = open()
    await type(user, 'Pin off its table', '1')
    await mark(user, '26', 'lingualTip')
    await user.click(screen.getByRole('button', { name: 'Take mark A away' }))
    expect(next().textContent).toContain('Mark centric')
  })
})

/** A denture that is worked up to its grinding. */
function atRemount() {
  const { step: first, sheet } = askingFor('remount', 'complete-denture')
  const { bench, step } = atStep('complete-denture', first.id)
  return { bench, step, sheet }
}

describe('a remount of a case', () => {
  it('begins with the pin of the case, and goes into its record', async () => {
    const { bench, sheet, step } = atRemount()
    const sent = caseOnServer(bench)
    const { user } = show(<RemountScreen />, {
      at: `/remount?case=c1&job=job-1&step=${step.id}&sheet=${sheet.id}`,
      pattern: '/remount',
    })
    await waitFor(() => expect(screen.getByRole('link', { name: 'K-1' })).toBeTruthy())
    const pin = bench.job.steps['pin-opening']?.readings.at(-1)?.value
    expect(field('Pin off its table').value).toBe(String(pin))
    await mark(user, '36', 'fossa')
    await type(user, 'Pin off its table', '0')
    await type(user, 'Stops right', '4')
    await type(user, 'Stops left', '3')
    await user.click(screen.getByRole('button', { name: 'Into the record' }))
    await waitFor(() => expect(bench.job.steps[step.id]?.sheets).toHaveLength(1))
    expect(JSON.stringify(sent)).toContain('"posteriorStops":{"right":4,"left":3}')
    // What the papers draw: the contact as it stood.
    expect(lastSheetOf(bench.job, 'remount')?.contacts).toMatchObject([{ tooth: 36, bite: 'centric' }])
  })
  it('of a step that has none says so', async () => {
    const { bench } = askingFor('remount', 'complete-denture')
    caseOnServer(bench)
    show(<RemountScreen />, { at: '/remount?case=c1&job=job-1&step=x&sheet=y', pattern: '/remount' })
    expect(await screen.findByText(/This step has no remount/)).toBeTruthy()
  })
})
