import { describe, expect, it, jest } from '@jest/globals'
import { act, screen, within } from '@testing-library/react'
import { show } from '../testing/lab.tsx'
import { DataTable, type TableColumn } from './DataTable.tsx'

interface Lot {
  readonly number: string
  readonly grams?: number
}
const columns: readonly TableColumn<Lot>[] = [
  { id: 'number', name: 'Lot', value: ({ number }) => number, show: ({ number }) => number, width: '1fr' },
  {
    id: 'grams',
    name: 'Left',
    value: ({ grams }) => grams,
    show: ({ grams }) => (grams === undefined ? '?' : `${grams} g`),
    width: '6rem',
    right: true,
  },
]
const some: readonly Lot[] = [
  { number: 'B-10', grams: 5 },
  { number: 'B-9', grams: 500 },
  { number: 'A-1' },
  { number: 'B-2', grams: 50 },
]

const table = (rows: readonly Lot[] = some, more: Partial<Parameters<typeof DataTable<Lot>>[0]> = {}) =>
  show(
    <DataTable
      name="Lots"
      rows={rows}
      columns={columns}
      keyOf={({ number }) => number}
      empty="No lot yet."
      rowHeight={40}
      {...more}
    />,
  )
const first = () =>
  within(screen.getByRole('table'))
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.firstChild?.textContent)
const head = (name: string) => screen.getByRole('button', { name })
const sortOf = (name: string) => screen.getByRole('columnheader', { name }).getAttribute('aria-sort')

describe('a table', () => {
  it('stands as it came, says how many rows there are, and has a name', () => {
    table()
    expect(first()).toEqual(['B-10', 'B-9', 'A-1', 'B-2'])
    expect(screen.getByText('4 rows')).toBeTruthy()
    expect(screen.getByRole('table', { name: 'Lots' }).getAttribute('aria-rowcount')).toBe('5')
  })
  it('begins at the row that is looked for, marked, and is then whoever reads it', async () => {
    const { user } = table(some, { startsAt: 'A-1' })
    const focusable = () => screen.getAllByRole('row').find((row) => row.getAttribute('tabindex') === '0')!
    expect(focusable().firstChild?.textContent).toBe('A-1')
    expect(focusable().className).toContain('bg-warning')
    focusable().focus()
    await user.keyboard('{ArrowDown}')
    expect(focusable().firstChild?.textContent).toBe('B-2')
  })
  it('is sorted by a tap on a head, and the other way by another; digits by their value', async () => {
    const { user } = table()
    await user.click(head('Lot'))
    expect(first()).toEqual(['A-1', 'B-2', 'B-9', 'B-10'])
    expect(sortOf('Lot')).toBe('ascending')
    await user.click(head('Lot'))
    expect(first()).toEqual(['B-10', 'B-9', 'B-2', 'A-1'])
    expect(sortOf('Lot')).toBe('descending')
    expect(sortOf('Left')).toBe('none')
  })
  it('puts what has no value last, either way', async () => {
    const { user } = table()
    await user.click(head('Left'))
    expect(first()).toEqual(['B-10', 'B-2', 'B-9', 'A-1'])
    await user.click(head('Left'))
    expect(first()).toEqual(['B-9', 'B-2', 'B-10', 'A-1'])
  })
  it('may begin sorted', () => {
    table(some, { startsBy: { id: 'grams', desc: true } })
    expect(first()).toEqual(['B-9', 'B-2', 'B-10', 'A-1'])
  })
  it('says so when it is empty, and when there is one row', () => {
    const { rerender } = table([])
    expect(screen.getByText('No lot yet.')).toBeTruthy()
    expect(screen.getByText('0 rows')).toBeTruthy()
    rerender(
      <DataTable
        name="Lots"
        rows={some.slice(0, 1)}
        columns={columns}
        keyOf={({ number }) => number}
        empty="No lot yet."
      />,
    )
    expect(screen.getByText('1 row')).toBeTruthy()
    expect(screen.queryByText('No lot yet.')).toBeNull()
  })
  it('opens a row by a tap and by Enter, by keys alone', async () => {
    const open = jest.fn()
    const { user } = table(some, { onOpen: open })
    await user.click(screen.getByText('B-9'))
    expect(open).toHaveBeenLastCalledWith(some[1])
    expect(open).toHaveBeenCalledTimes(1)
    act(() => screen.getAllByRole('row')[1]!.focus())
    await user.keyboard('{Enter}')
    expect(open).toHaveBeenLastCalledWith(some[0])
  })
  it('is walked through by the arrows, and its ends are ends', async () => {
    const { user } = table()
    const frames = jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation((frame) => {
      frame(0)
      return 0
    })
    const focused = () => document.activeElement?.firstChild?.textContent
    act(() => screen.getAllByRole('row')[1]!.focus())
    await user.keyboard('{ArrowDown}')
    expect(focused()).toBe('B-9')
    await user.keyboard('{End}')
    expect(focused()).toBe('B-2')
    await user.keyboard('{ArrowDown}')
    expect(focused()).toBe('B-2')
    await user.keyboard('{Home}{ArrowUp}')
    expect(focused()).toBe('B-10')
    // One row alone can be come to by Tab.
    expect(screen.getAllByRole('row').filter((row) => row.tabIndex === 0)).toHaveLength(1)
    frames.mockRestore()
  })
  it('makes no more rows than are seen', () => {
    table(Array.from({ length: 2000 }, (_, n) => ({ number: `B-${n}` })))
    expect(screen.getByText('2000 rows')).toBeTruthy()
    expect(screen.getAllByRole('row').length).toBeLessThan(80)
  })
  it('goes out as CSV in the order in which it stands', async () => {
    const texts: string[] = []
    const blob = jest.spyOn(globalThis, 'Blob').mockImplementation(((parts: string[]) => {
      texts.push(parts.join(''))
      return {}
    }) as never)
    URL.createObjectURL = () => 'blob:x'
    URL.revokeObjectURL = () => undefined
    const click = jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined)
    const csv = { file: 'lots.csv', columns: [{ name: 'Lot', value: ({ number }: Lot) => number }] }
    const { user } = table(some, { csv })
    await user.click(head('Left'))
    await user.click(screen.getByRole('button', { name: 'CSV' }))
    expect(texts).toEqual(['\uFEFFLot\r\nB-10\r\nB-2\r\nB-9\r\nA-1'])
    expect(click).toHaveBeenCalledTimes(1)
    blob.mockRestore()
    click.mockRestore()
  })
})
