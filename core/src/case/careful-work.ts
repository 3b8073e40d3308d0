import { goodMix, goodReading, type RouteStep } from '../route/index.ts'
import { goodSheet } from '../sheet/index.ts'
import type { CaseCommand } from './case-command.ts'

/**
 * What a careful technician would enter on a step: every amount near its plan, every check passed, every sheet filled in.
 * The demo lab, the benchmark and the tests are made with it; nothing of it reaches a real record.
 *
 * @param random numbers from 0 to 1, for the small spread of real work
 * @param lotOf the lot in use of a material
 */
export function carefulWork(
  jobId: string,
  step: RouteStep,
  random: () => number,
  lotOf: (materialId: string) => string | undefined = () => undefined,
): CaseCommand[] {
  const mixes = (step.amounts ?? []).map((amount): CaseCommand => {
    const lot = lotOf(amount.materialId)
    return { type: 'recordMix', jobId, stepId: step.id, ...goodMix(amount, random), lots: lot ? [lot] : [] }
  })
  const checks = (step.checks ?? []).flatMap((check): CaseCommand[] =>
    Array.from({ length: check.readings ?? 1 }, () => ({
      type: 'recordCheck',
      jobId,
      stepId: step.id,
      checkId: check.id,
      ...goodReading(check, random),
    })),
  )
  const sheets = (step.sheets ?? []).map(
    (sheet): CaseCommand => ({
      type: 'recordSheet',
      jobId,
      stepId: step.id,
      sheetId: sheet.id,
      sheet: goodSheet(sheet),
    }),
  )
  return [...mixes, ...sheets, ...checks]
}
