import { describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import { qty, saying } from '@yentrik/core'
import { useState } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { show } from '../testing/lab.tsx'
import { NumberField } from './NumberField.tsx'

function Field({ unit = 'mm', fault }: { readonly unit?: string; readonly fault?: string }) {
  const [text, setText] = useState('')
  return (
    <NumberField label="Height" unit={unit} text={text} onText={setText} fault={fault} hint="From the base" />
  )
}
const entry = () => screen.getByLabelText<HTMLInputElement>('Height')

describe('a measured number', () => {
  it('keeps what is typed, whatever it is', async () => {
    const { user } = show(<Field />)
    await user.type(entry(), '12,5 or so')
    expect(entry()).toHaveProperty('value', '12,5 or so')
    expect(screen.getByText('mm')).toBeTruthy()
    expect(screen.getByText('From the base')).toBeTruthy()
  })
  // 2.75 in is 69.85 mm (exact).
  it('says what it understood where another unit was typed along', async () => {
    const { user } = show(<Field />)
    await user.type(entry(), '2.75 in')
    expect(screen.getByText('is 69.85 mm')).toBeTruthy()
    expect(screen.queryByText('From the base')).toBeNull()
    expect(entry()).toHaveProperty('value', '2.75 in')
  })
  it('says what is wrong beside the field, to those who hear it as well', () => {
    show(<Field fault="Measure again." />)
    expect(screen.getByRole('alert').textContent).toBe('Measure again.')
    expect(entry().getAttribute('aria-invalid')).toBe('true')
    const told = document.getElementById(entry().getAttribute('aria-describedby')!)
    expect(told?.textContent).toContain('Measure again.')
  })
  it('says a fault in the units of the bench', () => {
    usePreferences.setState({ units: 'us' })
    show(
      <NumberField
        label="Height"
        unit="mm"
        text="1"
        onText={() => undefined}
        fault={saying`At least ${qty.mm(25.4)}.`}
      />,
    )
    expect(screen.getByRole('alert').textContent).toMatch(/At least 1(\.0+)? in\./)
  })
})
