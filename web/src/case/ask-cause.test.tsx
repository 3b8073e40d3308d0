import { describe, expect, it } from '@jest/globals'
import { screen, within } from '@testing-library/react'
import { castingCauses } from '@yentrik/core'
import { Bench, J } from '@yentrik/core/testing'
import type { SentRequest } from '../testing/lab.tsx'
import { openedCase } from '../testing/opened-case.tsx'

const FAULT = 'Will not seat'
/** A crown that would not seat, and is made anew from its wax. */
function remade(): Bench {
  const bench = new Bench('cast-crown', { casting: 'here' }).upTo('fit-die')
  bench.check('fit-die', 'seats', FAULT)
  bench.do({
    type: 'goBack',
    jobId: J,
    toStepId: 'green-wax',
    remake: true,
    reason: 'Will not seat on its die',
  })
  return bench
}
const asked = () => screen.findByRole('region', { name: 'Why it was made anew' })
const sheet = async () =>
  within(await screen.findByRole('dialog', { name: 'Why was it made anew?', hidden: true }))
const commands = (sent: readonly SentRequest[]) =>
  sent.filter(({ method }) => method === 'POST').map(({ body }) => (body as { command: object }).command)
const known = 'The mould expanded too little'

describe('a remake', () => {
  it('asks for its cause once, with what it was, and may be put off', async () => {
    const { user } = await openedCase(remade())
    expect((await asked()).textContent).toContain('Will not seat on its die. What was the cause?')
    await user.click(within(await asked()).getByRole('button', { name: 'Later' }))
    expect(screen.queryByRole('region', { name: 'Why it was made anew' })).toBeNull()
  })
  it('lists the causes as the record stood before it went back, in the order of this lab', async () => {
    const found = { [known]: 6 }
    const { user } = await openedCase(remade(), {
      'GET /quality/findings': [{ place: 'seats', fault: FAULT, found }],
    })
    await user.click(within(await asked()).getByRole('button', { name: 'Say the cause' }))
    const list = within((await sheet()).getAllByRole('group', { hidden: true })[0]!)
    const names = list
      .getAllByRole('radio', { hidden: true })
      .map((radio) => radio.closest('label')!.textContent!)
    expect(names.length).toBe(castingCauses('seats', FAULT, {}).length)
    const [first] = names.filter((name) => name.includes('Nothing on record'))
    expect(first).toContain(known)
    expect(first).toContain('Found 6 of 6 here.')
    expect(names.at(-1)).toContain('The record speaks against it')
  })
  it('puts the cause on record with how it is known, and of another what it was', async () => {
    const stored: SentRequest[] = []
    const bench = remade()
    const { user } = await openedCase(bench, {
      'POST /cases/:caseId/events': (body: { command: object }) => {
        stored.push({ method: 'POST', address: '', body })
        return {
          refused: { type: '', title: '', status: 422, code: 'x', detail: 'Not now.', remedy: 'Later.' },
        }
      },
    })
    await user.click(within(await asked()).getByRole('button', { name: 'Say the cause' }))
    const asking = await sheet()
    await user.click(asking.getByRole('radio', { name: /Another$/, hidden: true }))
    await user.type(asking.getByLabelText('What it was'), 'a draught')
    await user.click(asking.getByRole('radio', { name: 'Measured', hidden: true }))
    await user.click(asking.getByRole('button', { name: 'Put it on record', hidden: true }))
    expect(await asking.findByText(/Not now/)).toBeTruthy()
    const wentBack = bench.working.state.sequence
    expect(commands(stored)).toEqual([
      { type: 'findCause', jobId: J, wentBack, cause: 'other', said: 'a draught', how: 'measured' },
    ])
  })
})

describe('called away', () => {
  it('stands on the running step, and one touch ends it', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    bench.do({ type: 'pause', jobId: J, stepId: 'pour-anatomy' })
    await openedCase(bench)
    expect(await screen.findByRole('button', { name: /^Back at it away since \d\d:\d\d$/ })).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Called away' })).toBeNull()
  })
  it('is offered where somebody is at it', async () => {
    const { user } = await openedCase(new Bench().upTo('pour-anatomy'))
    await user.click(screen.getByText('More'))
    expect(screen.getByRole('button', { name: 'Called away' })).toBeTruthy()
    expect(screen.queryByRole('button', { name: /^Back at it/ })).toBeNull()
  })
})
