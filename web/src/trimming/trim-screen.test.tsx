import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { type DataOfKind, goodSheet } from '@yentrik/core'
import { askingFor, caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { TrimScreen } from './TrimScreen.tsx'

const open = () => {
  serverWith({})
  return show(<TrimScreen />, { at: '/trim', pattern: '/trim' })
}
const fill = (within_: ReturnType<typeof within> | typeof screen, label: string, text: string) =>
  fireEvent.change(within_.getByLabelText(label), { target: { value: text } })

describe('points that are typed', () => {
  it('say what is wrong with them, and stay', () => {
    open()
    const midline = within(screen.getByRole('form', { name: 'Type Midline' }))
    const add = () => fireEvent.click(midline.getByRole('button', { name: 'Add' }))
    fill(midline, 'Across', 'abc')
    fill(midline, 'Along', '5')
    add()
    expect(midline.getByRole('alert').textContent).toContain('"abc" is not a number')
    fill(midline, 'Across', '9000')
    add()
    expect(midline.getByRole('alert').textContent).toContain('off the plate')
    expect(midline.getByLabelText<HTMLInputElement>('Across').value).toBe('9000')
    fill(midline, 'Across', '1 cm')
    add()
    expect(screen.getByText(/Midline by numbers, mm: \(10\.0, 5\.0\)/)).toBeTruthy()
    expect(midline.getByLabelText<HTMLInputElement>('Across').value).toBe('')
  })
  // Worked in the model notes: 30, 32 and 20 give 29.2 from the midline, 6.9 in front.
  it('by two caliper distances lie where they meet', () => {
    open()
    fill(screen, 'To the posterior midline mark', '30')
    fill(screen, 'To the anterior midline mark', '32')
    expect(screen.getByText('29.2 mm')).toBeTruthy()
    expect(screen.getByText('6.9 mm')).toBeTruthy()
    fill(screen, 'To the anterior midline mark', '90')
    expect(screen.getByText(/The two distances cannot meet in one point\./)).toBeTruthy()
  })
  it('are there again after a visit elsewhere', () => {
    const first = open()
    const midline = within(screen.getByRole('form', { name: 'Type Midline' }))
    fill(midline, 'Across', '1')
    fill(midline, 'Along', '2')
    fireEvent.click(midline.getByRole('button', { name: 'Add' }))
    first.unmount()
    open()
    expect(screen.getByText(/\(1\.0, 2\.0\)/)).toBeTruthy()
  })
})

describe('the plan of a case', () => {
  const { sheet, step } = askingFor('trimPlan')
  const withPlan = async (what: 'plan' | 'pair', at = step.id, of = sheet.id) => {
    const { bench } = askingFor('trimPlan')
    bench.upTo(step.id)
    bench.sheet(step.id, sheet.id, goodSheet(sheet))
    if (what === 'pair') bench.upTo(at)
    const sent = caseOnServer(bench)
    const shown = show(<TrimScreen />, {
      at: `/trim?case=c1&job=job-1&sheet=${of}&${what}=${at}`,
      pattern: '/trim',
    })
    await screen.findByRole('link', { name: /K-1/ })
    return { ...shown, bench, sent }
  }
  it('names every cut in its order, with the angle of the table', async () => {
    await withPlan('plan')
    const cuts = within(await screen.findByRole('list', { name: 'Cuts in order' }))
    const names = cuts.getAllByRole('button').map(({ textContent }) => textContent)
    // The back first, then both sides, the front, the heels last (common practice).
    expect(names[0]).toMatch(/^back/)
    expect(names.slice(1, 3).join()).toMatch(/side.*side/)
    expect(names.slice(3, 5).join()).toMatch(/front.*front/)
    expect(names.slice(5).join()).toMatch(/heel.*heel/)
    fireEvent.click(cuts.getAllByRole('button')[1]!)
    expect(screen.getByLabelText('Table angle').textContent).toMatch(/^\d+(\.\d)?°$/)
  })
  it('shows the lower with its arc', async () => {
    await withPlan('plan')
    await screen.findByRole('list', { name: 'Cuts in order' })
    fireEvent.click(screen.getAllByRole('radio', { name: 'Lower' }).at(-1)!)
    expect(screen.getByRole('list', { name: 'Cuts in order' }).textContent).toContain('front arc')
  })
  it('takes the readings of the finished pair, and says which line fails', async () => {
    const pair = askingFor('finishedPair')
    const { user, bench, sent } = await withPlan('pair', pair.step.id, pair.sheet.id)
    const good = (goodSheet(pair.sheet) as DataOfKind<'finishedPair'>).pair as unknown as Record<
      string,
      unknown
    >
    const fields = await screen.findByRole('form', { name: 'Readings' })
    await user.click(screen.getByRole('button', { name: 'Into the record' }))
    expect(sent.filter(({ method }) => method === 'POST')).toEqual([])
    const put = (label: RegExp, values: readonly number[]) => {
      const inputs = within(fields).getAllByLabelText(label)
      for (const [n, input] of inputs.entries())
        fireEvent.change(input, { target: { value: String(values[n % values.length]) } })
    }
    for (const arch of ['upper', 'lower'] as const) {
      const model = good[arch] as Record<string, number | readonly number[]>
      const lines: readonly (readonly [string, string])[] = [
        ['Back to midline', 'backToMidlineDegrees'],
        ['Back to base', 'backToBaseDegrees'],
        ['Side to back', 'sideDegrees'],
        ['Front to back', 'frontDegrees'],
        ['Heel', 'heelMillimetres'],
        ['Heel to back, inside', 'heelDegrees'],
      ]
      for (const [name, key] of lines)
        if (model[key] !== undefined)
          put(new RegExp(`^${arch}, ${name}(, (right|left))?$`), [model[key]].flat() as number[])
    }
    put(/^Total height/, good.totalHeightsMillimetres as number[])
    put(/^Occlusal plane from the middle/, [good.planeFromMiddleMillimetres as number])
    put(/^Bases to each other/, [4])
    put(/^Upper base to occlusal plane/, [good.upperBaseToPlaneDegrees as number])
    put(/^Step between the backs/, [good.backStepMillimetres as number])
    expect(screen.getByRole('complementary', { name: 'Verdict' }).textContent).toMatch(/1 of \d+ lines fail/)
    await user.click(screen.getByRole('button', { name: 'Into the record' }))
    await waitFor(() =>
      expect(bench.job.steps[pair.step.id]!.sheets.at(-1)?.sheet).toMatchObject({ kind: 'finishedPair' }),
    )
  })
})
