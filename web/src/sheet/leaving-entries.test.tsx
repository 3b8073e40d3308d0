import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import { Bench } from '@yentrik/core/testing'
import { caseOnServer } from '../testing/case.ts'
import { serverWith } from '../testing/lab.tsx'
import { button, entry, type } from '../testing/sheet-entry.tsx'

describe('what a work is disinfected with', () => {
  it('is taken from the shelf with its agent and contact time', async () => {
    serverWith({
      'GET /lots': [],
      'GET /products': [
        {
          product: {
            productId: 'p',
            materialId: 'surface-disinfectant',
            name: 'Quay spray',
            agent: 'peroxide',
            contactMinutes: 7,
            source: 'the label',
          },
        },
      ],
    })
    const { user, recorded } = entry('disinfection')
    await user.click(await screen.findByRole('radio', { name: 'Quay spray' }))
    await user.click(button('Record'))
    expect(recorded).toEqual([
      { kind: 'disinfection', product: 'Quay spray', agent: 'peroxide', contactMinutes: 7 },
    ])
  })
  it('says at once what it would spoil, and keeps what was typed', async () => {
    serverWith({ 'GET /lots': [], 'GET /products': [] })
    const { user } = entry('disinfection', { sheet: { resin: true, metal: true } })
    type('Contact time', '12')
    await user.click(screen.getByRole('radio', { name: /^Hypochlorite/ }))
    expect(screen.getAllByRole('alert').map((each) => each.textContent)).toEqual([
      expect.stringContaining('attacks clasps'),
      expect.stringContaining('bleaches resin'),
    ])
    expect(screen.getByLabelText<HTMLInputElement>('Contact time').value).toBe('12')
  })
  it('is not recorded without name, agent and time; each says what is missing', async () => {
    serverWith({ 'GET /lots': [], 'GET /products': [] })
    const { user, recorded } = entry('disinfection')
    await user.click(button('Record'))
    expect(screen.getAllByRole('alert')).toHaveLength(3)
    expect(recorded).toEqual([])
  })
})

describe('what came along, as it leaves', () => {
  const enclosures = ['Tray', 'Wax bite', 'Old denture']
  it('is all in the bag with one touch', async () => {
    const { user, recorded } = entry('enclosures', { enclosures: ['Tray'] })
    await user.click(button('All in the bag'))
    expect(recorded).toEqual([{ kind: 'enclosures', went: [{ name: 'Tray', way: 'back' }] }])
  })
  it('is answered line by line; the rest goes into the bag with one tap', async () => {
    const { user, recorded } = entry('enclosures', { enclosures })
    await user.click(button('Record'))
    expect(screen.getAllByRole('alert')).toHaveLength(3)
    const bite = screen.getByRole('group', { name: 'Wax bite' })
    await user.click(within(bite).getByRole('radio', { name: 'Used up' }))
    await user.click(button('The rest is in the bag'))
    expect(recorded[0]?.went).toEqual([
      { name: 'Tray', way: 'back' },
      { name: 'Wax bite', way: 'usedUp' },
      { name: 'Old denture', way: 'back' },
    ])
  })
  it('where nothing came along says so, and records that', async () => {
    const { user, recorded } = entry('enclosures')
    expect(screen.getByText('Nothing was noted when it came in.')).toBeTruthy()
    await user.click(button('Record'))
    expect(recorded).toEqual([{ kind: 'enclosures', went: [] }])
  })
})

describe('the release', () => {
  const lab = { labName: 'Alder Row', address: 'Alder Row 4', variants: {} }
  it('begins with the lab, takes other places a line each, and leads to the papers', async () => {
    caseOnServer(new Bench('clear-clasp'), { 'GET /lab': lab })
    const { user, recorded } = entry('release')
    const places = await screen.findByDisplayValue('Alder Row, Alder Row 4')
    expect(await screen.findByRole('link', { name: 'Instructions for use' })).toBeTruthy()
    fireEvent.change(places, { target: { value: 'Alder Row, Alder Row 4\n\n Mill Hall, 9 Weir ' } })
    await user.click(button('Release it'))
    expect(recorded).toEqual([
      {
        kind: 'release',
        places: ['Alder Row, Alder Row 4', 'Mill Hall, 9 Weir'],
        statement: 'goesAlong',
      },
    ])
  })
})

