import { describe, expect, it, jest } from '@jest/globals'
import { screen, waitFor } from '@testing-library/react'
import { DomainError, qty, saying } from '@yentrik/core'
import { Refusal } from '../live/request.ts'
import { storeDraft, storedDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { refusal, show } from '../testing/lab.tsx'
import { useEntryForm } from './entry-form.ts'
import { FormNumber, FormPills, FormSelect, FormText } from './fields.tsx'

const empty = { number: '', grams: '', kind: 'stone', side: 'left' }
type Typed = typeof empty
interface Wish {
  readonly store?: (typed: Typed) => Promise<unknown>
  readonly keeps?: (typed: Typed) => Typed
  readonly fieldOf?: (named: string) => keyof Typed | undefined
  readonly draftKey?: string
}
function Form({ store = async () => undefined, keeps, fieldOf, draftKey = 'lot' }: Wish) {
  const form = useEntryForm<Typed>({
    draftKey,
    start: () => empty,
    check: ({ number }) => ({ number: number.trim() === '' ? 'Enter the lot.' : undefined }),
    store,
    ...(keeps ? { keeps } : {}),
    ...(fieldOf ? { fieldOf } : {}),
  })
  return (
    <form onSubmit={form.submit}>
      <FormText form={form} name="number" label="Lot" />
      <FormNumber form={form} name="grams" label="Received" unit="g" />
      <FormSelect
        form={form}
        name="kind"
        label="Kind"
        options={[
          ['stone', 'Stone'],
          ['wax', 'Wax'],
        ]}
        onChosen={(kind) => form.set('grams', kind === 'wax' ? '500' : '')}
      />
      <FormPills
        form={form}
        name="side"
        label="Side"
        options={[
          ['left', 'Left'],
          ['right', 'Right'],
        ]}
      />
      {form.fault && <Message tone="error">{form.fault}</Message>}
      <output data-testid="wrong">{String(form.wrong)}</output>
      <button type="submit" disabled={form.busy}>
        Store
      </button>
      <button type="button" onClick={form.forget}>
        Begin again
      </button>
    </form>
  )
}
const lot = () => screen.getByLabelText<HTMLInputElement>('Lot')
const grams = () => screen.getByLabelText<HTMLInputElement>('Received')
const alarm = () => screen.queryByRole('alert')?.textContent

describe('a form', () => {
  it('stores what was typed, and begins again', async () => {
    const store = jest.fn(async (_typed: Typed) => undefined)
    const { user } = show(<Form store={store} />)
    await user.type(lot(), 'B-1')
    await user.type(grams(), '25 kg')
    await user.click(screen.getByText('Right'))
    await user.click(screen.getByRole('button', { name: 'Store' }))
    await waitFor(() =>
      expect(store).toHaveBeenCalledWith({ ...empty, number: 'B-1', grams: '25 kg', side: 'right' }),
    )
    await waitFor(() => expect(lot().value).toBe(''))
    expect(storedDraft('lot')).toBeUndefined()
  })
  it('sends nothing while something is wrong, and says what beside it', async () => {
    const store = jest.fn(async () => undefined)
    const { user } = show(<Form store={store} />)
    await user.type(grams(), '25')
    await user.click(screen.getByRole('button', { name: 'Store' }))
    await waitFor(() => expect(alarm()).toBe('Enter the lot.'))
    expect(store).not.toHaveBeenCalled()
    expect(grams().value).toBe('25')
    expect(screen.getByTestId('wrong').textContent).toBe('true')
  })
  it('keeps what is typed over a reload, and drops it when it is begun again', async () => {
    const { user, unmount } = show(<Form />)
    await user.type(lot(), 'B-1')
    unmount()
    const again = show(<Form />)
    expect(lot().value).toBe('B-1')
    await again.user.click(screen.getByRole('button', { name: 'Begin again' }))
    expect(lot().value).toBe('')
    again.unmount()
    show(<Form />)
    expect(lot().value).toBe('')
  })
  it('keeps nothing that has no key', async () => {
    storeDraft('', { ...empty, number: 'not this' })
    const { user, unmount } = show(<Form draftKey="" />)
    expect(lot().value).toBe('')
    await user.type(lot(), 'secret')
    unmount()
    show(<Form draftKey="" />)
    expect(lot().value).toBe('')
  })
  it('shows a refusal beside the field that it names, what was typed stays', async () => {
    const store = async () => {
      throw new Refusal(
        refusal({ field: 'number', detail: 'That lot is on the shelf.', remedy: 'Look there.' }).refused,
      )
    }
    const { user } = show(<Form store={store} />)
    await user.type(lot(), 'B-1')
    await user.click(screen.getByRole('button', { name: 'Store' }))
    await waitFor(() => expect(alarm()).toBe('That lot is on the shelf. Look there.'))
    expect(lot().getAttribute('aria-invalid')).toBe('true')
    expect(lot().value).toBe('B-1')
    expect(storedDraft('lot')).toMatchObject({ number: 'B-1' })
  })
  it('takes a refusal of the core by the name that it has there, with its quantities', async () => {
    const store = async () => {
      throw new DomainError('x', saying`${qty.grams(30000)} is too much.`, 'Weigh again.', 'receivedGrams')
    }
    const fieldOf = (named: string) => (named === 'receivedGrams' ? ('grams' as const) : undefined)
    const { user } = show(<Form store={store} fieldOf={fieldOf} />)
    await user.type(lot(), 'B-1')
    await user.click(screen.getByRole('button', { name: 'Store' }))
    await waitFor(() => expect(grams().getAttribute('aria-invalid')).toBe('true'))
    expect(alarm()).toMatch(/30.?000 g is too much\. Weigh again\./)
  })
  it('shows under itself what belongs to no field', async () => {
    const store = async () => {
      throw new Refusal(refusal({ field: 'shelf', detail: 'Full.', remedy: 'Make room.' }).refused)
    }
    const { user } = show(<Form store={store} />)
    await user.type(lot(), 'B-1')
    await user.click(screen.getByRole('button', { name: 'Store' }))
    await waitFor(() => expect(alarm()).toBe('Full. Make room.'))
    expect(screen.getByTestId('wrong').textContent).toBe('false')
  })
  it('that was not stored keeps its draft', async () => {
    const { user } = show(<Form store={async () => false} />)
    await user.type(lot(), 'B-1')
    await user.click(screen.getByRole('button', { name: 'Store' }))
    expect(lot().value).toBe('B-1')
    expect(storedDraft('lot')).toMatchObject({ number: 'B-1' })
  })
  it('may keep a part for the next one', async () => {
    const { user } = show(<Form keeps={({ kind }) => ({ ...empty, kind })} />)
    await user.selectOptions(screen.getByLabelText('Kind'), 'Wax')
    expect(grams().value).toBe('500')
    await user.type(lot(), 'W-1')
    await user.click(screen.getByRole('button', { name: 'Store' }))
    await waitFor(() => expect(lot().value).toBe(''))
    expect(screen.getByLabelText<HTMLSelectElement>('Kind').value).toBe('wax')
    expect(grams().value).toBe('')
  })
})
