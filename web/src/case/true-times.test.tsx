import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { stepOf, stepWindow } from '@yentrik/core'
import { Bench, J, MINUTE } from '@yentrik/core/testing'
import { clockTime } from '../format/format.ts'
import { dateText, timeText } from '../parts/date-entry.ts'
import { retype } from '../testing/lab.tsx'
import { openedCase } from '../testing/opened-case.tsx'

const button = (name: string | RegExp) => screen.getByRole('button', { name })
const field = (name: string) => screen.getByLabelText(name)

describe('what was not tapped in time', () => {
  it('is entered as of then, and says so on the button before it is tapped', async () => {
    const bench = new Bench().upTo('wrap')
    const begun = bench.now
    bench.now += 20 * MINUTE
    const { user } = await openedCase(bench)
    await user.click(screen.getByText('More'))
    await user.click(button('It was earlier'))
    const then = begun + 2 * MINUTE
    const dialog = within(screen.getByRole('dialog'))
    await user.clear(dialog.getByLabelText('On'))
    await user.type(dialog.getByLabelText('On'), dateText(then))
    await user.clear(dialog.getByLabelText('At'))
    await user.type(dialog.getByLabelText('At'), timeText(then))
    await user.click(dialog.getByRole('button', { name: 'It was then' }))
    await user.click(await screen.findByRole('button', { name: new RegExp(`^Done at ${clockTime(then)}`) }))
    await waitFor(() =>
      expect(bench.job.steps.wrap).toMatchObject({ finishedAt: new Date(then).toISOString() }),
    )
    // The next step begins when it is tapped.
    expect(await screen.findByRole('button', { name: /^Start/ })).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Now after all' })).toBeNull()
  })
  it('a time before the last fact is refused in words, and can be taken back', async () => {
    const bench = new Bench().upTo('wrap')
    const { user } = await openedCase(bench)
    await user.click(screen.getByText('More'))
    await user.click(button('It was earlier'))
    const before = bench.now - 30 * MINUTE
    await user.clear(field('On'))
    await user.type(field('On'), dateText(before))
    await user.clear(field('At'))
    await user.type(field('At'), timeText(before))
    await user.click(button('It was then'))
    await user.click(button(/^Done at/))
    expect((await screen.findByRole('alert')).textContent).toMatch(/That was before .*: it was begun then\./)
    expect(bench.job.steps.wrap?.status).toBe('running')
    await user.click(button('Now after all'))
    await user.click(button(/^Done/))
    await waitFor(() => expect(bench.job.steps.wrap?.status).toBe('done'))
    expect(bench.working.events.at(-1)).not.toHaveProperty('realAt')
  })
})

describe('dough that is past', () => {
  const past = () => {
    const bench = new Bench('complete-denture', { arch: 'upper' }).upTo('dough')
    bench.check('dough', 'dough-stage', 'Dough, comes clean off')
    bench.now += 30 * MINUTE
    return bench
  }
  it('is not passed without a word: the way back is the main thing on the screen', async () => {
    const bench = past()
    const { user } = await openedCase(bench)
    await user.click(button('Back to Mix the resin'))
    await waitFor(() => expect(bench.job.steps['mix-dough']).toMatchObject({ status: 'waiting', attempt: 2 }))
    expect(bench.working.events.at(-1)).toMatchObject({
      type: 'wentBack',
      reason: 'Turning rubbery: it no longer flows. Discard it and mix again.',
    })
  })
  it('or asks for the reason, where the same way back stands too', async () => {
    const bench = past()
    const { user } = await openedCase(bench)
    await user.click(button(/^Done/))
    const dialog = within(await screen.findByRole('dialog'))
    expect(dialog.getByText('The time is past')).toBeTruthy()
    expect(dialog.getByRole('button', { name: 'Back to Mix the resin' })).toBeTruthy()
    await user.type(dialog.getByLabelText(/^Why/), 'It stood in the cold')
    await user.click(dialog.getByRole('button', { name: 'Done all the same' }))
    await waitFor(() =>
      expect(bench.job.steps.dough).toMatchObject({
        status: 'done',
        outOfTimeReason: 'It stood in the cold',
      }),
    )
  })
})

