import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { Bench, MINUTE } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { dateText, timeText } from '../parts/date-entry.ts'
import { caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { CaseScreen } from './CaseScreen.tsx'
import { IntakeScreen } from './IntakeScreen.tsx'

const button = (name: string | RegExp) => screen.getByRole('button', { name })
const field = (name: string) => screen.getByLabelText(name)
const NOW = Date.parse('2026-03-02T10:00:00Z')
const atNow = (labMillis: number) =>
  useLabClock.setState({ labMillis, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })

describe('what came from the mouth, asked for as the case is taken in', () => {
  const intake = async () => {
    const sent: { jobs: object[] }[] = []
    serverWith({
      'GET /cases': [],
      'POST /cases': (body: unknown) => {
        sent.push(body as { jobs: object[] })
        return { caseId: 'c1', events: [], routes: {} }
      },
    })
    atNow(NOW)
    const { user } = show(<IntakeScreen />)
    await user.type(field('Clinic'), 'Mill Lane')
    await user.type(field('Prescriber'), 'Dr. Orla')
    await user.type(field('Patient code'), 'P-7')
    return { user, sent }
  }
  it('its hour goes along with the job', async () => {
    const { user, sent } = await intake()
    const taken = NOW - 9 * MINUTE
    await user.type(field('Taken at'), timeText(taken))
    await user.click(button('Take it in'))
    await waitFor(() => expect(sent).toHaveLength(1))
    expect(sent[0]!.jobs).toMatchObject([
      { impressions: [{ of: 'impression', material: 'alginate', takenAt: new Date(taken).toISOString() }] },
    ])
  })
  it('one that is yet to be taken is refused in words, and nothing is sent', async () => {
    const { user, sent } = await intake()
    await user.type(field('Taken at'), timeText(NOW + 30 * MINUTE))
    expect(screen.getByText('Impression: it was not taken yet at that time. Enter when it was.')).toBeTruthy()
    await user.click(button('Take it in'))
    expect(sent).toHaveLength(0)
  })
  it('asks no hour of what keeps, nor of what did not come', async () => {
    const { user, sent } = await intake()
    await user.click(screen.getByText('Cast crown'))
    await user.type(field('Teeth (ISO 3950)'), '46')
    expect(screen.queryByLabelText('Taken at')).toBeNull()
    expect(screen.getByText('It keeps.')).toBeTruthy()
    await user.selectOptions(field('Opposing impression'), 'alginate')
    await user.type(field('Keeps, min'), '0')
    expect(screen.getByText(/Opposing impression: enter for how many minutes it keeps/)).toBeTruthy()
    await user.clear(field('Keeps, min'))
    await user.type(field('Keeps, min'), '90')
    await user.click(button('Take it in'))
    await waitFor(() => expect(sent).toHaveLength(1))
    expect(sent[0]!.jobs).toMatchObject([
      {
        impressions: [
          { of: 'impression', material: 'addition-silicone' },
          { of: 'opposing', material: 'alginate', keepsMinutes: 90 },
        ],
      },
    ])
  })
})

describe('what came from the mouth, put right later', () => {
  it('is entered on the open case, and its clock follows', async () => {
    const bench = new Bench().upTo('wrap')
    caseOnServer(bench)
    atNow(bench.now)
    const { user } = show(<CaseScreen />, { at: '/case/c1', pattern: '/case/:caseId' })
    await screen.findByRole('heading', { level: 1 })
    await user.click(screen.getByText('More'))
    await user.click(button('The impression'))
    const dialog = within(screen.getByRole('dialog'))
    const taken = bench.now - 20 * MINUTE
    await user.clear(dialog.getByLabelText('Taken on'))
    await user.type(dialog.getByLabelText('Taken on'), dateText(taken))
    await user.type(dialog.getByLabelText('Taken at'), timeText(taken))
    await user.click(dialog.getByRole('button', { name: 'Into the record' }))
    await waitFor(() =>
      expect(bench.job.impressions).toEqual([
        { of: 'impression', material: 'alginate', takenAt: new Date(taken).toISOString() },
      ]),
    )
    expect(screen.queryByRole('dialog')).toBeNull()
  })
})
