import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import type { CaseCommand } from '@yentrik/core'
import { Bench, J } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { caseOnServer } from '../testing/case.ts'
import { retype, type SentRequest, show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import { CaseScreen } from './CaseScreen.tsx'

let bench: Bench
let requests: SentRequest[]
/** Opens the case on its screen, the clock of the lab at the hour of the bench. */
async function opened(of: Bench, more: object = {}) {
  bench = of
  requests = caseOnServer(bench, more)
  useLabClock.setState({ labMillis: bench.now, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
  const shown = show(<CaseScreen />, { at: '/case/c1', pattern: '/case/:caseId' })
  await screen.findByRole('heading', { level: 1 })
  return shown
}
const button = (name: string | RegExp) => screen.getByRole('button', { name })
const heading = () => screen.getByRole('region', { name: 'Instruction' }).querySelector('h2')?.textContent
const sent = () =>
  requests.filter(({ method }) => method === 'POST').map(({ body }) => (body as { command: object }).command)
const dialog = () => within(screen.getByRole('dialog'))

describe('a case on its screen', () => {
  it('shows whose it is, where it is, and what to do now', async () => {
    await opened(new Bench())
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('K-1')
    expect(screen.getByText(/P-7 · Mill Lane/)).toBeTruthy()
    const route = within(screen.getByRole('list', { name: 'Route' }))
    expect(route.getAllByRole('button').length).toBe(bench.job.route.steps.length)
    expect(heading()).toBe(bench.job.route.steps[0]!.name)
  })
  it('is started and ended by the one large button, and goes on to the next step', async () => {
    const { user } = await opened(new Bench().before('disinfect-impression'))
    await user.click(button(/^Start/))
    await waitFor(() => expect(bench.job.steps['disinfect-impression']?.status).toBe('running'))
    await user.click(await screen.findByRole('button', { name: /^Done/ }))
    await waitFor(() => expect(heading()).toBe('Inspect the impression'))
    expect(sent()).toEqual([
      { type: 'startStep', jobId: J, stepId: 'disinfect-impression' },
      { type: 'finishStep', jobId: J, stepId: 'disinfect-impression' },
      { type: 'startStep', jobId: J, stepId: 'inspect-impression' },
    ])
  })
  it('an entry whose answer was lost is sent again under the same key, and done once', async () => {
    const lost: string[] = []
    const { user } = await opened(new Bench().before('disinfect-impression'), {
      'POST /cases/:caseId/events': (body: unknown) => {
        const { command, key } = body as { command: CaseCommand; key: string }
        if (lost.includes(key)) return bench.working.events.at(-1)
        lost.push(key)
        bench.do(command)
        throw new TypeError('Failed to fetch')
      },
    })
    await user.click(button(/^Start/))
    expect(await screen.findByText(/Try again: it is not done twice\./)).toBeTruthy()
    await user.click(button(/^Start/))
    expect(await screen.findByRole('button', { name: /^Done/ })).toBeTruthy()
    expect(lost).toHaveLength(1)
    expect(lost[0]).toMatch(/^[0-9a-f]{32}$/)
    expect(bench.working.events).toHaveLength(5)
  })
  it('says that there is no such case', async () => {
    requests = caseOnServer(new Bench().before('disinfect-impression'), {
      'GET /cases/:caseId': {
        refused: {
          status: 404,
          code: 'no-such-case',
          detail: 'There is no case c1.',
          remedy: 'Look in the list.',
          type: '',
          title: '',
        },
      },
    })
    show(<CaseScreen />, { at: '/case/c1', pattern: '/case/:caseId' })
    expect((await screen.findByRole('alert')).textContent).toContain('There is no case c1. Look in the list.')
  })
  it('a step that is looked at is not the one in hand', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    const last = bench.job.route.steps.at(-1)!
    await user.click(screen.getByRole('button', { name: new RegExp(`^${last.name}`) }))
    expect(heading()).toBe(last.name)
    expect(screen.queryByRole('button', { name: /^(Start|Done)/ })).toBeNull()
    await user.click(button('To the current step'))
    expect(heading()).not.toBe(last.name)
  })
})

describe('a check', () => {
  it('of a look is one tap, and says at once that it passes', async () => {
    const { user } = await opened(new Bench().upTo('inspect-impression'))
    await user.click(button('Whole'))
    await waitFor(() => expect(screen.getByText('Whole: passes')).toBeTruthy())
    expect(sent()).toEqual([
      {
        type: 'recordCheck',
        jobId: J,
        stepId: 'inspect-impression',
        checkId: 'impression-whole',
        answer: 'Whole',
      },
    ])
  })
  it('that fails stops the case for the dentist, whose answer starts it again', async () => {
    const { user } = await opened(new Bench().upTo('inspect-impression'))
    await user.click(button('Torn or part missing'))
    await user.click(button('Stop and ask'))
    await user.click(await screen.findByRole('button', { name: 'Enter the answer' }))
    await user.click(dialog().getByRole('radio', { name: 'remake' }))
    await user.type(dialog().getByLabelText('What the dentist said'), 'A new one comes')
    await user.click(dialog().getByRole('button', { name: 'Enter the answer' }))
    await waitFor(() => expect(bench.job.question).toBeUndefined())
    expect(sent().at(-1)).toMatchObject({ type: 'dentistAnswered', answer: 'A new one comes' })
  })
  it('that would stop the case says so first, and stops nothing when it was a slip', async () => {
    const { user } = await opened(new Bench().upTo('inspect-impression'))
    await user.click(button('Torn or part missing'))
    const warning = screen.getByRole('alert').textContent
    expect(warning).toContain('The case stops here until the dentist has answered')
    expect(warning).toContain('Please send a new impression.')
    await user.click(button('Not that'))
    expect(screen.queryByRole('alert')).toBeNull()
    expect(sent()).toEqual([])
    await user.click(button('Torn or part missing'))
    await user.click(button('Whole'))
    await waitFor(() => expect(sent()).toHaveLength(1))
    expect(sent()[0]).toMatchObject({ answer: 'Whole' })
    expect(screen.queryByRole('button', { name: 'Stop and ask' })).toBeNull()
  })
  it('that sends back says what is done again, before it is tapped', async () => {
    const { user } = await opened(new Bench().upTo('sand'))
    await user.click(button('New hole opened'))
    await screen.findByRole('button', { name: 'Go back to "Fill holes, take off blebs"' })
    expect(screen.getByText(/^To be done again:/).textContent).toBe(
      'To be done again: Fill holes, take off blebs, Sand under water. What was done stays on record.',
    )
    expect(bench.job.steps.fill?.status).toBe('done')
  })
  it('of a measure refuses what cannot be, before anything is sent, and keeps what was typed', async () => {
    const { user } = await opened(new Bench().upTo('trim'))
    const field = screen.getByLabelText<HTMLInputElement>('Reading')
    await user.type(field, '900')
    await user.click(within(field.closest('form')!).getByRole('button', { name: 'Record' }))
    expect((await screen.findByRole('alert')).textContent).toContain('900° cannot be right')
    expect(field.value).toBe('900')
    expect(sent()).toEqual([])
  })
  it('of a measure is stored, and its field is free for the next', async () => {
    const { user } = await opened(new Bench().upTo('trim'))
    const field = screen.getByLabelText<HTMLInputElement>('Reading')
    await user.type(field, '90{Enter}')
    await waitFor(() => expect(sent()).toHaveLength(1))
    expect(sent()[0]).toMatchObject({ type: 'recordCheck', checkId: 'back-angle', value: 90 })
    await waitFor(() => expect(field.value).toBe(''))
  })
})

describe('what is out of its time', () => {
  it('wants a reason, and goes on with it', async () => {
    const early = new Bench().upTo('set')
    early.check('set', 'heat-gone', 'Cool')
    early.now += 10 * 60_000
    const { user } = await opened(early)
    await user.click(button(/^Done/))
    const dialog = within(await screen.findByRole('dialog', { name: 'Too soon' }))
    await user.click(dialog.getByRole('button', { name: 'Done all the same' }))
    expect(dialog.getByText('Write a few words.')).toBeTruthy()
    await user.type(dialog.getByLabelText('Why it is done all the same'), 'fast stone')
    await user.click(dialog.getByRole('button', { name: 'Done all the same' }))
    await waitFor(() => expect(bench.job.steps.set?.status).toBe('done'))
    expect(sent().at(-1)).toMatchObject({ type: 'finishStep', outOfTimeReason: 'fast stone' })
  })
})

describe('under More', () => {
  const pick = async (user: Awaited<ReturnType<typeof opened>>['user'], name: RegExp) => {
    await user.click(screen.getByText('More'))
    await user.click(button(name))
  }
  it('goes back to a step with a reason, and says what opens again', async () => {
    const { user } = await opened(new Bench().upTo('trim'))
    await pick(user, /^Go back/)
    await user.selectOptions(dialog().getByLabelText('To which step'), 'pour-anatomy')
    expect(dialog().getByText(/To be done again/).textContent).toContain('Pour the teeth')
    await user.type(dialog().getByLabelText('Why'), 'a bubble on a tooth')
    await user.click(dialog().getByRole('button', { name: /^Go back to/ }))
    await waitFor(() => expect(sent()).toHaveLength(1))
    expect(sent()[0]).toEqual({
      type: 'goBack',
      jobId: J,
      toStepId: 'pour-anatomy',
      remake: false,
      reason: 'a bubble on a tooth',
    })
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  })
  it('leaves a note', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    await pick(user, /^Write a note/)
    await user.type(dialog().getByLabelText('What the next one should know'), 'they call at two')
    await user.click(dialog().getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(screen.getByText(/they call at two/)).toBeTruthy())
    expect(sent()).toEqual([{ type: 'note', jobId: J, stepId: 'wrap', text: 'they call at two' }])
  })
  it('puts the case on hold, which stops it, and takes it off again', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    await pick(user, /^Put on hold/)
    await user.type(dialog().getByLabelText('Why'), 'the clinic called')
    await user.click(dialog().getByRole('button', { name: 'Put on hold' }))
    await user.click(await screen.findByRole('button', { name: 'Take off hold' }))
    await waitFor(() => expect(bench.working.state.held).toBeUndefined())
    expect(sent().map((command) => (command as { type: string }).type)).toEqual(['hold', 'release'])
  })
  it('asks the dentist a question of its own', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    await pick(user, /^Ask the dentist/)
    await user.type(dialog().getByLabelText('What was found, and the question'), 'Which shade?')
    await user.click(dialog().getByRole('button', { name: 'Ask' }))
    await waitFor(() => expect(screen.getByText('Which shade?')).toBeTruthy())
    expect(bench.job.question?.question).toBe('Which shade?')
  })
  it('does it another way', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    await pick(user, /^Do it another way/)
    await user.selectOptions(dialog().getByLabelText('What'), 'base')
    await user.selectOptions(dialog().getByLabelText('How'), 'one-pour')
    await user.type(dialog().getByLabelText('Why'), 'asked for')
    await user.click(dialog().getByRole('button', { name: 'Change it' }))
    await waitFor(() => expect(bench.job.route.choices.base).toBe('one-pour'))
  })
  it('takes the metal that is ordered otherwise by now', async () => {
    const bench = new Bench('cast-crown')
    const { metal } = bench.job.route.choices
    const { user } = await opened(bench)
    await pick(user, /^Do it another way/)
    await user.selectOptions(dialog().getByLabelText('What'), 'As ordered: metal')
    const how = dialog().getByLabelText<HTMLSelectElement>('How')
    const other = [...how.options].find(({ value }) => value !== metal)!
    await user.selectOptions(how, other.value)
    expect(dialog().getByText(/Say who ordered it so/)).toBeTruthy()
    await user.type(dialog().getByLabelText('Why'), 'the dentist wrote today')
    await user.click(dialog().getByRole('button', { name: 'Change it' }))
    await waitFor(() => expect(bench.job.route.choices.metal).toBe(other.value))
  })
})

