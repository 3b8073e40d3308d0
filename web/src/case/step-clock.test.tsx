import { afterEach, describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import type { ClockJump } from '@yentrik/contract'
import { goodSheet, stepOf } from '@yentrik/core'
import { Bench, J, MINUTE, START } from '@yentrik/core/testing'
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

describe('what does not pass', () => {
  const shownAt = (bench: Bench, stepId: string) => {
    serverWith({ 'GET /machine-runs': [] })
    useLabClock.setState({
      labMillis: bench.now,
      steadyMillis: performance.now(),
      speed: 1,
      mayBeMoved: false,
    })
    return show(<StepClock caseId="c1" job={bench.job} step={stepOf(bench.job, stepId)} />)
  }
  it('stands above a clock that is good, and the clock is not green while it does', () => {
    const bench = new Bench('cast-crown', { arrives: 'dies' }).upTo('burnout')
    bench.now += 300 * MINUTE
    const good = goodSheet(stepOf(bench.job, 'burnout').sheets![0]!)
    if (good.kind !== 'burnout') throw new Error('no burnout')
    const green = shownAt(bench, 'burnout')
    expect(screen.getByText('Good until').className).toContain('text-success')
    expect(screen.queryByRole('status', { name: 'Does not pass' })).toBeNull()
    green.unmount()
    // Read by hand after an hour: far from hot through.
    bench.sheet('burnout', 'burnout-phosphate', {
      ...good,
      run: { ...good.run, measured: [{ minutes: 60, celsius: 300 }] },
    })
    shownAt(bench, 'burnout')
    expect(screen.getByRole('status', { name: 'Does not pass' }).textContent).toMatch(
      /Burnout as it was: .*hold/,
    )
    expect(screen.getByText('Good until').className).not.toContain('text-success')
  })
  it('names the tooth at which it was read', () => {
    const bench = new Bench('cast-bridge').upTo('inspect-dies')
    bench.do({
      type: 'recordCheck',
      jobId: J,
      stepId: 'inspect-dies',
      checkId: 'dies-sound',
      tooth: 37,
      answer: 'A chip or bubble off the margin',
    })
    shownAt(bench, 'inspect-dies')
    expect(screen.getByRole('status', { name: 'Does not pass' }).textContent).toContain('Dies, 37: A chip')
  })
})
