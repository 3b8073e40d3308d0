import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { Bench, MINUTE } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { caseOnServer } from '../testing/case.ts'
import { show } from '../testing/lab.tsx'
import { CaseScreen } from './CaseScreen.tsx'

async function opened(bench: Bench, minutesLater = 0) {
  caseOnServer(bench)
  const labMillis = bench.now + minutesLater * MINUTE
  useLabClock.setState({ labMillis, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
  const shown = show(<CaseScreen />, { at: '/case/c1', pattern: '/case/:caseId' })
  await screen.findByRole('heading', { level: 1 })
  return shown
}
const justDone = () => screen.queryByRole('button', { name: 'Undo' })

describe('a tap that was a slip', () => {
  it('can be undone for a few seconds, and says what it was', async () => {
    const bench = new Bench().before('disinfect-impression')
    const { user } = await opened(bench)
    await user.click(screen.getByRole('button', { name: /^Start/ }))
    await waitFor(() => expect(justDone()?.title).toBe('Started "Disinfect the impression"'))
    await user.click(justDone()!)
    await waitFor(() => expect(bench.job.steps['disinfect-impression']?.status).toBe('waiting'))
    expect(bench.working.events.at(-1)).toMatchObject({ type: 'withdrawn', reason: 'Undone at once' })
    expect(justDone()).toBeNull()
    expect(await screen.findByRole('button', { name: /^Start/ })).toBeTruthy()
  })
  it('is not offered long after', async () => {
    const bench = new Bench().before('disinfect-impression')
    bench.do({ type: 'startStep', jobId: 'job-1', stepId: 'disinfect-impression' })
    await opened(bench, 1)
    expect(justDone()).toBeNull()
  })
  it('is not offered for what somebody else did', async () => {
    const bench = new Bench().before('disinfect-impression')
    bench.do({ type: 'startStep', jobId: 'job-1', stepId: 'disinfect-impression' })
    const { by } = bench.working.events.at(-1)!
    bench.working = {
      ...bench.working,
      events: bench.working.events.map((event) => ({ ...event, by: `not ${by}` })),
    }
    await opened(bench)
    expect(justDone()).toBeNull()
  })
})

describe('an entry that should not be there', () => {
  it('is withdrawn on the record with its reason, and stays there struck through', async () => {
    const bench = new Bench().before('disinfect-impression')
    bench.do({ type: 'hold', reason: 'the wrong case' })
    const { user } = await opened(bench, 60)
    await user.click(screen.getByRole('button', { name: 'Record' }))
    await user.click(await screen.findByRole('button', { name: /^Withdraw: On hold/ }))
    const dialog = within(screen.getByRole('dialog'))
    await user.click(dialog.getByRole('button', { name: 'Withdraw it' }))
    expect(dialog.getByText('Write a few words.')).toBeTruthy()
    await user.type(dialog.getByLabelText('Why'), 'Tapped on the wrong docket')
    await user.click(dialog.getByRole('button', { name: 'Withdraw it' }))
    await waitFor(() => expect(bench.working.state.held).toBeUndefined())
    const struck = await screen.findByText(/On hold \(the wrong case\) \(withdrawn by entry 6\)/)
    expect(struck.className).toContain('line-through')
    expect(screen.getByText('Withdrew entry 5 (Tapped on the wrong docket)')).toBeTruthy()
    expect(screen.queryByRole('button', { name: /^Withdraw: On hold/ })).toBeNull()
  })
})