describe('the work authorisation', () => {
  it('is amended where it was changed, and only there', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    await user.click(button(/Change the work authorisation/))
    await user.type(dialog().getByLabelText('Shade'), 'light')
    await user.type(dialog().getByLabelText('Why it is changed'), 'they wrote')
    await user.click(dialog().getByRole('button', { name: 'Change it' }))
    await waitFor(() => expect(bench.working.state.authorisation.shade).toBe('light'))
    expect(sent()).toEqual([{ type: 'amend', changes: { shade: 'light' }, reason: 'they wrote' }])
  })
})

describe('two at one case', () => {
  it('the second is told what the first did, and may store theirs too', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    bench.do({ type: 'note', text: 'the first was here' })
    await user.click(button(/^Done/))
    const stale = within(
      await screen.findByRole('dialog', { name: 'Somebody worked on this case meanwhile' }),
    )
    expect(stale.getByText(/the first was here/)).toBeTruthy()
    await user.click(stale.getByRole('button', { name: 'Store mine too' }))
    await waitFor(() => expect(bench.job.steps.wrap?.status).toBe('done'))
  })
  it('may leave theirs out', async () => {
    const { user } = await opened(new Bench().upTo('wrap'))
    bench.do({ type: 'note', text: 'the first was here' })
    await user.click(button(/^Done/))
    await user.click(await screen.findByRole('button', { name: 'Leave mine out' }))
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    expect(bench.job.steps.wrap?.status).toBe('running')
  })
})

