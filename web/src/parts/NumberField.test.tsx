import { beforeEach, describe, expect, it } from '@jest/globals'
import { act, screen } from '@testing-library/react'
import { qty, saying } from '@yentrik/core'
import { useState } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { show } from '../testing/lab.tsx'
import { NumberField } from './NumberField.tsx'
import { readNumber } from './read-number.ts'

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
  describe('on a bench with US units', () => {
    const Kept = ({ start = '', ...field }: { start?: string; unit?: string; apart?: boolean }) => {
      const [text, setText] = useState(start)
      return (
        <>
          <NumberField label="Height" unit="mm" {...field} text={text} onText={setText} />
          <p data-testid="kept">{text}</p>
        </>
      )
    }
    const kept = () => screen.getByTestId('kept').textContent
    beforeEach(() => {
      usePreferences.setState({ units: 'us' })
    })
    // 2.75 in is 69.85 mm (exact).
    it('is typed in its units, and keeps the unit along', async () => {
      const { user } = show(<Kept />)
      expect(screen.getByText('in')).toBeTruthy()
      await user.type(entry(), '2.75')
      expect(entry().value).toBe('2.75')
      expect(kept()).toBe('2.75 in')
      expect(readNumber(kept()!, 'mm').value).toBe(69.85)
      expect(screen.getByText('is 69.85 mm')).toBeTruthy()
      await user.clear(entry())
      expect(kept()).toBe('')
    })
    it('means the same when the units of the bench are changed', async () => {
      const { user } = show(<Kept unit="°C" />)
      await user.type(entry(), '212')
      act(() => usePreferences.setState({ units: 'metric' }))
      expect(entry().value).toBe('212 °F')
      expect(screen.getByText('is 100 °C')).toBeTruthy()
    })
    it('shows what is kept in millimetres in inches, the source beside it, and changes nothing by that', () => {
      show(<Kept start="12,7" />)
      expect(entry().value).toBe('0.5')
      expect(screen.getByText('is 12.7 mm')).toBeTruthy()
      expect(kept()).toBe('12,7')
    })
    it('takes the other unit where it is typed along', async () => {
      const { user } = show(<Kept />)
      await user.type(entry(), '25.4 mm')
      expect(kept()).toBe('25.4 mm')
      expect(screen.getByText('is 1 in')).toBeTruthy()
    })
    it('has no zero to move where it says by how much', async () => {
      const { user } = show(<Kept unit="°C" apart start="5" />)
      expect(entry().value).toBe('9')
      await user.clear(entry())
      await user.type(entry(), '18')
      expect(screen.getByText('is 10 °C')).toBeTruthy()
    })
    it('asks for its own units', () => {
      expect(readNumber('', '°C').fault).toBe('Enter a number in °F.')
      expect(readNumber('tall in', 'mm').fault).toMatch(/^"tall" is not a number\. .* in in\.$/)
    })
    it('leaves grams and degrees of angle as they are', async () => {
      const { user } = show(<Kept unit="g" />)
      await user.type(entry(), '12')
      expect(kept()).toBe('12')
    })
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
