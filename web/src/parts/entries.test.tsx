import { describe, expect, it, jest } from '@jest/globals'
import { screen, within } from '@testing-library/react'
import { DomainError, qty, saying } from '@yentrik/core'
import { useState } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { show } from '../testing/lab.tsx'
import { attempt } from './attempt.ts'
import { Pills, SelectField } from './Choices.tsx'
import { FigureFields } from './FigureFields.tsx'
import { Message } from './Message.tsx'
import { NumberGrid } from './NumberGrid.tsx'
import { readNumber } from './read-number.ts'
import { Sheet } from './Sheet.tsx'
import { TextField } from './TextField.tsx'
import { readAll, type Typed, unitsOf } from './typed-figures.ts'

describe('a typed number', () => {
  it('is read in the unit of its field', () => {
    expect(readNumber('12,5', 'mm')).toEqual({ value: 12.5, converted: false })
    expect(readNumber('1 in', 'mm')).toEqual({ value: 25.4, converted: true })
  })
  it('may be left out where it is not wanted', () => {
    expect(readNumber(' ', 'mm', { wanted: false })).toEqual({})
    expect(readNumber(' ', 'mm').fault).toBe('Enter a number in mm.')
  })
  it('by how much has no zero to move', () => {
    expect(readNumber('10 °F', '°C').value).toBeCloseTo(-12.2222, 3)
    expect(readNumber('9 °F', '°C', { apart: true }).value).toBe(5)
  })
})

describe('several typed numbers', () => {
  const specs = [
    { key: 'height', label: 'Height', unit: 'mm' },
    { key: 'weight', label: 'Weight', unit: 'g' },
  ]
  const units = unitsOf(specs)
  const read = (typed: Typed) => readAll(typed, ['height', 'weight'], units)
  it('are read together, each in its own unit', () =>
    expect(read({ height: '2 cm', weight: '0.5 kg' })).toEqual({
      values: { height: 20, weight: 500 },
      faults: {},
    }))
  it('are none while one is missing or wrong, and each fault has its place', () => {
    const { values, faults } = read({ height: 'tall' })
    expect(values).toBeUndefined()
    expect(Object.keys(faults)).toEqual(['height', 'weight'])
    expect(faults.height).toContain('"tall" is not a number')
  })
  it('stand side by side; an empty one is told only where it is wanted', async () => {
    const Row = ({ wanted = false }) => {
      const [typed, setTyped] = useState<Typed>({ height: 'tall' })
      return (
        <FigureFields
          specs={specs}
          typed={typed}
          faults={read(typed).faults}
          onTyped={setTyped}
          wanted={wanted}
        />
      )
    }
    const { user, rerender } = show(<Row />)
    expect(screen.getAllByRole('alert')).toHaveLength(1)
    await user.clear(screen.getByLabelText('Height'))
    await user.type(screen.getByLabelText('Height'), '20')
    expect(screen.queryAllByRole('alert')).toHaveLength(0)
    rerender(<Row wanted />)
    expect(screen.getAllByRole('alert').map(({ textContent }) => textContent)).toEqual([
      'Enter a number in g.',
    ])
  })
})

describe('what the core refuses', () => {
  it('is told with what to do, its quantities kept', () => {
    const refused = attempt(() => {
      throw new DomainError('x', saying`${qty.mm(3)} is too high.`, 'Measure again.')
    })
    expect(refused.answer).toBeUndefined()
    expect(refused.refusal).toEqual([{ value: 3, kind: 'millimetres' }, ' is too high. Measure again.'])
    expect(attempt(() => 7)).toEqual({ answer: 7 })
  })
  it('is told no less than other errors: those are thrown on', () =>
    expect(() =>
      attempt(() => {
        throw new TypeError('a slip of ours')
      }),
    ).toThrow('a slip of ours'))
})