describe('dough by the room', () => {
  it('is drawn as the step counts it; a room put right moves both', async () => {
    const bench = new Bench('complete-denture', { arch: 'upper' }).upTo('dough')
    const { user } = await openedCase(bench)
    const hours = () => {
      const { goodFrom, lateFrom } = stepWindow(bench.job, stepOf(bench.job, 'dough'))!
      return `${clockTime(goodFrom)}-${clockTime(lateFrom)}`
    }
    const shown = () => screen.getByLabelText('Pack between').textContent
    const before = hours()
    expect(shown()).toBe(before)
    await user.clear(field('Room'))
    await user.type(field('Room'), '33')
    await user.click(button('It was 33 °C, not 23 °C'))
    await waitFor(() => expect(shown()).not.toBe(before))
    expect(shown()).toBe(hours())
    expect(bench.job.steps['mix-dough']!.mixes[0]).toMatchObject({ roomCelsius: 33 })
  })
})

describe('what was used, into the record', () => {
  it('counts from the clock of the mix that runs, by its ratio and what is in the water', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    const metAt = new Date(bench.now).toISOString()
    bench.now += 8 * MINUTE
    const { user } = await openedCase(bench, {
      'GET /mixing/clocks': [
        {
          clockId: 'm1',
          materialId: 'dental-stone',
          productId: null,
          metAt,
          by: 'Ada',
          settingFactor: 1.5,
          caseId: 'c1',
          docket: 'K-1',
        },
      ],
    })
    await user.click(await screen.findByRole('button', { name: /^Weigh and record/ }))
    const dialog = within(screen.getByRole('dialog'))
    expect(dialog.getByText(/Its clock runs from/)).toBeTruthy()
    await retype(user, dialog.getByLabelText('Powder'), '100')
    await retype(user, dialog.getByLabelText('Water'), '30')
    await user.click(dialog.getByRole('button', { name: 'Into the record' }))
    await waitFor(() =>
      expect(bench.working.events.at(-1)).toMatchObject({
        type: 'mixRecorded',
        jobId: J,
        metAt,
        settingFactor: 1.5,
      }),
    )
  })
  it('resin takes the room with it, and is not stored with one that cannot be', async () => {
    const bench = new Bench('complete-denture', { arch: 'upper' }).upTo('mix-dough')
    const { user } = await openedCase(bench)
    await user.click(await screen.findByRole('button', { name: /^Weigh and record/ }))
    const dialog = within(screen.getByRole('dialog'))
    await retype(user, dialog.getByLabelText('Polymer'), '30')
    await retype(user, dialog.getByLabelText('Monomer'), '13')
    await user.clear(dialog.getByLabelText('Room'))
    await user.type(dialog.getByLabelText('Room'), '300')
    await user.click(dialog.getByRole('button', { name: 'Into the record' }))
    expect(dialog.getByText(/Enter the temperature of the room: 5 to 40 °C\./)).toBeTruthy()
    expect(bench.job.steps['mix-dough']!.mixes).toHaveLength(0)
    await user.clear(dialog.getByLabelText('Room'))
    await user.type(dialog.getByLabelText('Room'), '28')
    await user.click(dialog.getByRole('button', { name: 'Into the record' }))
    await waitFor(() => expect(bench.job.steps['mix-dough']!.mixes[0]).toMatchObject({ roomCelsius: 28 }))
  })
})

describe('a ratio outside its range', () => {
  const weigh = async (powder: string, water: string) => {
    const bench = new Bench().upTo('pour-anatomy')
    const { user } = await openedCase(bench)
    await user.click(await screen.findByRole('button', { name: /^Weigh and record/ }))
    const dialog = within(screen.getByRole('dialog'))
    await retype(user, dialog.getByLabelText('Powder'), powder)
    await retype(user, dialog.getByLabelText('Water'), water)
    const store = () => user.click(dialog.getByRole('button', { name: 'Into the record' }))
    return { bench, user, dialog, store }
  }
  it('is asked about before it is stored, and goes on record with its reason', async () => {
    const { bench, user, dialog, store } = await weigh('100', '38')
    await store()
    expect(bench.job.steps['pour-anatomy']!.mixes).toHaveLength(0)
    expect(
      dialog.getByText('Correct the figures, mix again, or say why it is used all the same.'),
    ).toBeTruthy()
    await user.type(dialog.getByLabelText('Why it is used all the same'), 'Thin on purpose')
    await store()
    await waitFor(() =>
      expect(bench.job.steps['pour-anatomy']!.mixes[0]).toMatchObject({ ratioReason: 'Thin on purpose' }),
    )
  })
  it('a lost decimal is refused in words; what was typed stays', async () => {
    const { bench, dialog, store } = await weigh('100', '230')
    await store()
    expect(await dialog.findByText(/Look for a lost decimal point/)).toBeTruthy()
    expect((dialog.getByLabelText('Water') as HTMLInputElement).value).toBe('230')
    expect(bench.job.steps['pour-anatomy']!.mixes).toHaveLength(0)
  })
})
