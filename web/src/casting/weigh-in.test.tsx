import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { storedDraft } from '../parts/draft.ts'
import { refusal, serverWith, show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import type { AlloyChoice } from './casting-cards.ts'
import { WeighIn } from './WeighIn.tsx'

const alloy = { id: 'nickel-chromium', materialId: 'nickel-chromium', name: 'Nickel-chromium' } as AlloyChoice
const metal = (more: object = {}) => lot({ materialId: 'nickel-chromium', number: 'N-1', ...more })
const open = async (answers: object = {}) => {
  const sent = serverWith({
    'GET /lots': [metal(), metal({ lotId: 'l-2', number: 'N-2', openedOn: null })],
    'GET /products': [],
    'POST /alloy-pieces': {},
    ...answers,
  })
  const shown = show(<WeighIn alloy={alloy} />)
  fireEvent.click(await screen.findByText('Weigh pieces in'))
  await waitFor(() => expect(sent.some(({ address }) => address === '/products')).toBe(true))
  if (!('GET /lots' in answers)) await screen.findByLabelText('Grams, each piece')
  return { ...shown, posted: () => sent.filter(({ method }) => method === 'POST').map(({ body }) => body) }
}
const field = () => screen.getByLabelText<HTMLInputElement>('Grams, each piece')
const store = () => screen.getByRole('button', { name: 'Onto the shelf' })

describe('pieces that are weighed in', () => {
  it('are of the open lot unless another is chosen, each with its weight', async () => {
    const { user, posted } = await open()
    await user.type(field(), '6.02, 5.97 6.05')
    await user.selectOptions(screen.getByLabelText('Melted before'), 'Once')
    await user.click(store())
    expect(await screen.findByText('3 pieces are on the shelf.')).toBeTruthy()
    expect(posted()).toEqual([{ lotId: 'l-1', grams: [6.02, 5.97, 6.05], meltedBefore: 1 }])
    expect(field().value).toBe('')
    await user.selectOptions(screen.getByLabelText('Lot'), 'N-2')
    await user.type(field(), '7')
    await user.click(store())
    expect(await screen.findByText('It is on the shelf.')).toBeTruthy()
    expect(posted()[1]).toEqual({ lotId: 'l-2', grams: [7], meltedBefore: 1 })
  })
  it.each(['', 'six', '6.02, heavy'])('"%s" is not stored, and stays', async (text) => {
    const { user, posted } = await open()
    if (text) await user.type(field(), text)
    await user.click(store())
    expect((await screen.findByRole('alert')).textContent).toMatch(/^Write grams with a point/)
    expect(field().value).toBe(text)
    expect(posted()).toEqual([])
  })
  it('that the server refuses are kept for another try', async () => {
    const { user } = await open({
      'POST /alloy-pieces': refusal({
        field: 'grams',
        detail: '900 g cannot be right.',
        remedy: 'Weigh it.',
      }),
    })
    await user.type(field(), '900')
    await user.click(store())
    expect((await screen.findByRole('alert')).textContent).toBe('900 g cannot be right. Weigh it.')
    await waitFor(() => expect(storedDraft('weigh in nickel-chromium')).toMatchObject({ text: '900' }))
  })
  it('want a lot on the shelf', async () => {
    await open({ 'GET /lots': [] })
    expect(screen.getByText(/No lot of .* is on the shelf: take it in there first\./)).toBeTruthy()
  })
})