describe('choices', () => {
  const options = [
    ['upper', 'Upper'],
    ['lower', 'Lower'],
  ] as const
  it('side by side are one of a few', async () => {
    const choose = jest.fn()
    const { user } = show(<Pills label="Arch" options={options} value="upper" onChoose={choose} />)
    const group = within(screen.getByRole('group', { name: 'Arch' }))
    expect(group.getByRole<HTMLInputElement>('radio', { name: 'Upper' }).checked).toBe(true)
    await user.click(group.getByText('Lower'))
    expect(choose).toHaveBeenCalledWith('lower')
  })
  it('in a list are one of many, with a hint that is read along', async () => {
    const choose = jest.fn()
    const { user } = show(
      <SelectField label="Arch" options={options} value="upper" onChoose={choose} hint="As prescribed" />,
    )
    const list = screen.getByRole<HTMLSelectElement>('combobox', { name: 'Arch' })
    await user.selectOptions(list, 'Lower')
    expect(choose).toHaveBeenCalledWith('lower')
    expect(document.getElementById(list.getAttribute('aria-describedby')!)?.textContent).toBe('As prescribed')
  })
})

describe('words in a form', () => {
  it('keep what is typed and tell what is wrong', async () => {
    const typed = jest.fn()
    const { user, rerender } = show(<TextField label="Reason" text="" onText={typed} hint="Why" />)
    await user.type(screen.getByLabelText('Reason'), 'x')
    expect(typed).toHaveBeenCalledWith('x')
    expect(screen.getByText('Why')).toBeTruthy()
    rerender(<TextField label="Reason" text="" onText={typed} hint="Why" fault="Say why." />)
    expect(screen.getByRole('alert').textContent).toBe('Say why.')
    expect(screen.queryByText('Why')).toBeNull()
  })
  it('have room for several lines, and suggest', () => {
    const { rerender } = show(<TextField label="Note" text="a" onText={() => undefined} lines={4} />)
    expect(screen.getByLabelText('Note').tagName).toBe('TEXTAREA')
    rerender(<TextField label="Note" text="a" onText={() => undefined} suggestions={['Mill Lane']} />)
    expect(document.querySelector('datalist option')?.getAttribute('value')).toBe('Mill Lane')
  })
})

describe('numbers in a grid', () => {
  it('are named by column and row, and each cell is its own', async () => {
    const Grid = () => {
      const [rows, setRows] = useState([
        { at: '1', value: '' },
        { at: '', value: 'x' },
      ])
      return (
        <NumberGrid
          caption="Curve"
          columns={[
            ['at', 'Minutes'],
            ['value', 'Temperature'],
          ]}
          rows={rows}
          rowName="line"
          wrong={(row, column) => rows[row]![column] === 'x'}
          onText={(row, column, text) =>
            setRows(rows.map((each, n) => (n === row ? { ...each, [column]: text } : each)))
          }
        />
      )
    }
    const { user } = show(<Grid />)
    await user.type(screen.getByLabelText('Temperature, line 1'), '250')
    expect(screen.getByLabelText<HTMLInputElement>('Temperature, line 1').value).toBe('250')
    expect(screen.getByLabelText('Temperature, line 2').getAttribute('aria-invalid')).toBe('true')
    expect(screen.getByLabelText('Minutes, line 1').getAttribute('aria-invalid')).toBe('false')
  })
})

describe('a sheet over the bench', () => {
  it('has its question for a name, and is put away by its cross', async () => {
    const close = jest.fn()
    const { user } = show(
      <Sheet title="Go back" onClose={close}>
        <p>From where?</p>
      </Sheet>,
    )
    const dialog = screen.getByRole('dialog', { name: 'Go back' })
    expect(within(dialog).getByText('From where?')).toBeTruthy()
    await user.click(within(dialog).getByRole('button', { name: 'Close' }))
    expect(close).toHaveBeenCalledTimes(1)
  })
})

describe('what is told', () => {
  it('is an alarm where it is wrong, and a word else', () => {
    show(
      <>
        <Message tone="error">Wrong.</Message>
        <Message tone="warning">Careful.</Message>
        <Message tone="good">Right.</Message>
      </>,
    )
    expect(screen.getByRole('alert').textContent).toBe('Wrong.')
    expect(screen.getAllByRole('status').map(({ textContent }) => textContent)).toEqual([
      'Careful.',
      'Right.',
    ])
  })
  it('is in the units of the bench', () => {
    usePreferences.setState({ units: 'us' })
    // 100 °C is 212 °F (exact).
    show(<Message tone="warning" words={saying`It boils at ${qty.celsius(100, 0)}.`} />)
    expect(screen.getByRole('status').textContent).toBe('It boils at 212 °F.')
  })
})
