import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import type { Closure, DataOfKind } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { askingFor } from '../testing/case.ts'
import { show } from '../testing/lab.tsx'
import { ClosuresEntry } from './ClosuresEntry.tsx'

const { sheet, job, step } = askingFor('closures')
const closure = (kilopascals: number, flash: boolean, gap = false): Closure => ({
  kilopascals,
  flash,
  gap,
  from: 'hand',
})

function entry(closures: readonly Closure[] = [], stores = true) {
  const recorded: DataOfKind<'closures'>[] = []
  const shown = show(
    <ClosuresEntry
      sheet={sheet}
      last={closures.length > 0 ? { kind: 'closures', closures } : undefined}
      caseId="c1"
      job={job}
      step={step}
      teeth={[]}
      enclosures={[]}
      draftKey="closures"
      open
      onRecord={async (data) => {
        recorded.push(data)
        return stores
      }}
    />,
  )
  return { ...shown, recorded }
}
const gauge = (text: string) =>
  fireEvent.change(screen.getByLabelText('Gauge, as it held'), { target: { value: text } })
const see = (words: string) => fireEvent.click(screen.getByRole('radio', { name: words }))

describe('trial closures', () => {
  it('are added one after the other, with what showed after opening', async () => {
    const { user, recorded } = entry([closure(3500, true, true)])
    gauge('10300')
    see('Flash')
    await user.click(screen.getByRole('button', { name: 'Record closure 2' }))
    expect(recorded).toEqual([
      { kind: 'closures', closures: [closure(3500, true, true), closure(10_300, true)] },
    ])
  })
  it('want the gauge and what shows, and keep what was typed', async () => {
    const { user, recorded } = entry()
    gauge('gently')
    await user.click(screen.getByRole('button', { name: 'Record closure 1' }))
    expect(screen.getByText('Open the flask and say what shows.')).toBeTruthy()
    expect(screen.getByText(/"gently" is not a number/)).toBeTruthy()
    expect(recorded).toEqual([])
    expect(screen.getByLabelText<HTMLInputElement>('Gauge, as it held').value).toBe('gently')
  })
  it('are typed in psi where the bench wants that, and stored in kPa', async () => {
    usePreferences.setState({ units: 'us' })
    const { user, recorded } = entry()
    gauge('1500')
    see('No flash, no gap')
    await user.click(screen.getByRole('button', { name: 'Record closure 1' }))
    // 1500 psi is 10 342 kPa (NIST SP 811, exact).
    expect(recorded[0]!.closures[0]!.kilopascals).toBeCloseTo(10_342.1355, 3)
    expect(recorded[0]!.closures[0]).toMatchObject({ flash: false, gap: false, from: 'hand' })
  })
  it('that were not stored keep their draft', async () => {
    const first = entry([], false)
    gauge('3500')
    see('Flash and a gap')
    await first.user.click(screen.getByRole('button', { name: 'Record closure 1' }))
    first.unmount()
    entry()
    expect(screen.getByLabelText<HTMLInputElement>('Gauge, as it held').value).toBe('3500')
    expect(screen.getByRole<HTMLInputElement>('radio', { name: 'Flash and a gap' }).checked).toBe(true)
  })
  it('so far are listed with pressure and sight', () => {
    entry([closure(3500, true, true), closure(10_300, true)])
    const rows = within(screen.getByRole('list', { name: 'Closures so far' })).getAllByRole('listitem')
    expect(rows.map(({ textContent }) => textContent)).toEqual([
      expect.stringMatching(/^1: 3.?500 kPaFlash and a gap, typed$/),
      expect.stringMatching(/^2: 10.?300 kPaFlash, typed$/),
    ])
  })
  it('say what to do next, and fold away once one was clean', () => {
    const { container, unmount } = entry([closure(10_300, true)])
    expect(container.querySelector('details')!.open).toBe(true)
    unmount()
    const clean = entry([closure(10_300, true), closure(10_300, false)])
    expect(clean.container.querySelector('details')!.open).toBe(false)
  })
})
