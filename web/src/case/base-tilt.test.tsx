import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { inventedPair, leavingOut, stepOf } from '@yentrik/core'
import { Bench } from '@yentrik/core/testing'
import { openedCase } from '../testing/opened-case.tsx'

/** At the upper base, with heights in its plan, thick enough. */
function atUpperBase(): Bench {
  const bench = new Bench('study-model-pair').upTo('measure')
  const heights = [
    { at: { x: 0, y: 44 }, heightMillimetres: 45 },
    { at: { x: -24, y: 6 }, heightMillimetres: 45 },
    { at: { x: 24, y: 6 }, heightMillimetres: 45 },
  ]
  const { upper, lower } = inventedPair
  bench.sheet('measure', 'trim-plan', {
    kind: 'trimPlan',
    entry: { ...inventedPair, upper: { ...upper, heights }, lower: { ...lower, heights } },
  })
  bench.finish('measure')
  for (const command of leavingOut(bench.job, stepOf(bench.job, 'rebase'), 'Thick enough')) bench.do(command)
  return bench.upTo('upper-base')
}
const helper = () => within(screen.getByRole('region', { name: 'Degrees from three heights' }))

describe('the degrees of a base', () => {
  it('come from three heights: nobody reckons them', async () => {
    const bench = atUpperBase()
    const { user } = await openedCase(bench)
    await user.type(helper().getByLabelText('Front'), '35,2')
    await user.type(helper().getByLabelText('Left heel'), '35.2')
    expect(helper().queryByRole('button')).toBeNull()
    await user.type(helper().getByLabelText('Right heel'), '35.2')
    await user.click(helper().getByRole('button', { name: /^Record 0\.0°/ }))
    await waitFor(() => expect(bench.job.steps['upper-base']?.readings).toHaveLength(1))
    expect(bench.job.steps['upper-base']?.readings[0]).toMatchObject({ checkId: 'base-tilt', value: 0 })
    expect(screen.getByText('0°: passes')).toBeTruthy()
  })
  it('are not worked out of what cannot be', async () => {
    const { user } = await openedCase(atUpperBase())
    await user.type(helper().getByLabelText('Front'), '0')
    await user.type(helper().getByLabelText('Left heel'), '35')
    await user.type(helper().getByLabelText('Right heel'), '35')
    expect(helper().getByRole('alert').textContent).toContain('Enter heights above 0.')
    expect(helper().queryByRole('button')).toBeNull()
  })
  it('say where least and most come off, and nothing below nought', async () => {
    await openedCase(atUpperBase())
    const plan = screen.getByRole('region', { name: 'From the plan' }).textContent
    expect(plan).toContain('least, ')
    expect(plan).toContain('most, ')
    expect(plan).not.toContain('-')
  })
})
