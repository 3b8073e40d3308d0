import { describe, expect, it } from '@jest/globals'
import { goodSheet, judgeSheet } from '../sheet/index.ts'
import { Bench, J, MINUTE } from '../testing/index.ts'
import { type CaseCommand, currentStep, stepOf, stepWindow, wantedChanges, windowVerdict } from './index.ts'

describe('setting up, waxing and the try-in', () => {
  it('a central 0.6 mm low holds the set-up back, with the tooth, the way and the millimetres', () => {
    const bench = new Bench('complete-denture').upTo('re-measure')
    const on = { jobId: J, stepId: 're-measure' }
    const sheet = stepOf(bench.job, 're-measure').sheets![0]!
    const good = goodSheet(sheet)
    if (good.kind !== 'setUp') throw new Error('another sheet')
    const read = (incisalLevelMillimetres: { right: number; left: number }) =>
      bench.do({
        type: 'recordSheet',
        ...on,
        sheetId: sheet.id,
        sheet: { ...good, reading: { ...good.reading, incisalLevelMillimetres } },
      })
    bench.check('re-measure', 'set-up-contacts', 'Pin down, even')
    read({ right: 21.5, left: 22.1 })
    expect(() => bench.finish('re-measure')).toThrow(/Raise 21 by 0\.6 mm/)
    read({ right: 21.5, left: 26 })
    expect(() => bench.finish('re-measure')).toThrow(
      expect.objectContaining({
        code: 'sheet-failing',
        remedy: expect.stringContaining('cannot be brought'),
      }),
    )
    read({ right: 21.5, left: 21.8 })
    bench.finish('re-measure')
    expect(bench.job.steps['re-measure']?.status).toBe('done')
  })
  it('changes after a try-in open the earliest step that one of them needs, and all after it', () => {
    const bench = new Bench('complete-denture').upTo('try-in')
    const on = { jobId: J, stepId: 'try-in', sheetId: 'answer' }
    const wax = { change: 'wax', words: 'canine less strong' }
    const front = { change: 'front', words: '11 a little longer' }
    const answer = (changes: readonly { change: string; words: string }[]) =>
      bench.do({ type: 'recordSheet', ...on, sheet: { kind: 'tryInAnswer', changes } })
    expect(() => answer([{ change: 'wax', words: ' ' }])).toThrow(
      expect.objectContaining({ code: 'words-missing' }),
    )
    expect(() => answer([{ change: 'colour', words: 'x' }])).toThrow(
      expect.objectContaining({ code: 'no-such-change' }),
    )
    answer([wax, front])
    const sheet = stepOf(bench.job, 'try-in').sheets![0]!
    const data = bench.job.steps['try-in']!.sheets.at(-1)!.sheet
    expect(judgeSheet(sheet, data, () => undefined)).toMatchObject({
      faults: ['Wax: canine less strong', 'Front teeth: 11 a little longer'],
      outcome: { verdict: 'goBack', toStepId: 'set-anteriors' },
    })
    expect(() => bench.finish('try-in')).toThrow(expect.objectContaining({ code: 'sheet-failing' }))
    bench.do({
      type: 'goBack',
      jobId: J,
      toStepId: 'set-anteriors',
      remake: false,
      reason: 'as the note says',
    })
    expect(['set-anteriors', 'clean-wax', 'try-in'].map((id) => bench.job.steps[id]?.attempt)).toEqual([
      2, 2, 2,
    ])
    expect(bench.job.steps.transfer?.attempt).toBe(1)
    expect(wantedChanges(bench.job, 'set-anteriors')).toEqual([front])
    expect(wantedChanges(bench.job, 'clean-wax')).toEqual([wax])
    expect(wantedChanges(bench.job, 'set-posteriors')).toEqual([])
  })
  it('a case at its try-in is late when the agreed hour is past', () => {
    const bench = new Bench('complete-denture').upTo('try-in')
    const sent = bench.job.steps['send-try-in']!.sheets[0]!.sheet
    if (sent.kind !== 'dispatch') throw new Error('another sheet')
    const window = stepWindow(bench.job, stepOf(bench.job, 'try-in'))!
    const due = Date.parse(sent.dueBackAt)
    expect(windowVerdict(window, due)).toBe('good')
    expect(windowVerdict(window, due + 1)).toBe('late')
  })
  it('a pattern that will not come off is waxed again from the green wax', () => {
    const bench = new Bench('cast-bridge').upTo('take-off')
    bench.check('take-off', 'comes-off', 'Will not come off')
    bench.check('take-off', 'no-voids', 'No void')
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'take-off' })).toBe('check-failing')
    bench.do({ type: 'goBack', jobId: J, toStepId: 'green-wax', remake: false, reason: 'stuck' })
    expect(currentStep(bench.job)?.id).toBe('green-wax')
    expect(bench.job.steps['die-spacer']?.status).toBe('done')
  })
  it('an hour after the last look at its margin a pattern is not invested without a reason', () => {
    const bench = new Bench('cast-crown', { casting: 'elsewhere' }).upTo('margin-check')
    for (const command of bench.carefully('margin-check')) bench.do(command)
    bench.finish('margin-check')
    const begin: CaseCommand = { type: 'startStep', jobId: J, stepId: 'to-invest' }
    bench.now += 60 * MINUTE
    expect(bench.refusal(begin)).toBeUndefined()
    bench.now += 1
    expect(bench.refusal(begin)).toBe('window-missed')
  })
  it('wax in the sulcus keeps the base from going home, and the case from going on', () => {
    const bench = new Bench('complete-denture').upTo('seat-base')
    bench.check('seat-base', 'base-seats', 'Wax in the sulcus')
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'seat-base' })).toBe('check-failing')
    bench.check('seat-base', 'base-seats', 'Fully home')
    bench.finish('seat-base')
  })
})
