import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { materials } from '@yentrik/core'
import { START } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { type Shelf, useShelf } from '../record/shelf.ts'
import { refusal, type SentRequest, serverWith, show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import { LotCard } from './LotCard.tsx'
import { lotFaults, lotOf, readLotRow, type TypedLot } from './lot-entry.ts'
import { ProductForm } from './ProductForm.tsx'
import { ReceiveLot } from './ReceiveLot.tsx'
import { ShelfScreen } from './ShelfScreen.tsx'

const button = (name: string | RegExp) => screen.getByRole('button', { name })
const noProducts: Pick<Shelf, 'products'> = { products: [] }
const type4 = materials.get('high-strength-stone')!
const ours = {
  products: [
    {
      product: { productId: 'p-1', materialId: type4.id, name: 'Blue die stone', source: 'the pack' },
      card: type4,
      flags: [],
    },
  ],
} as unknown as Pick<Shelf, 'products'>

describe('a row of a delivery', () => {
  const row = (
    cells: Partial<Record<'Material' | 'Product' | 'Lot' | 'Expires' | 'Received' | 'Low below', string>>,
  ) => ({
    line: 2,
    cells: {
      Material: 'Dental stone, type 3',
      Product: '',
      Lot: 'B-1',
      Expires: '',
      Received: '',
      'Low below': '',
      ...cells,
    },
  })
  const read = (cells: Parameters<typeof row>[0], shelf = noProducts) => readLotRow(row(cells), shelf)
  it('names its material as the shelf does, or by its id, in any letters', () => {
    for (const Material of ['Dental stone, type 3', 'dental STONE, type 3', 'dental-stone'])
      expect(read({ Material })).toMatchObject({
        ok: true,
        value: { materialId: 'dental-stone', number: 'B-1' },
      })
  })
  it('may name a product alone', () =>
    expect(read({ Material: '', Product: 'blue DIE stone' }, ours)).toMatchObject({
      ok: true,
      value: { materialId: type4.id, productId: 'p-1' },
    }))
  it.each([
    [{ Material: 'moon rock' }, 'There is no material "moon rock". Write it as the shelf does.'],
    [{ Product: 'Red' }, 'There is no product "Red" on the shelf. Add it there first.'],
    [{ Product: 'Blue die stone' }, 'Blue die stone is no dental stone, type 3.'],
    [{ Expires: '1.5.2028' }, '"1.5.2028" is no day. Write it as 2028-05-01.'],
    [{ Lot: ' ' }, 'Enter the lot number from the pack.'],
    [{ Received: 'much' }, '"much" is not a number. Use digits and one decimal point or comma, in g.'],
  ])('%j is refused: %s', (cells, sentence) => expect(read(cells, ours)).toEqual({ ok: false, sentence }))
})

describe('a lot as it is typed', () => {
  const typed: TypedLot = {
    materialId: type4.id,
    productId: '',
    number: ' S-9 ',
    expiresOn: '',
    receivedGrams: '25 kg',
    lowBelowGrams: '',
  }
  it('is sent in grams, without what was left empty', () =>
    expect(lotOf(typed)).toEqual({ materialId: type4.id, number: 'S-9', receivedGrams: 25_000 }))
  it('is sent whole', () =>
    expect(lotOf({ ...typed, productId: 'p', expiresOn: '2029-01-31', lowBelowGrams: '2000' })).toEqual({
      materialId: type4.id,
      number: 'S-9',
      productId: 'p',
      expiresOn: '2029-01-31',
      receivedGrams: 25_000,
      lowBelowGrams: 2000,
    }))
  it('wants its number, and numbers where numbers stand', () => {
    expect(lotFaults(typed)).toEqual({
      number: undefined,
      receivedGrams: undefined,
      lowBelowGrams: undefined,
    })
    expect(lotFaults({ ...typed, number: ' ', lowBelowGrams: 'few' })).toMatchObject({
      number: 'Enter the lot number from the pack.',
      lowBelowGrams: expect.stringContaining('"few"'),
    })
  })
})

/** A part of the shelf with the shelf that the server tells of. */
function WithShelf({ part }: { readonly part: (shelf: Shelf) => React.ReactElement }) {
  return part(useShelf())
}

describe('a lot that has come', () => {
  it('is stored; the next of the delivery keeps all but its number', async () => {
    const sent = serverWith({ 'GET /lots': [], 'GET /products': [], 'POST /lots': (body: unknown) => body })
    const { user } = show(<WithShelf part={(shelf) => <ReceiveLot materialId={type4.id} shelf={shelf} />} />)
    await user.type(screen.getByLabelText('Lot number'), 'S-9')
    await user.type(screen.getByLabelText('Powder'), '25 kg')
    await user.click(button('Onto the shelf'))
    expect(await screen.findByText('Lot S-9 is on the shelf.')).toBeTruthy()
    expect(sent.filter(({ method }) => method === 'POST')).toEqual([
      {
        method: 'POST',
        address: '/lots',
        body: { materialId: type4.id, number: 'S-9', receivedGrams: 25_000 },
      },
    ])
    expect(screen.getByLabelText<HTMLInputElement>('Lot number').value).toBe('')
    expect(screen.getByLabelText<HTMLInputElement>('Powder').value).toBe('25 kg')
  })
  it('that the shelf has already is refused beside its number', async () => {
    serverWith({
      'GET /lots': [],
      'GET /products': [],
      'POST /lots': refusal({
        field: 'number',
        detail: 'Lot S-9 is on the shelf already.',
        remedy: 'Look there.',
      }),
    })
    const { user } = show(<WithShelf part={(shelf) => <ReceiveLot materialId={type4.id} shelf={shelf} />} />)
    await user.type(screen.getByLabelText('Lot number'), 'S-9')
    await user.click(button('Onto the shelf'))
    expect((await screen.findByRole('alert')).textContent).toBe(
      'Lot S-9 is on the shelf already. Look there.',
    )
    expect(screen.getByLabelText<HTMLInputElement>('Lot number').value).toBe('S-9')
  })
})

describe('a lot on the shelf', () => {
  let sent: SentRequest[]
  const card = (more: Parameters<typeof lot>[0] = {}) => {
    sent = serverWith({
      'GET /lots': [],
      'GET /products': [],
      'GET /lots/:lotId/cases': [
        {
          caseId: 'c1',
          docket: 'K-7',
          jobNames: ['Study cast'],
          clinic: 'Mill Lane',
          powderGrams: 100,
          lastAt: '2026-03-02T07:00:00Z',
          status: 'open',
        },
      ],
      'POST /lots/:lotId/open': lot(),
      'POST /lots/:lotId/use': lot(),
      'POST /lots/:lotId/release': lot(),
      'POST /lots/:lotId/quarantine': lot(),
    })
    return show(
      <WithShelf
        part={(shelf) => (
          <ul>
            <LotCard lot={lot(more)} shelf={shelf} now={START} />
          </ul>
        )}
      />,
    )
  }
  const posted = () =>
    sent.filter(({ method }) => method === 'POST').map(({ address, body }) => [address, body])
  it('says what is left of how much, and what it wants', () => {
    card({ runsLow: true, leftGrams: 900 })
    const item = screen.getByRole('listitem', { name: 'Lot S-77' })
    expect(item.textContent).toMatch(/900 g of 25.?000 g left/)
    expect(within(item).getByText(/Runs low, 900 g left/)).toBeTruthy()
  })
  it('shows the cases that used it', async () => {
    const { user } = card()
    await user.click(button('Its cases'))
    expect((await screen.findByRole('link', { name: 'K-7' })).getAttribute('href')).toBe('/case/c1')
    await user.click(button('Its cases'))
    expect(screen.queryByRole('link', { name: 'K-7' })).toBeNull()
  })
  it('is opened, used up and used again', async () => {
    const { user } = card({ openedOn: null })
    await user.click(button('Opened today'))
    await user.click(button('Used up: lot S-77'))
    expect(posted()).toEqual([
      ['/lots/l-1/open', {}],
      ['/lots/l-1/use', { inUse: false }],
    ])
  })
  it('goes into quarantine with a reason, and its open cases are counted', async () => {
    const { user } = card({ openCases: 2 })
    await user.click(button('Quarantine'))
    expect(screen.getByText('2 open cases have used it: they are flagged.')).toBeTruthy()
    await user.click(button('Into quarantine'))
    expect(screen.getByText('Say why, so that whoever comes next knows.')).toBeTruthy()
    await user.type(screen.getByLabelText('Why nobody may use it'), 'recalled')
    await user.click(button('Into quarantine'))
    await waitFor(() => expect(posted()).toEqual([['/lots/l-1/quarantine', { reason: 'recalled' }]]))
  })
  it('comes out of it', async () => {
    const { user } = card({ quarantine: 'recalled' })
    expect(screen.getByText(/In quarantine: recalled/)).toBeTruthy()
    await user.click(button('Release it'))
    expect(posted()).toEqual([['/lots/l-1/release', {}]])
  })
})

describe('a product of the lab', () => {
  const form = (answers: object = { 'POST /products': {} }) => {
    const sent = serverWith(answers)
    let done = 0
    const shown = show(<ProductForm classCard={type4} onDone={() => done++} />)
    return { ...shown, sent, done: () => done }
  }
  it('is stored with what its pack says, and nothing else', async () => {
    const { user, sent, done } = form()
    await user.type(screen.getByLabelText('Name in this lab'), 'Blue die stone')
    await user.type(screen.getByLabelText('Ratio'), '0.23')
    await user.click(button('Store'))
    await waitFor(() => expect(done()).toBe(1))
    expect(sent[0]).toMatchObject({
      address: '/products',
      body: { materialId: type4.id, name: 'Blue die stone', source: 'the pack', millilitresPerGram: 0.23 },
    })
  })
  it('out of its class is flagged, and stored all the same', async () => {
    const { user } = form()
    await user.type(screen.getByLabelText('Name in this lab'), 'Blue')
    await user.type(screen.getByLabelText('Ratio'), '0.20')
    expect(screen.getByText(/outside the class.*the pack wins/)).toBeTruthy()
  })
  it('says what cannot be, and keeps it', async () => {
    const { user, sent } = form()
    await user.type(screen.getByLabelText('Ratio'), '-1')
    await user.click(button('Store'))
    expect(await screen.findAllByRole('alert')).not.toEqual([])
    expect(screen.getByLabelText<HTMLInputElement>('Ratio').value).toBe('-1')
    expect(sent).toEqual([])
  })
  it('may be left', async () => {
    const { user, done } = form()
    await user.type(screen.getByLabelText('Name in this lab'), 'x')
    await user.click(button('Leave it'))
    expect(done()).toBe(1)
  })
})

describe('the shelf', () => {
  const open = (at = '/shelf') => {
    useLabClock.setState({ labMillis: START, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
    serverWith({
      'GET /lots': [
        lot(),
        lot({ lotId: 'l-2', materialId: 'dental-stone', number: 'D-3', quarantine: 'recalled' }),
      ],
      'GET /products': [],
      'GET /equipment': [],
      'GET /alloy-pieces': [],
    })
    return show(<ShelfScreen />, { at, pattern: '/shelf' })
  }
  it('opens with stone, its figures and its lots', async () => {
    open()
    const opened = await screen.findByRole('region', { name: type4.name })
    expect(within(opened).getByRole('listitem', { name: 'Lot S-77' })).toBeTruthy()
    expect(opened.textContent).toContain('0.23')
  })
  it('names what wants attention, and leads there', async () => {
    const { user, where } = open()
    const wants = await screen.findByRole('list', { name: 'Wants attention' })
    await user.click(within(wants).getByRole('button', { name: /D-3 in quarantine/ }))
    expect(where()).toBe('/shelf?material=dental-stone')
    expect(screen.getByRole('region', { name: 'Dental stone, type 3' })).toBeTruthy()
  })
  it('shows its lots as a table', async () => {
    const { user } = open()
    fireEvent.click(await screen.findByText('Lots', { selector: 'label' }))
    const table = await screen.findByRole('table', { name: 'Lots' })
    expect(within(table).getAllByRole('row')).toHaveLength(3)
    await user.click(within(table).getByText(/D-3/))
    expect(await screen.findByRole('region', { name: 'Dental stone, type 3' })).toBeTruthy()
  })
})
