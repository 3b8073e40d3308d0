import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { usePreferences } from '../preferences/preferences.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import { MixScreen } from './MixScreen.tsx'

async function open(at: string, answers: object = {}) {
  const sent = serverWith({
    'GET /lots': [],
    'GET /products': [],
    'GET /devices': { balance: null, dispenser: null, press: null },
    'GET /mixing/clocks': [],
    'GET /mixing/remembered': [],
    'POST /mixing/clocks': { clockId: 'm-1' },
    ...answers,
  })
  const shown = show(<MixScreen />, { at, pattern: '/mix' })
  await screen.findByRole('region', { name: 'How much' })
  return { ...shown, sent }
}
const region = (name: string) => within(screen.getByRole('region', { name }))
const fill = (label: HTMLElement, text: string) => fireEvent.change(label, { target: { value: text } })
const howMuch = (label: string) => region('How much').getAllByLabelText(label).at(-1)!

describe('the mix', () => {
  it('is worked out from its powder, by the ratio of the pack', async () => {
    await open('/mix?material=high-strength-stone')
    fill(howMuch('Powder'), '100')
    fill(screen.getByLabelText('Ratio on the pack'), '0,20')
    // 100 g at 0.20 mL/g.
    expect(screen.getByRole('region', { name: 'The mix' }).textContent).toContain('20 mL')
  })
  it('and from its water, the other way round', async () => {
    await open('/mix?material=high-strength-stone')
    fill(screen.getByLabelText('Ratio on the pack'), '0.20')
    fireEvent.change(region('How much').getByLabelText('What is known'), {
      target: {
        value: within(region('How much').getByLabelText('What is known')).getByText<HTMLOptionElement>(
          'Liquid',
        ).value,
      },
    })
    fill(region('How much').getByLabelText('Water'), '30')
    expect(screen.getByRole('region', { name: 'The mix' }).textContent).toContain('150 g')
  })
  it('keeps a word where a number should stand, and says so', async () => {
    await open('/mix?material=high-strength-stone')
    fill(howMuch('Powder'), 'a bag')
    expect(screen.getAllByRole('alert')[0]!.textContent).toContain('"a bag" is not a number')
    expect((howMuch('Powder') as HTMLInputElement).value).toBe('a bag')
  })
  it('says what is missing in the bowl, and to start again where it thickens', async () => {
    await open('/mix?material=high-strength-stone')
    fill(howMuch('Powder'), '100')
    fill(screen.getByLabelText('Ratio on the pack'), '0.20')
    const bowl = region('In the bowl')
    fill(bowl.getByLabelText('Powder in'), '110')
    fill(bowl.getByLabelText('Water in'), '20')
    // 110 g want 22 mL.
    expect(bowl.getByLabelText('To add').textContent).toBe('2 mL')
    fireEvent.click(bowl.getByLabelText('It thickens already'))
    expect(screen.getByRole('region', { name: 'In the bowl' }).textContent).toContain('Start again')
  })
  it('takes the ratio of a product through its lot', async () => {
    const product = {
      product: {
        productId: 'p-1',
        materialId: 'high-strength-stone',
        name: 'Blue die stone',
        source: 'the pack',
        millilitresPerGram: 0.21,
      },
      card: undefined as unknown,
      flags: [],
    }
    const { materials, productCard } = await import('@yentrik/core')
    product.card = productCard(product.product, materials.get('high-strength-stone')!)
    await open('/mix?material=high-strength-stone', {
      'GET /lots': [lot({ productId: 'p-1' })],
      'GET /products': [product],
    })
    fill(howMuch('Powder'), '100')
    await waitFor(() =>
      expect(screen.getByRole('region', { name: 'The mix' }).textContent).toContain('21 mL'),
    )
  })
  it('starts its clock as the parts meet', async () => {
    const { user, sent } = await open('/mix?material=alginate')
    fill(screen.getByLabelText('Level scoops'), '3')
    expect(screen.getByLabelText('To measure').textContent).toBe('3')
    await user.click(screen.getAllByRole('button', { name: 'The parts meet' })[0]!)
    await waitFor(() =>
      expect(sent.some(({ address, method }) => method === 'POST' && address === '/mixing/clocks')).toBe(
        true,
      ),
    )
  })
})

describe('how much', () => {
  it('is so much for each, and a whole number of them', async () => {
    await open('/mix?material=dental-stone')
    fireEvent.click(region('How much').getByText('Job'))
    fireEvent.click(region('How much').getByText('Large'))
    const stone = () => region('The mix').getByLabelText('dental stone, type 3').textContent
    // A large arch: 150 g (common practice, 100 to 150).
    expect(stone()).toBe('150 g')
    fill(region('How much').getByLabelText('How many'), '2')
    expect(stone()).toBe('300 g')
    fill(region('How much').getByLabelText('How many'), '1.5')
    expect(screen.getByText('Enter a whole number.')).toBeTruthy()
  })
  it('by its sides: π/4 · 50² · 20 mm is 39.3 cm3', async () => {
    await open('/mix?material=dental-stone')
    fireEvent.click(region('How much').getByText('Size'))
    fill(region('How much').getByLabelText('Across'), '50')
    fill(region('How much').getByLabelText('High'), '20')
    expect(screen.getByRole('region', { name: 'How much' }).textContent).toContain('39.3 cm3 to fill')
    fill(region('How much').getByLabelText('Stands inside'), '50')
    expect(screen.getByRole('region', { name: 'How much' }).textContent).toContain('fills the whole space')
  })
  it('is asked in inches on a bench that wants them', async () => {
    usePreferences.setState({ units: 'us' })
    await open('/mix?material=dental-stone')
    fill(howMuch('Powder'), '100')
    expect(screen.getByRole('region', { name: 'The mix' }).textContent).toMatch(/100 g/)
  })
})
