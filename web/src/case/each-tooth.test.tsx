import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { Bench } from '@yentrik/core/testing'
import { usePreferences } from '../preferences/preferences.ts'
import { openedCase } from '../testing/opened-case.tsx'

describe('a check that is read tooth by tooth', () => {
  it('stands once for each retainer, in the tooth numbers of the bench, and says at which it was read', async () => {
    usePreferences.setState({ teeth: 'universal' })
    const bench = new Bench('cast-bridge').upTo('inspect-dies')
    const { user } = await openedCase(bench)
    const dies = screen.getByRole('region', { name: 'Dies' })
    // FDI 35 and 37 are 20 and 18 in universal numbers; the pontic, 36, is not asked for.
    expect(
      within(dies)
        .getAllByRole('group', { name: /^Tooth/ })
        .map((each) => each.getAttribute('aria-label')),
    ).toEqual(['Tooth 20', 'Tooth 18'])
    const second = within(dies).getByRole('group', { name: 'Tooth 18' })
    await user.click(within(second).getByRole('button', { name: 'Sound, margin clear' }))
    await waitFor(() => expect(bench.job.steps['inspect-dies']?.readings).toMatchObject([{ tooth: 37 }]))
    expect(within(second).getByText(/passes/)).toBeTruthy()
    expect(within(within(dies).getByRole('group', { name: 'Tooth 20' })).queryByText(/passes/)).toBeNull()
    usePreferences.setState({ teeth: 'fdi' })
  })
  it('a single crown is asked once, without a number beside it', async () => {
    const bench = new Bench('cast-crown')
    bench.do({ type: 'amend', changes: { teeth: [46] }, reason: 'one only' })
    await openedCase(bench.upTo('inspect-dies'))
    const dies = screen.getByRole('region', { name: 'Dies' })
    expect(within(dies).queryByRole('group', { name: /^Tooth/ })).toBeNull()
    expect(within(dies).getAllByRole('button', { name: 'Sound, margin clear' })).toHaveLength(1)
  })
})

describe('the limits of a measure', () => {
  it('that come of another unit are no finer than the gauge', async () => {
    await openedCase(new Bench('complete-denture').upTo('final-closure'))
    // 2700 and 3300 psi of 6.894757 kPa (NIST SP 811).
    const gauge = within(screen.getByRole('region', { name: 'Press gauge' }))
    expect(gauge.getByText('18616 kPa to 22753 kPa')).toBeTruthy()
  })
})

describe('the metal of a casting', () => {
  it('is said in grams; what was ordered stands first, and another can still be told', async () => {
    const bench = new Bench('cast-crown', { metal: 'palladium', arrives: 'dies' }).upTo('sprue')
    for (const command of bench.carefully('sprue')) bench.do(command)
    bench.check('sprue', 'weight-with-sprue', 0.95)
    bench.finish('sprue')
    await openedCase(bench.upTo('weigh-metal'))
    const alloy = within(screen.getByRole('region', { name: 'Alloy to melt' }))
    expect(alloy.getByText('As ordered: Palladium-silver for ceramic.')).toBeTruthy()
    // By hand: 0.95 g of wax at 0.95 g/cm3 are 1 cm3, 11 g of it, and a button of 6 g.
    expect(alloy.getByLabelText('Alloy wanted').textContent).toBe('17 g')
    const named = within(alloy.getByRole('combobox', { name: 'Alloy', hidden: true }))
      .getAllByRole('option', { hidden: true })
      .map(({ textContent }) => textContent)
    expect(named[0]).toBe('Palladium-silver for ceramic')
    expect(named).toContain('Cobalt-chromium')
  })
})
