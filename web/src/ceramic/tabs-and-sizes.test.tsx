import { describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import type { LotOnShelf } from '@yentrik/contract'
import { materials, type StepSheet } from '@yentrik/core'
import { ProductForm } from '../shelf/ProductForm.tsx'
import { productOf, typedProduct } from '../shelf/product-entry.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { button, entry, type } from '../testing/sheet-entry.tsx'
import { lot, stainPots } from '../testing/shelf.ts'
import { TabsPanel } from './TabsPanel.tsx'

describe('tabs of the lab', () => {
  const shown = (more: object = {}) => {
    const sent = serverWith({
      'GET /equipment': [{ kind: 'tab', name: 'Oat 2', L: 80.5, a: 2, b: 17, source: 'measured' }],
      'PUT /equipment/:name': {},
      ...more,
    })
    return { ...show(<TabsPanel />), sent }
  }
  const csv = (text: string) => Object.assign(new File([text], 'readings.csv'), { text: async () => text })
  it('one is kept under its own name; without a name or a colour it says what to do', async () => {
    const { user, sent } = shown()
    expect(await screen.findByText('Oat 2')).toBeTruthy()
    await user.click(button('Keep this tab'))
    expect(screen.getByRole('alert').textContent).toContain('Give the tab the name')
    type('Another tab', 'Slate 3')
    await user.click(button('Keep this tab'))
    expect(screen.getByRole('alert').textContent).toContain('Enter L*')
    for (const [part, value] of [
      ['L*', '70,5'],
      ['a*', '0'],
      ['b*', '11'],
    ] as const)
      type(`Colour ${part}`, value)
    await user.click(button('Keep this tab'))
    const put = sent.find(({ method }) => method === 'PUT')!
    expect([put.address, put.body]).toEqual([
      '/equipment/Slate%203',
      { kind: 'tab', L: 70.5, a: 0, b: 11, source: 'measured here' },
    ])
  })
  it('come in as a table, are shown, and are kept; a file that is none says which line', async () => {
    const { user, sent } = shown()
    const input = () => screen.getByLabelText('Readings from CSV')
    await user.upload(input(), csv('name;L*;a*;b*\nTab A;79,5;1;17\nTab B;x;1;17'))
    expect((await screen.findByRole('alert')).textContent).toContain('Line 3')
    await user.upload(input(), csv('name;L*;a*;b*\nTab A;79,5;1;17\nTab B;74;3;20'))
    expect(await screen.findByText(/L\* 79.5, a\* 1.0, b\* 17.0/)).toBeTruthy()
    await user.click(button('Keep all 2 as tabs'))
    expect(sent.filter(({ method }) => method === 'PUT').map(({ address }) => address)).toEqual([
      '/equipment/Tab%20A',
      '/equipment/Tab%20B',
    ])
  })
  it('two curves are held against each other under a lamp (the figures of the model: 6.97, 4.58, 3.11)', async () => {
    const { user } = shown()
    const nm = Array.from({ length: 41 }, (_, n) => 380 + 10 * n)
    const row = (name: string, of: (each: number) => number) => `${name},${nm.map(of).join(',')}`
    const wave = (each: number) => 0.6 + 0.08 * Math.sin((2 * Math.PI * (each - 380)) / 120)
    const text = [
      `name,${nm.map((each) => `${each} nm`).join(',')}`,
      row('flat', () => 0.6),
      row('wave', wave),
    ]
    await user.upload(screen.getByLabelText('Readings from CSV'), csv(text.join('\n')))
    const words = (await screen.findByText(/In daylight/)).textContent
    expect(words).toContain('In daylight 6.97, out of reach; under a lamp 4.58')
    expect(words).toContain('3.11 is left under the lamp')
  })
})

describe('sizes of a blank', () => {
  it("another lot's factor is caught with what it does to the fit, in µm", async () => {
    const { user, recorded } = entry('enlargement', {
      sheet: { state: 'green' } as Partial<StepSheet> as never,
    })
    type('Lot of the blank', 'ZR-2')
    type('Factor of the lot', '1.2298')
    type('Milled with', '1.241')
    expect(screen.getByRole('alert').textContent).toContain('over 10 mm it ends 91 µm too large')
    type('Final size 1', '9')
    type('Measured size 1', '11.17')
    expect(screen.getByText(/wanted/).textContent).toContain('11.17')
    type('Why it stands all the same', 'Seats on the model')
    await user.click(button('Record'))
    expect(recorded).toEqual([
      {
        kind: 'enlargement',
        lot: 'ZR-2',
        lotFactor: 1.2298,
        usedFactor: 1.241,
        sizes: [{ place: 'across, mesial to distal', finalMillimetres: 9, measuredMillimetres: 11.17 }],
        reason: 'Seats on the model',
      },
    ])
  })
  it('a missing size is named and nothing is stored', async () => {
    const { user, recorded } = entry('enlargement')
    type('Factor of the lot', '1.24')
    type('Milled with', '1.24')
    await user.click(button('Record'))
    expect(recorded).toEqual([])
    expect(screen.getByLabelText('Final size 1').getAttribute('aria-invalid')).toBe('true')
  })
  it('density by Archimedes: percent of full, a float refused in words', async () => {
    const { user, recorded } = entry('density')
    type('Dry', '1.22')
    type('Hanging in water', '1.3')
    expect(screen.getByText(/cannot weigh more in water/)).toBeTruthy()
    type('Hanging in water', '1.0197')
    expect(screen.getByLabelText('Density').textContent).toMatch(/^(99|100)\.\d %$/)
    await user.click(button('Record'))
    expect(recorded).toEqual([{ kind: 'density', dryGrams: 1.22, inWaterGrams: 1.0197, waterCelsius: 20 }])
  })
})

describe('on the shelf', () => {
  it('a block takes its colour, graded zone by zone; a pot keeps its film when its form is stored', async () => {
    const card = materials.get('block-disilicate')!
    const typed = {
      ...typedProduct(undefined),
      name: 'Pale',
      blockColour: '84 1 13',
      gradedBlock: 'neck 80 2 18\nedge 85 0 9',
    }
    expect(productOf(typed, card, undefined).block).toEqual({
      colour: { L: 84, a: 1, b: 13 },
      neck: { L: 80, a: 2, b: 18 },
      edge: { L: 85, a: 0, b: 9 },
    })
    const pot = stainPots[0]!.product
    expect(productOf(typedProduct(pot), materials.get('ceramic-stain')!, pot).stain).toEqual(pot.stain)
  })
  it('a zone that is none is named at its line', async () => {
    serverWith({})
    const { user } = show(
      <ProductForm classCard={materials.get('block-disilicate')!} onDone={() => undefined} />,
    )
    type('Name in this lab', 'Pale')
    type('Colour, glazed: L*, a*, b* (D65)', '84 1 13')
    type('Graded block: neck, body, edge or sides with L*, a*, b*, one line each', 'root 80 2 18')
    await user.click(button('Store'))
    expect(screen.getByText(/"root 80 2 18" is not a zone/)).toBeTruthy()
  })
  it('a lot without a factor of its own has none', () => {
    const blank: LotOnShelf = lot({ materialId: 'block-zirconia4y' })
    expect(blank.enlargement).toBeNull()
  })
})
