import { describe, expect, it } from '@jest/globals'
import { screen, within } from '@testing-library/react'
import type { UserEvent } from '@testing-library/user-event'
import { atStep, caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { FinishScreen } from './FinishScreen.tsx'

const wheel = (name: string, grainMicrometres: number) => ({
  kind: 'wheel',
  name,
  grainMicrometres,
  depthRatio: 0.025,
  cubicMillimetresPerSecond: 0.2,
  diameterMillimetres: 100,
  rpm: 1500,
  source: 'measured here',
})
const open = (equipment: readonly object[] = []) => {
  serverWith({ 'GET /equipment': equipment })
  return show(<FinishScreen />, { at: '/finish', pattern: '/finish' })
}
const pick = (user: UserEvent, name: string) => user.click(screen.getByRole('radio', { name }))
const scratch = () => screen.getByRole('region', { name: 'A scratch' })
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name)

describe('finishing', () => {
  // Model notes: 5 µm seen at high shine goes back to coarse pumice, 571 s, 10.25 µm.
  it('sends a scratch back to the stage that covers it, and every one after that', async () => {
    const { user } = open()
    await pick(user, 'High shine')
    await pick(user, 'seen wet')
    expect(scratch().textContent).toContain('Back to coarse pumice')
    expect(scratch().textContent).toContain('then fine pumice, tripoli, high shine: none is left out.')
    expect(scratch().textContent).toContain('10 min')
    expect(scratch().textContent).toContain('0.01 mm')
    await pick(user, 'only as haze against a lamp')
    expect(scratch().textContent).toContain('Go on with high shine')
    await user.type(field('Blended patch'), 'all')
    expect(screen.getByText(/"all" is not a number/)).toBeTruthy()
    expect(field('Blended patch').value).toBe('all')
  })
  it("is the stage's own mark where it is no deeper", async () => {
    const { user } = open()
    await pick(user, 'Stone')
    await pick(user, 'seen wet')
    expect(scratch().textContent).toContain('Carry on')
  })
  it('says what the border has at the end, and asks before it is too thin', async () => {
    const { user } = open()
    await pick(user, 'Rubber')
    await user.type(field('Border now'), '3,2')
    // After rubber the ladder takes 2 x (6 + 2.8125 + 0.9375 + 0.25) µm: 3.18 stay.
    expect(screen.getByLabelText('Border at the end').textContent).toBe('3.18 mm')
    await user.clear(field('Border now'))
    await user.type(field('Border now'), '3')
    expect(screen.getByRole('region', { name: 'The border' }).textContent).toContain(
      'ask the dentist, do not polish',
    )
  })
  it('holds the wheel against the stage', async () => {
    const { user } = open()
    await pick(user, 'High shine')
    await user.type(field('Wheel, scan its label'), 'high shine')
    expect(screen.getByText('Marked high shine: it is the one.')).toBeTruthy()
    await user.clear(field('Wheel, scan its label'))
    await user.type(field('Wheel, scan its label'), 'coarse pumice')
    expect(screen.getByText(/This wheel has had coarse pumice/)).toBeTruthy()
    await user.clear(field('Wheel, scan its label'))
    await user.type(field('Wheel, scan its label'), 'K-12')
    expect(screen.getByText(/No compound of this ladder stands on it/)).toBeTruthy()
  })
  it('takes the wheels of the lab for its ladder, with their speed', async () => {
    const { user } = open([wheel('Felt', 30), wheel('Rag', 90)])
    expect(await screen.findByRole('radio', { name: 'Rag' })).toBeTruthy()
    expect(screen.getByText('wheels of the lab')).toBeTruthy()
    expect(screen.queryByRole('radio', { name: 'Tripoli' })).toBeNull()
    await pick(user, 'Felt')
    // 100 mm at 1500 turns: 7.85 m/s.
    expect(screen.getByRole('region', { name: 'The wheel' }).textContent).toContain('7.9 m/s at 1500 rpm')
  })
  it('says so where two of its wheels leave the same', async () => {
    open([wheel('Felt', 30), wheel('Rag', 30)])
    expect(await screen.findByText(/Rag leaves 1 µm|Felt leaves|leaves .* before it/)).toBeTruthy()
  })
  it('has a ladder of ceramic without a border', async () => {
    const { user } = open()
    await pick(user, 'Ceramic')
    expect(screen.getByRole('radio', { name: 'Coarse polisher' })).toBeTruthy()
    expect(screen.queryByRole('region', { name: 'The border' })).toBeNull()
  })
  it('of a case begins at its step, with its border, and without the tripoli it leaves out', async () => {
    const { bench } = atStep('complete-denture', 'pumice', { tripoli: 'leave-out' })
    caseOnServer(bench, { 'GET /equipment': [] })
    show(<FinishScreen />, { at: '/finish?case=c1&job=job-1', pattern: '/finish' })
    expect(await screen.findByRole('link', { name: 'K-1' })).toBeTruthy()
    expect(screen.getByRole<HTMLInputElement>('radio', { name: 'Coarse pumice' }).checked).toBe(true)
    expect(screen.queryByRole('radio', { name: 'Tripoli' })).toBeNull()
    expect(Number(field('Border now').value)).toBeGreaterThanOrEqual(3)
    expect(
      within(screen.getByRole('region', { name: 'The border' })).getAllByRole('status'),
    ).not.toHaveLength(0)
  })
})

