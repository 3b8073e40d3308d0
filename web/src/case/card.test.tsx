import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { Bench, MINUTE } from '@yentrik/core/testing'
import { openedCase } from '../testing/opened-case.tsx'
import { lot } from '../testing/shelf.ts'

const button = (name: string | RegExp) => screen.getByRole('button', { name })
const statuses = (bench: Bench, ...ids: string[]) => ids.map((id) => bench.job.steps[id]?.status)

describe('small steps on one card', () => {
  it('stand under each other, and one Done does them all and starts the clock', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    const { user } = await openedCase(bench)
    const card = within(screen.getByRole('region', { name: 'Instruction' }))
    expect(card.getByRole('heading', { level: 2 }).textContent).toBe('Pour the teeth')
    expect(card.getAllByRole('heading', { level: 3 }).map((each) => each.textContent)).toEqual(
      expect.arrayContaining(['Retention cones', 'Stone sets']),
    )
    // Whether the heat has gone is felt when the stone has stood, not before.
    expect(card.queryByRole('heading', { name: 'Heat gone' })).toBeNull()
    await user.click(button('As wanted'))
    await waitFor(() => expect(bench.job.steps['pour-anatomy']?.mixes).toHaveLength(1))
    await user.click(button(/^Done/))
    await waitFor(() =>
      expect(statuses(bench, 'pour-anatomy', 'retention', 'set')).toEqual(['done', 'done', 'running']),
    )
  })
  it('are undone by one touch too', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    for (const command of bench.carefully('pour-anatomy')) bench.do(command)
    const { user } = await openedCase(bench)
    await user.click(button(/^Done/))
    await waitFor(() => expect(bench.job.steps.set?.status).toBe('running'))
    await user.click(await screen.findByRole('button', { name: 'Undo' }))
    await waitFor(() =>
      expect(statuses(bench, 'pour-anatomy', 'retention', 'set')).toEqual(['running', 'waiting', 'waiting']),
    )
  })
  it('end with what is looked at, and its answer says that the hands before it are done', async () => {
    const bench = new Bench().upTo('disinfect-impression')
    const { user } = await openedCase(bench)
    await user.click(button('Whole'))
    await waitFor(() => expect(bench.job.steps['inspect-impression']?.readings).toHaveLength(1))
    expect(statuses(bench, 'disinfect-impression', 'inspect-impression')).toEqual(['done', 'running'])
  })
  it('stop at the first that is refused; what was before it stays done', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    const { user } = await openedCase(bench)
    await user.click(button(/^Done/))
    expect((await screen.findByRole('alert')).textContent).toContain('is not recorded yet')
    expect(statuses(bench, 'pour-anatomy', 'retention', 'set')).toEqual(['running', 'waiting', 'waiting'])
  })
  it('took place earlier: all of them then', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    for (const command of bench.carefully('pour-anatomy')) bench.do(command)
    bench.now += 20 * MINUTE
    const { user } = await openedCase(bench)
    await user.click(screen.getByText('More'))
    await user.click(button('It was earlier'))
    await user.click(button('It was then'))
    await user.click(button(/^Done at/))
    await waitFor(() => expect(bench.job.steps.set?.status).toBe('running'))
    const times = bench.working.events.slice(-4).map((event) => 'realAt' in event && event.realAt)
    expect(times.every(Boolean)).toBe(true)
    expect(new Set(times).size).toBe(1)
  })
})

describe('on to the next', () => {
  it('ends this and begins that with one touch', async () => {
    const bench = new Bench().upTo('fill')
    bench.check('fill', 'no-holes', 'None left')
    const { user } = await openedCase(bench)
    await user.click(button(/^On to "Sand under water"/))
    await waitFor(() => expect(statuses(bench, 'fill', 'sand')).toEqual(['done', 'running']))
  })
  it('begins that now, though this was done earlier', async () => {
    const bench = new Bench().upTo('fill')
    bench.check('fill', 'no-holes', 'None left')
    bench.now += 20 * MINUTE
    const { user } = await openedCase(bench)
    await user.click(screen.getByText('More'))
    await user.click(button('It was earlier'))
    await user.click(button('It was then'))
    await user.click(button(/^On to/))
    await waitFor(() => expect(statuses(bench, 'fill', 'sand')).toEqual(['done', 'running']))
    const [ended, begun] = bench.working.events.slice(-2)
    expect(ended).toHaveProperty('realAt')
    expect(begun).not.toHaveProperty('realAt')
  })
  it('begins nothing where the end is refused', async () => {
    const bench = new Bench().upTo('fill')
    const { user } = await openedCase(bench)
    await user.click(button(/^On to/))
    await screen.findByRole('alert')
    expect(statuses(bench, 'fill', 'sand')).toEqual(['running', 'waiting'])
  })
})

