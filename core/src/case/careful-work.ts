import { goodMix, goodReading, type RouteStep, teethOf } from '../route/index.ts'
import { goodSheet, type SheetData, type StepSheet } from '../sheet/index.ts'
import type { CaseCommand } from './case-command.ts'
import type { WorkAuthorisation } from './payloads.ts'

/**
 * What a careful technician would enter on a step: every amount near its plan, every check passed, every sheet filled in.
 * The demo lab, the benchmark and the tests are made with it; nothing of it reaches a real record.
 *
 * @param random numbers from 0 to 1, for the small spread of real work
 * @param lotOf the lot in use of a material
 * @param order the teeth and the enclosures of the work authorisation
 */
export function carefulWork(
  jobId: string,
  step: RouteStep,
  random: () => number,
  lotOf: (materialId: string) => string | undefined = () => undefined,
  { teeth = [], enclosures = [] }: Partial<Pick<WorkAuthorisation, 'teeth' | 'enclosures'>> = {},
): CaseCommand[] {
  const mixes = (step.amounts ?? []).map((amount): CaseCommand => {
    const lot = lotOf(amount.materialId)
    return { type: 'recordMix', jobId, stepId: step.id, ...goodMix(amount, random), lots: lot ? [lot] : [] }
  })
  const checks = (step.checks ?? []).flatMap((check): CaseCommand[] =>
    teethOf(check, teeth).flatMap((tooth) =>
      Array.from({ length: check.readings ?? 1 }, () => ({
        type: 'recordCheck' as const,
        jobId,
        stepId: step.id,
        checkId: check.id,
        ...(tooth === undefined ? {} : { tooth }),
        ...goodReading(check, random),
      })),
    ),
  )
  const sheets = (step.sheets ?? []).map(
    (sheet): CaseCommand => ({
      type: 'recordSheet',
      jobId,
      stepId: step.id,
      sheetId: sheet.id,
      sheet: sheetOfOrder(sheet, { teeth, enclosures }),
    }),
  )
  return [...mixes, ...sheets, ...checks]
}

/** A sheet as a careful technician fills it in: what is read tooth by tooth, at every tooth; of what came along, everything. */
export function sheetOfOrder(
  sheet: StepSheet,
  { teeth, enclosures }: Pick<WorkAuthorisation, 'teeth' | 'enclosures'>,
): SheetData {
  const good = goodSheet(sheet)
  if (good.kind === 'enclosures') return { ...good, went: enclosures.map((name) => ({ name, way: 'back' })) }
  const [first] = good.kind === 'places' ? good.places : []
  if (sheet.kind !== 'places' || !sheet.suggestTeeth || !first || teeth.length === 0) return good
  return { kind: 'places', places: teeth.map((tooth) => ({ ...first, place: String(tooth) })) }
}
