import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import type { LabEquipment } from '@yentrik/core'
import { refusal, serverWith, show } from '../testing/lab.tsx'
import { EquipmentList } from './EquipmentList.tsx'
import { equipmentKinds, kindNames, measuresOf } from './equipment-kinds.ts'

const ring: LabEquipment = {
  kind: 'ring',
  name: 'Small ring',
  source: 'measured here',
  innerDiameterMillimetres: 36,
  heightMillimetres: 50,
  formerMillimetres: 18,
  linerMillimetres: 1,
} as LabEquipment

const open = (answers: object = {}) => {
  const sent = serverWith({
    'GET /equipment': [ring],
    'PUT /equipment/:name': (body: unknown) => body,
    'DELETE /equipment/:name': undefined,
    ...answers,
  })
  return { ...show(<EquipmentList />), sent, changed: () => sent.filter(({ method }) => method !== 'GET') }
}
const fill = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const measure = (millimetres: string) => {
  for (const { field, label } of measuresOf('ring'))
    fill(label, { formerMillimetres: '1.8 cm', linerMillimetres: '1' }[field] ?? millimetres)
}
const button = (name: string) => screen.getByRole('button', { name })

describe('what stands in the lab', () => {
  it('is listed with its measures and where they come from', async () => {
    open()
    const row = (await screen.findByText('Small ring')).closest('tr')!
    expect(row.textContent).toMatch(/36.*50/)
    expect(row.textContent).toContain('(measured here)')
  })
  it('is measured again, in any unit of length', async () => {
    const { user, changed } = open()
    fireEvent.click(screen.getByText(equipmentKinds.ring.name, { selector: 'label' }))
    fill('Name in this lab', 'Large ring')
    measure('5 cm')
    await user.click(button('Store'))
    await waitFor(() => expect(changed()).toHaveLength(1))
    expect(changed()[0]).toMatchObject({
      method: 'PUT',
      address: '/equipment/Large%20ring',
      body: { kind: 'ring', heightMillimetres: 50, formerMillimetres: 18 },
    })
  })
  it('is changed under another name, and the old one goes', async () => {
    const { user, changed } = open()
    await user.click(await screen.findByRole('button', { name: 'Change Small ring' }))
    expect(screen.getByRole('form', { name: 'Change Small ring' })).toBeTruthy()
    fill('Name in this lab', 'Tiny ring')
    await user.click(button('Store'))
    await waitFor(() => expect(changed()).toHaveLength(2))
    expect(changed().map(({ method, address }) => [method, address])).toEqual([
      ['PUT', '/equipment/Tiny%20ring'],
      ['DELETE', '/equipment/Small%20ring'],
    ])
  })
  it('goes off the list', async () => {
    const { user, changed } = open()
    await user.click(await screen.findByRole('button', { name: 'Change Small ring' }))
    await user.click(button('Off the list'))
    await waitFor(() => expect(changed().map(({ method }) => method)).toEqual(['DELETE']))
    await waitFor(() => expect(screen.getByRole('form', { name: 'New equipment' })).toBeTruthy())
  })
  it('is refused beside the measure that cannot be, and stays as typed', async () => {
    const { user } = open({
      'PUT /equipment/:name': refusal({
        field: 'heightMillimetres',
        detail: '60 mm cannot be right.',
        remedy: 'Measure it.',
      }),
    })
    fireEvent.click(screen.getByText(equipmentKinds.ring.name, { selector: 'label' }))
    fill('Name in this lab', 'Tower')
    measure('60')
    await user.click(button('Store'))
    expect((await screen.findByRole('alert')).textContent).toBe('60 mm cannot be right. Measure it.')
    const height = measuresOf('ring').find(({ field }) => field === 'heightMillimetres')!
    expect(screen.getByLabelText(height.label).getAttribute('aria-invalid')).toBe('true')
    expect(screen.getByLabelText<HTMLInputElement>('Name in this lab').value).toBe('Tower')
  })
  it.each(kindNames)('of the kind %s has measures with units, each of a name of its own', (kind) => {
    const labels = measuresOf(kind).map(({ label }) => label)
    expect(labels.length).toBeGreaterThan(0)
    expect(new Set(labels).size).toBe(labels.length)
  })
  it('that is empty says what is used meanwhile', async () => {
    open({ 'GET /equipment': [] })
    expect(await screen.findByText(/Nothing is on the list: usual rings are proposed/)).toBeTruthy()
    expect(
      within(screen.getByRole('form', { name: 'New equipment' })).getByRole('button', { name: 'Store' }),
    ).toBeTruthy()
  })
})