describe('a shaky hand', () => {
  it('on Start does not hit Done as well', async () => {
    const bench = new Bench().upTo('fill')
    bench.check('fill', 'no-holes', 'None left')
    await openedCase(bench)
    fireEvent.click(button(/^Done/), { detail: 2 })
    fireEvent.keyDown(document.body, { key: ' ', repeat: true })
    await new Promise((done) => requestAnimationFrame(done))
    expect(bench.job.steps.fill?.status).toBe('running')
    fireEvent.click(button(/^Done/), { detail: 1 })
    await waitFor(() => expect(bench.job.steps.fill?.status).toBe('done'))
  })
})

describe('what is left out', () => {
  it('needs one touch where its reason is the usual one, which stands on it', async () => {
    const bench = new Bench().upTo('inspect-impression')
    bench.check('inspect-impression', 'impression-whole', 'Whole')
    bench.finish('inspect-impression')
    const { user } = await openedCase(bench)
    await user.click(button('Leave out: it is poured at once'))
    await waitFor(() =>
      expect(bench.job.steps.wrap).toMatchObject({ status: 'skipped', skipReason: 'It is poured at once.' }),
    )
  })
  it('or a sentence of one’s own', async () => {
    const bench = new Bench().upTo('inspect-impression')
    bench.check('inspect-impression', 'impression-whole', 'Whole')
    bench.finish('inspect-impression')
    const { user } = await openedCase(bench)
    await user.click(screen.getByText('More'))
    await user.click(button('Leave it out, because …'))
    const sheet = within(screen.getByRole('dialog'))
    await user.clear(sheet.getByLabelText('Why'))
    await user.type(sheet.getByLabelText('Why'), 'It lies in the hygrophor')
    await user.click(sheet.getByRole('button', { name: 'Leave it out' }))
    await waitFor(() =>
      expect(bench.job.steps.wrap).toMatchObject({ skipReason: 'It lies in the hygrophor' }),
    )
  })
})

describe('what was recorded', () => {
  it('as wanted goes on record with the figures that stood there and the pack in use, and is read on the step', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    const { user } = await openedCase(bench, { 'GET /lots': [lot({ materialId: 'dental-stone' })] })
    await user.click(button('As wanted'))
    expect(await screen.findByText(/100 g \+ 30 mL .*, lot S-77/)).toBeTruthy()
    expect(bench.job.steps['pour-anatomy']?.mixes[0]).toMatchObject({
      powderGrams: 100,
      liquidMillilitres: 30,
      lots: ['l-1'],
    })
  })
  it('of a material whose packs the lab does not keep asks for no lot', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    const { user } = await openedCase(bench)
    await user.click(button(/^Weigh and record/))
    expect(within(screen.getByRole('dialog')).queryByLabelText('Lot')).toBeNull()
  })
})

describe('a blend', () => {
  const packs = [
    lot({ lotId: 'l-p', materialId: 'model-plaster', number: 'MP-1' }),
    lot({ lotId: 'l-s', materialId: 'dental-stone', number: 'S3-2' }),
    lot({ lotId: 'l-t', materialId: 'dental-stone', number: 'S3-9' }),
  ]
  const atSecondPour = () =>
    new Bench('complete-denture', { arch: 'upper', 'second-pour': 'half-and-half' }).upTo('second-pour')
  it('is weighed out of two packs, and names both', async () => {
    const bench = atSecondPour()
    const { user } = await openedCase(bench, { 'GET /lots': packs })
    await user.click(await screen.findByRole('button', { name: 'As wanted' }))
    await waitFor(() => expect(bench.job.steps['second-pour']?.mixes).toHaveLength(1))
    expect(bench.job.steps['second-pour']?.mixes[0]?.lots).toEqual(['l-p', 'l-s'])
  })
  it('asks for each of them where another is open', async () => {
    const bench = atSecondPour()
    const { user } = await openedCase(bench, { 'GET /lots': packs })
    await user.click(button(/^Weigh and record/))
    const sheet = within(screen.getByRole('dialog'))
    await user.selectOptions(sheet.getByLabelText('Lot of dental stone, type 3'), 'l-t')
    await user.click(sheet.getByRole('button', { name: 'Into the record' }))
    await waitFor(() => expect(bench.job.steps['second-pour']?.mixes[0]?.lots).toEqual(['l-p', 'l-t']))
  })
})

describe('More', () => {
  const isOpen = () => screen.getByText('More').closest('details')?.open
  it('is closed by Escape and by a touch elsewhere', async () => {
    const { user } = await openedCase(new Bench())
    await user.click(screen.getByText('More'))
    expect(isOpen()).toBe(true)
    await user.keyboard('{Escape}')
    expect(isOpen()).toBe(false)
    await user.click(screen.getByText('More'))
    await user.click(screen.getByRole('heading', { level: 1 }))
    expect(isOpen()).toBe(false)
  })
})
