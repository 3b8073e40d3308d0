import { afterEach, describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import type { ClockJump } from '@yentrik/contract'
import { stepOf } from '@yentrik/core'
import { Bench, MINUTE, START } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { StepClock } from './StepClock.tsx'

afterEach(() => useLabClock.setState({ jump: undefined }))

/** The cast sets; the bench began at START, the clock of the server was set some time after its step began. */
function setting(minutesAfter: number, byMinutes?: number, before?: ClockJump) {
  serverWith({ 'GET /machine-runs': [] })
  const bench = new Bench().upTo('set')
  const began = bench.now
  const labMillis = began + (minutesAfter + (byMinutes ?? 0)) * MINUTE
  const jump = byMinutes === undefined ? before : { at: labMillis, byMillis: byMinutes * MINUTE }
  useLabClock.setState({ labMillis, steadyMillis: performance.now(), speed: 1, mayBeMoved: false, jump })
  return show(<StepClock caseId="c1" job={bench.job} step={stepOf(bench.job, 'set')} />)
}
const warning = () => screen.queryByText(/The clock of the server was set/)?.textContent

describe('a window that runs', () => {
  it('says nothing of a clock that was never set', () => {
    setting(10)
    expect(screen.getByRole('region', { name: 'Clock' })).toBeTruthy()
    expect(warning()).toBeUndefined()
  })
  it('says that the clock was set on or back while it ran, by how much and when', () => {
    const { unmount } = setting(10, 45)
    expect(warning()).toMatch(/set on by 45 min at .*\d\d:\d\d: these times may be off by as much\.$/)
    unmount()
    setting(10, -30)
    expect(warning()).toMatch(/set back by 30 min at/)
  })
  it('says nothing of a clock that was set before it began', () => {
    setting(10, undefined, { at: START - 60 * MINUTE, byMillis: 45 * MINUTE })
    expect(warning()).toBeUndefined()
  })
})

describe('a window of a minute or two', () => {
  const shown = (secondsIn: number) => {
    serverWith({ 'GET /machine-runs': [] })
    const bench = new Bench('implant-verification').upTo('tray-cure')
    const labMillis = bench.now + secondsIn * 1000
    useLabClock.setState({ labMillis, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
    return show(<StepClock caseId="c1" job={bench.job} step={stepOf(bench.job, 'tray-cure')} />)
  }
  it('is told by the second: two minutes of light over wax', () => {
    shown(45)
    expect(screen.getByText(/^0:4[45] to go\./)).toBeTruthy()
    expect(screen.getByRole('region', { name: 'Clock' }).textContent).toMatch(/\d\d:\d\d:\d\d/)
  })
  it('and what is left of it', () => {
    shown(100)
    expect(screen.getByText(/^0:(19|20) left\.$/)).toBeTruthy()
  })
})