describe('the record of a case', () => {
  it('lists what was done, is searched, and a wrong entry is corrected beside the right one', async () => {
    const worked = new Bench().upTo('trim')
    worked.check('trim', 'back-angle', 84)
    const { user } = await opened(worked)
    await user.click(screen.getAllByRole('button', { name: 'Record' })[0]!)
    await user.type(screen.getByLabelText('Search the record'), '84')
    await user.click(await screen.findByRole('button', { name: /^Correct: / }))
    await user.type(dialog().getByLabelText('Right value'), '90')
    await user.click(dialog().getByRole('button', { name: 'Correct' }))
    expect(dialog().getByText('Say why it is corrected.')).toBeTruthy()
    await user.type(dialog().getByLabelText('Why'), 'read wrong')
    await user.click(dialog().getByRole('button', { name: 'Correct' }))
    await waitFor(() =>
      expect(bench.job.steps.trim!.readings.at(-1)).toMatchObject({ value: 90, corrected: { value: 84 } }),
    )
  })
  it('a sheet is corrected by its own entry, with a reason, though its step is over', async () => {
    const worked = new Bench('implant-verification', { implants: '3' }).upTo('parts-in')
    for (const command of worked.carefully('parts-in')) worked.do(command)
    worked.finish('parts-in')
    const { user } = await opened(worked)
    await user.click(screen.getAllByRole('button', { name: 'Record' })[0]!)
    await user.type(screen.getByLabelText('Search the record'), 'Impression tray')
    await user.click(await screen.findByRole('button', { name: /^Correct: / }))
    await retype(user, dialog().getByLabelText('Impression tray'), '2')
    await user.click(dialog().getByRole('button', { name: 'Record' }))
    expect(dialog().getByText('Say why it is corrected.')).toBeTruthy()
    await user.type(dialog().getByLabelText('Why'), 'two trays came')
    await user.click(dialog().getByRole('button', { name: 'Record' }))
    await waitFor(() =>
      expect(bench.job.steps['parts-in']!.sheets[0]).toMatchObject({
        sheet: { parts: expect.arrayContaining([{ name: 'Impression tray', count: 2 }]) },
        corrected: { reason: 'two trays came' },
      }),
    )
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  })
  it('the lot of a mix is corrected alone: its figures stay', async () => {
    const worked = new Bench().upTo('pour-anatomy')
    const [mix] = worked.carefully('pour-anatomy').filter(({ type }) => type === 'recordMix')
    worked.do(mix!)
    const { user } = await opened(worked, {
      'GET /lots': [lot({ materialId: 'dental-stone', lotId: 'L-8', number: 'S-8' })],
    })
    await user.click(screen.getAllByRole('button', { name: 'Record' })[0]!)
    await user.type(screen.getByLabelText('Search the record'), 'Dental stone')
    await user.click(await screen.findByRole('button', { name: /^Correct: / }))
    await user.selectOptions(await dialog().findByLabelText('Lot'), 'S-8')
    await user.type(dialog().getByLabelText('Why'), 'the other bag')
    await user.click(dialog().getByRole('button', { name: 'Correct' }))
    await waitFor(() => expect(sent()).toHaveLength(1))
    expect(sent()[0]).toMatchObject({ type: 'correct', lots: ['L-8'], reason: 'the other bag' })
    expect(sent()[0]).not.toHaveProperty('powderGrams')
  })
})

describe('what is mixed', () => {
  it('goes into the record with its ratio shown as it is typed', async () => {
    const { user } = await opened(new Bench().upTo('pour-anatomy'), {
      'GET /lots': [lot({ materialId: 'dental-stone' })],
    })
    await user.click(button(/^Weigh and record/))
    await retype(user, await screen.findByLabelText('Powder'), '100')
    await retype(user, screen.getByLabelText('Water'), '30')
    expect(dialog().getByText('0.30', { exact: false })).toBeTruthy()
    expect(dialog().getByText(/as wanted/)).toBeTruthy()
    expect(dialog().getByLabelText<HTMLSelectElement>('Lot').value).toBe('l-1')
    await user.click(dialog().getByRole('button', { name: 'Into the record' }))
    await waitFor(() => expect(sent()).toHaveLength(1))
    expect(sent()[0]).toMatchObject({
      type: 'recordMix',
      powderGrams: 100,
      liquidMillilitres: 30,
      lots: ['l-1'],
    })
  })
})
