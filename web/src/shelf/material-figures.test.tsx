import { afterEach, describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import { materials } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { show } from '../testing/lab.tsx'
import { MaterialFigures } from './MaterialFigures.tsx'

afterEach(() => {
  usePreferences.setState({ units: 'metric' })
})

describe('the figures of a material', () => {
  const shown = (id: string) => show(<MaterialFigures card={materials.get(id)!} />)
  it('of an investment and an alloy are in degrees Celsius', () => {
    const first = shown('phosphate-investment')
    expect(screen.getByText(/final hold/).textContent).toContain('850 °C')
    first.unmount()
    shown('cobalt-chromium')
    expect(screen.getByText(/cast at/).textContent).toContain('1400 °C to 1500 °C')
  })
  // Exact: 850 °C are 1562 °F, 1400 and 1500 °C 2552 and 2732 °F; 1.4 mm are 0.055 in.
  it('and in degrees Fahrenheit and inches on a bench that wants them', () => {
    usePreferences.setState({ units: 'us' })
    const first = shown('phosphate-investment')
    expect(screen.getByText(/final hold/).textContent).toContain('1562 °F')
    first.unmount()
    const second = shown('cobalt-chromium')
    expect(screen.getByText(/cast at/).textContent).toContain('2552 °F to 2732 °F')
    second.unmount()
    shown('baseplate-wax')
    expect(screen.getByText(/^0.055 in a sheet/)).toBeTruthy()
  })
})