describe('the saw plan of a cast', () => {
  it('is drawn from the stone as it is typed, and stored with it', async () => {
    const { user, recorded } = entry('sawPlan', { sheet: { arch: 'upper' } })
    type('Stone, vault', '11')
    type('Stone, both canines', '14')
    type('Stone, both tuberosities', '2')
    const drawing = screen.getByRole('img', { name: 'Base of the upper cast with its saw cuts' })
    // 3 mm of stone stay (choice): 11 - 3, 14 - 3; 2 is too thin.
    for (const words of ['8 mm', '11 mm', 'no saw']) expect(drawing.textContent).toContain(words)
    expect(screen.getByRole('list', { name: 'In this order' }).textContent).toContain(
      'Leave it to the chisel.',
    )
    await user.click(button('Record'))
    expect(recorded).toEqual([
      { kind: 'sawPlan', heights: { middle: 11, canines: 14, ends: 2, labialUndercut: 0 } },
    ])
  })
  it('asks for the midline where the flange is held, and says what cannot be', async () => {
    const { user, recorded } = entry('sawPlan', { sheet: { arch: 'lower' } })
    type('Stone, tongue side', '80')
    type('Stone, both canines', '14')
    type('Stone, both ends, behind the last molar', '12')
    expect(screen.queryByLabelText('Stone, midline')).toBeNull()
    type('Undercut at the outer flange', '1')
    type('Stone, midline', '13')
    expect(screen.getByRole('alert').textContent).toContain('80 mm cannot be right')
    await user.click(button('Record'))
    expect(recorded).toEqual([])
    type('Stone, tongue side', '8')
    expect(screen.getByText(/Never lever outwards/)).toBeTruthy()
    await user.click(button('Record'))
    expect(recorded[0]?.heights.midline).toBe(13)
  })
  it('says what is missing only once it is to be stored', async () => {
    const { user } = entry('sawPlan')
    expect(screen.queryAllByRole('alert')).toEqual([])
    await user.click(button('Record'))
    expect(screen.getAllByRole('alert').length).toBe(3)
  })
})

describe('the wheel that is taken up', () => {
  it('is on record with one touch', async () => {
    const { user, recorded } = entry('wheel', { sheet: { stages: ['tripoli'] } })
    await user.click(button('Tripoli'))
    expect(recorded).toEqual([{ kind: 'wheel', label: 'Tripoli', written: 'tripoli' }])
  })
  it('is read off its label; what is none of the compounds stays and is asked about', async () => {
    const { user, recorded } = entry('wheel', { sheet: { stages: ['high-shine'] } })
    await user.type(screen.getByLabelText('Or scan its label'), 'wheel 7{Enter}')
    expect(screen.getByRole('alert').textContent).toContain('tap which it is')
    await user.click(button('High shine'))
    expect(recorded).toEqual([{ kind: 'wheel', label: 'wheel 7', written: 'high-shine' }])
    await user.type(screen.getByLabelText('Or scan its label'), 'fine PUMICE{Enter}')
    expect(recorded.at(-1)).toEqual({ kind: 'wheel', label: 'fine PUMICE', written: 'fine-pumice' })
  })
  it('a finer one may be marked coarser for good, a coarser one never finer', async () => {
    const last = { kind: 'wheel', label: 'Tripoli', written: 'tripoli' } as const
    const finer = entry('wheel', { sheet: { stages: ['coarse-pumice', 'fine-pumice'] }, last })
    await finer.user.click(button('Mark this one coarse pumice for good'))
    expect(finer.recorded).toEqual([{ ...last, remark: true }])
    finer.unmount()
    entry('wheel', { sheet: { stages: ['high-shine'] }, last })
    expect(screen.queryByRole('button', { name: /for good/ })).toBeNull()
  })
  it('without a mark is marked now', async () => {
    const { user, recorded } = entry('wheel', { sheet: { stages: ['high-shine'] } })
    await user.click(button('No mark: mark it now'))
    expect(recorded).toEqual([{ kind: 'wheel', label: '', written: 'none' }])
  })
})