describe('measuring a wheel', () => {
  const passes = async (user: UserEvent, ...seconds: readonly string[]) => {
    await pick(user, 'Fine pumice')
    screen.getByText('Measure what fine pumice takes off').closest('details')!.open = true
    await user.type(field('Plate'), '4000')
    for (const [n, name] of ['First pass', 'Second pass', 'Third pass'].entries())
      if (seconds[n]) await user.type(field(name), seconds[n])
  }
  it('takes three passes, and shows what the ladder counts with', async () => {
    const { user } = open()
    await passes(user, '60', '60')
    expect(screen.queryByLabelText('Rate of the wheel')).toBeNull()
    await user.type(field('Third pass'), '60')
    // 4000 mm², 1.25 x 2.25 µm, 60 s: 0.1875 mm³/s.
    expect(screen.getByLabelText('Rate of the wheel').textContent).toBe('0.188')
    expect(screen.getByText(/Put this wheel on the list/)).toBeTruthy()
  })
  it('or takes the caliper before and after, and says when it read nothing', async () => {
    const { user } = open()
    await passes(user)
    await pick(user, 'By caliper')
    await user.type(field('Before'), '3.20')
    await user.type(field('After'), '3.20')
    await user.type(field('Worked for'), '200')
    expect(screen.getByRole('alert').textContent).toContain('nothing came off that a caliper reads')
    await user.clear(field('After'))
    await user.type(field('After'), '3.18')
    // 4000 mm² by 0.02 mm in 200 s.
    expect(screen.getByLabelText('Rate of the wheel').textContent).toBe('0.4')
  })
  it('keeps it on the wheel of the lab, with when it was measured', async () => {
    const sent = serverWith({
      'GET /equipment': [wheel('Stone', 500), wheel('Fine pumice', 30)],
      'PUT /equipment/:name': wheel('Fine pumice', 30),
    })
    const { user } = show(<FinishScreen />, { at: '/finish', pattern: '/finish' })
    await screen.findByText('wheels of the lab')
    await passes(user, '60', '60', '60')
    await user.click(screen.getByRole('button', { name: 'Keep it on the wheel' }))
    expect(await screen.findByText(/Kept on the wheel/)).toBeTruthy()
    const [put] = sent.filter(({ method }) => method === 'PUT')
    expect(put?.body).toMatchObject({
      name: 'Fine pumice',
      grainMicrometres: 30,
      source: expect.stringMatching(/^measured here, /),
    })
  })
})

describe('a stage left out', () => {
  it('says what the next one must work for it', () => {
    open()
    const row = screen.getByRole('row', { name: /^Tripoli/, hidden: true })
    expect(row.textContent).toContain('375 s instead of 100, 181 s more in all')
  })
})
