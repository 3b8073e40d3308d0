import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { takeBack } from '@yentrik/core'
import { Bench, J, MINUTE, routes } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { RecordPaper } from '../papers/RecordPaper.tsx'
import { caseOnServer } from '../testing/case.ts'
import { refusal, type SentRequest, show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import { CaseScreen } from './CaseScreen.tsx'

const DAY = 24 * 60 * MINUTE

function deliveredCast(): Bench {
  const bench = new Bench('study-cast').upTo('deliver')
  for (const command of bench.carefully('deliver')) bench.do(command)
  bench.finish('deliver')
  return bench
}
function cameBack(of: Bench): { readonly again: Bench; readonly first: Bench } {
  const at = of.now + 9 * DAY
  const taken = takeBack(
    of.working,
    'c0',
    {
      docket: 'K-2',
      caseId: 'c1',
      cause: 'surface',
      found: 'The base crumbles',
      jobs: [{ jobId: J, fromStepId: 'trim' }],
      changes: { dueAt: new Date(at + 4 * DAY).toISOString() },
    },
    at,
    'Bo',
    routes,
  )
  const bench = (working: Bench['working']) => Object.assign(new Bench(), { working, now: at })
  return { again: bench(taken.back), first: bench(taken.first) }
}
async function opened(
  bench: Bench,
  more: object = {},
): Promise<{ requests: SentRequest[] } & ReturnType<typeof show>> {
  const requests = caseOnServer(bench, more)
  useLabClock.setState({ labMillis: bench.now, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
  const shown = show(<CaseScreen />, { at: '/case/c1', pattern: '/case/:caseId' })
  await screen.findByRole('heading', { level: 1 })
  return { ...shown, requests }
}
const form = () => within(screen.getByRole('dialog'))

describe('a delivered case that comes back', () => {
  const openForm = async (more: object = {}) => {
    const shown = await opened(deliveredCast(), more)
    await shown.user.click(screen.getByRole('button', { name: 'It came back' }))
    return shown
  }
  it('asks why and what was found before anything is sent', async () => {
    const { user, requests } = await openForm()
    await user.click(form().getByRole('button', { name: 'Take it back' }))
    expect(await form().findByText('Write what was found, and where.')).toBeTruthy()
    expect(form().getByText('Choose what it comes nearest to.')).toBeTruthy()
    expect(requests.filter(({ method }) => method === 'POST')).toEqual([])
  })
  it('suggests where it begins by its cause, and is sent as chosen', async () => {
    const { user, requests } = await openForm({
      'POST /cases/:caseId/return': { caseId: 'c2', events: [], routes: {} },
    })
    await user.click(form().getByRole('radio', { name: 'Does not fit' }))
    const from = form().getByLabelText<HTMLSelectElement>('Begins again from')
    expect(from.selectedOptions[0]?.text).toBe('Pour the teeth')
    fireEvent.change(from, { target: { value: 'trim' } })
    expect(form().getByText(/steps are done again; the others hold/)).toBeTruthy()
    await user.type(form().getByLabelText('What was found, and where'), 'The base crumbles')
    await user.type(form().getByLabelText('What came along'), 'Cast, bite')
    await user.click(form().getByRole('button', { name: 'Take it back' }))
    await waitFor(() =>
      expect(requests.find(({ method }) => method === 'POST')?.body).toMatchObject({
        cause: 'fit',
        found: 'The base crumbles',
        jobs: [{ jobId: J, fromStepId: 'trim' }],
        changes: { enclosures: ['Cast', 'bite'] },
      }),
    )
  })
  it('says what the server has against it, and keeps what was typed', async () => {
    const { user } = await openForm({
      'POST /cases/:caseId/return': refusal({
        code: 'came-back-already',
        detail: 'It came back before, as K-9.',
        remedy: 'Take K-9 back, or work on it.',
      }),
    })
    await user.click(form().getByRole('radio', { name: 'Something else' }))
    await user.type(form().getByLabelText('What was found, and where'), 'crumbles')
    await user.click(form().getByRole('button', { name: 'Take it back' }))
    expect(await form().findByText(/as K-9/)).toBeTruthy()
    expect(form().getByLabelText<HTMLTextAreaElement>('What was found, and where').value).toBe('crumbles')
  })
})

describe('the case it goes on as', () => {
  const { again, first } = cameBack(deliveredCast())
  it('says from where, why, what was found and where it begins; the steps before stand as they were', async () => {
    await opened(again)
    expect(screen.getByRole('link', { name: 'K-1' }).getAttribute('href')).toBe('/case/c0')
    expect(screen.getByText('The base crumbles')).toBeTruthy()
    expect(screen.getByText('Begins again from "Trim base and back"')).toBeTruthy()
    const row = within(screen.getByRole('list', { name: 'Route' })).getByRole('button', {
      name: /^Base patty/,
    })
    expect(row.textContent).toContain('done')
    // Not of today: its day, not its hour.
    expect(row.textContent).toMatch(/2 Mar$/)
  })
  it('has the history of the one before beside its record', async () => {
    const { user } = await opened(again, {
      'GET /lots': [lot()],
    })
    await user.click(screen.getByRole('button', { name: 'Record' }))
    const before = await screen.findByRole('region', { name: 'The case before' })
    expect(within(before).getAllByRole('link', { name: 'K-1' })[0]?.getAttribute('href')).toBe('/case/c0')
    expect(within(before).getAllByRole('listitem').length).toBeGreaterThan(0)
  })
  it('the one before says where it went, and cannot come back a second time', async () => {
    await opened(first)
    expect(screen.getByText(/It came back, and goes on as/).textContent).toContain('K-2')
    expect(screen.queryByRole('button', { name: 'It came back' })).toBeNull()
  })
  it('its paper says what was done in the case before', async () => {
    caseOnServer(again, { 'GET /lab': { labName: 'Alder Row', address: '', variants: {} }, 'GET /lots': [] })
    show(<RecordPaper />, { at: '/papers/record/c1', pattern: '/papers/record/:caseId' })
    await screen.findByRole('heading', { level: 1 })
    expect(screen.getByRole('main').textContent).toMatch(
      /Came back from K-1\. Rough, dull or porous: The base crumbles\. Begun again from "Trim base and back"; what is older was done in K-1\./,
    )
  })
})
