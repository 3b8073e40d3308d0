import { describe, expect, it, jest } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { Refusal } from '../live/request.ts'
import { refusal, show } from '../testing/lab.tsx'
import { ImportPreview } from './ImportPreview.tsx'

const heads = ['Lot', 'Grams'] as const
const file = (text: string) => {
  const made = new File([text], 'lots.csv', { type: 'text/csv' })
  // jsdom has no reader of its own here.
  made.text = async () => text
  return made
}
function preview(store: (value: string) => Promise<unknown> = async () => undefined) {
  const shown = show(
    <ImportPreview
      what="Lots"
      heads={heads}
      needed={['Lot']}
      read={({ cells }) =>
        cells.Lot.startsWith('B')
          ? { ok: true, value: cells.Lot }
          : { ok: false, sentence: `"${cells.Lot}" is no lot.` }
      }
      words={({ cells }) => `${cells.Lot}, ${cells.Grams} g`}
      store={store}
    />,
  )
  const give = (text: string) =>
    shown.user.upload(document.querySelector<HTMLInputElement>('input[type=file]')!, file(text))
  return { ...shown, give }
}
const rows = () =>
  within(screen.getByRole('list', { name: 'Rows of the file' }))
    .getAllByRole('listitem')
    .map((row) => row.textContent)

describe('what comes in from a file', () => {
  it('is shown row by row with its line, what is good and what is wrong, before anything is stored', async () => {
    const store = jest.fn(async () => undefined)
    const { give } = preview(store)
    await give('Lot,Grams\nB-1,5\nX-2,6\nB-3,7')
    await waitFor(() => expect(rows()).toHaveLength(3))
    expect(rows()[0]).toContain('line 2')
    expect(rows()[0]).toContain('B-1, 5 gGood')
    expect(rows()[1]).toContain('"X-2" is no lot.')
    expect(screen.getByText(/1 of 3 want mending/)).toBeTruthy()
    expect(store).not.toHaveBeenCalled()
  })
  it('is stored in the order of the file, the good rows alone', async () => {
    const stored: string[] = []
    const { user, give } = preview(async (value) => stored.push(value))
    await give('Lot\nB-2\nX\nB-1')
    await user.click(await screen.findByRole('button', { name: 'Store the 2 good rows' }))
    await waitFor(() => expect(stored).toEqual(['B-2', 'B-1']))
    await waitFor(() => expect(rows()[0]).toContain('Stored'))
    expect(rows()[1]).not.toContain('Stored')
    expect(screen.getByRole('button', { name: 'Done' })).toBeTruthy()
    expect(screen.queryByRole('button', { name: /^Store/ })).toBeNull()
  })
  it('says beside its row why one was refused, and lets it be tried again', async () => {
    let full = true
    const { user, give } = preview(async () => {
      if (full) throw new Refusal(refusal({ detail: 'The shelf is full.', remedy: 'Make room.' }).refused)
    })
    await give('Lot\nB-1')
    await user.click(await screen.findByRole('button', { name: 'Store the good row' }))
    expect(await screen.findByText('The shelf is full. Make room.')).toBeTruthy()
    full = false
    await user.click(screen.getByRole('button', { name: 'Store the good row' }))
    await waitFor(() => expect(rows()[0]).toContain('Stored'))
  })
  it('that is no such file says what it lacks, with its name', async () => {
    const { give } = preview()
    await give('Colour\nblue')
    expect((await screen.findByRole('alert')).textContent).toMatch(/^lots\.csv: The file has no column Lot\./)
    expect(screen.queryByRole('list')).toBeNull()
  })
  it('can be left', async () => {
    const { user, give } = preview()
    await give('Lot\nB-1')
    await user.click(await screen.findByRole('button', { name: 'Leave it' }))
    expect(screen.queryByRole('list')).toBeNull()
  })
})
