import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { Bench } from '@yentrik/core/testing'
import { openedCase } from '../testing/opened-case.tsx'

const said = (name: string) =>
  within(screen.getByRole('region', { name: 'Work authorisation' })).getByText(name).nextSibling?.textContent

describe('the prescription', () => {
  it('stands on the step that reads it, with what was not said in those words', async () => {
    await openedCase(new Bench('cast-bridge'))
    expect(said('Wanted')).toBe('as written')
    expect(said('Teeth')).toBe('35, 36, 37')
    expect(said('Prescribed by')).toBe('Dr. Orla, Mill Lane')
    expect(said('Materials')).toBe('not said')
    expect(said('Try-in')).toBe('not said')
  })
  it('is amended by its materials too, and shows them at once', async () => {
    const bench = new Bench('cast-bridge')
    const { user } = await openedCase(bench)
    await user.click(screen.getByRole('button', { name: /Change the work authorisation/ }))
    const sheet = within(screen.getByRole('dialog'))
    await user.type(sheet.getByLabelText('Materials'), 'Gold, type 3')
    await user.type(sheet.getByLabelText('Why it is changed'), 'The clinic rang')
    await user.click(sheet.getByRole('button', { name: 'Change it' }))
    await waitFor(() => expect(said('Materials')).toBe('Gold, type 3'))
    expect(bench.working.events.at(-1)).toMatchObject({ changes: { materials: 'Gold, type 3' } })
  })
  it('is not in the way of other steps', async () => {
    await openedCase(new Bench().upTo('fill'))
    expect(screen.queryByRole('region', { name: 'Work authorisation' })).toBeNull()
  })
  const ordered = () => {
    const bench = new Bench('wire-clasp-partial')
    bench.do({
      type: 'amend',
      changes: { materials: 'Mould oval 3', shade: 'Oat 2' },
      reason: 'The clinic rang',
    })
    return bench
  }
  it('what it names of materials and shade stands where a worn material is taken', async () => {
    await openedCase(ordered().upTo('set-teeth'))
    expect(screen.getByText('Mould oval 3; shade Oat 2')).toBeTruthy()
  })
  it('and not beside what only helps on the way', async () => {
    await openedCase(ordered().upTo('wax-base'))
    expect(screen.getByText(/Baseplate wax/)).toBeTruthy()
    expect(screen.queryByText(/The order says/)).toBeNull()
  })
})
