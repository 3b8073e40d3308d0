import type { JobState } from '../case/index.ts'
import { chargeOf } from '../casting/index.ts'
import { materials } from '../materials/index.ts'
import type { RouteStep } from '../route/index.ts'
import type { Judged } from '../sheet/index.ts'
import type { JobDigest, SeriesDigest, ValueDigest } from './digest.ts'
import type { Attempt, Opened } from './opened.ts'

/** Every value that was measured on a job, by its series. @param judged what sheets came to when they were recorded */
export function seriesOf(
  job: JobState,
  opened: readonly Opened[],
  judged: ReadonlyMap<number, Judged>,
): SeriesDigest[] {
  const found = new Map<string, SeriesDigest & { readonly values: ValueDigest[] }>()
  const add = (about: Omit<SeriesDigest, 'values'>, value: ValueDigest, firstAttempt: boolean) => {
    const known = found.get(about.key) ?? { ...about, values: [] }
    found.set(about.key, known)
    const first = firstAttempt && known.values.length === 0
    known.values.push(first ? value : { ...value, repeat: true })
  }
  for (const { step, attempt } of opened) {
    const at = `${job.route.templateId}/${step.id}`
    const first = attempt.attempt === 1
    const lastLot = attempt.mixes.at(-1)?.lots[0]
    const stamp = (each: { readonly at: string; readonly sequence: number }, lot = lastLot) => ({
      at: Date.parse(each.at),
      sequence: each.sequence,
      ...(lot === undefined ? {} : { lot }),
    })
    for (const reading of attempt.readings) {
      const check = step.checks?.find(({ id }) => id === reading.checkId)
      if (check?.kind !== 'measure' || reading.value === undefined || reading.tooth !== undefined) continue
      const { min, max, name, quantity, plausible } = check
      const limits = {
        ...(min === undefined ? {} : { min }),
        ...(max === undefined ? {} : { max }),
        least: plausible.min,
        most: plausible.max,
      }
      // Where the target is another, it is another series.
      const key = `${at}/${check.id}${min === undefined && max === undefined ? '' : `@${min ?? ''}..${max ?? ''}`}`
      add(
        { key, step: step.id, name, quantity, ...limits },
        { ...stamp(reading), value: reading.value },
        first,
      )
    }
    for (const mix of attempt.mixes) {
      const off = ratioOff(step, mix)
      if (off === undefined) continue
      const { product, materialId, amountId } = mix
      const name = `Ratio of ${product ?? materials.get(materialId)?.name.toLowerCase() ?? materialId}`
      const key = `${at}/${amountId}~${product ?? materialId}`
      add(
        { key, step: step.id, name, quantity: 'percent' },
        { ...stamp(mix, mix.lots[0]), value: off },
        first,
      )
    }
    for (const { sheetId, sequence, at: when } of attempt.sheets) {
      const peak = judged.get(sequence)?.peakCelsius
      const name = step.sheets?.find(({ id }) => id === sheetId)?.name
      if (peak === undefined || name === undefined) continue
      const key = `${at}/${sheetId}^peak`
      const about = {
        key,
        step: step.id,
        name: `${name}: peak`,
        quantity: 'celsius',
        computed: true,
      } as const
      add(about, { ...stamp({ at: when, sequence }), value: peak }, first)
    }
  }
  return [...found.values()]
}

/** What went into an attempt: of which lot and product, in which machine. */
export function usedIn({ mixes, sheets }: Attempt): JobDigest['used'] {
  return [
    ...mixes.flatMap(({ materialId, lots, product }) => [
      ...lots.map((name) => ({ kind: 'lot' as const, of: materialId, name })),
      ...(product ? [{ kind: 'product' as const, of: materialId, name: product }] : []),
    ]),
    ...sheets.flatMap(({ sheet }): JobDigest['used'] => [
      ...(sheet.kind === 'charge'
        ? chargeOf(sheet.pieces).lots.map(({ lotId }) => ({
            kind: 'lot' as const,
            of: sheet.alloyId,
            name: lotId,
          }))
        : []),
      ...('machine' in sheet && sheet.machine
        ? [{ kind: 'machine' as const, of: sheet.kind, name: sheet.machine }]
        : []),
    ]),
  ]
}

/** Finer than this no balance and measure at a bench tell a ratio, % (choice). */
const RATIO_STEP_PERCENT = 0.1

/** Liquid by powder against what was wanted, % off; undefined where it was not measured so. */
function ratioOff(step: RouteStep, mix: Attempt['mixes'][number]): number | undefined {
  const amount = step.amounts?.find(({ id }) => id === mix.amountId)
  const measure = materials.get(mix.materialId)?.measure
  const target =
    mix.pack?.millilitresPerGram ??
    (amount?.kind === 'mix' ? amount.millilitresPerGram : undefined) ??
    (measure?.by === 'mass' ? measure.usualMillilitresPerGram : undefined)
  if (!mix.powderGrams || mix.liquidMillilitres === undefined || !target) return undefined
  const off = (100 * mix.liquidMillilitres) / mix.powderGrams / target - 100
  return Math.round(off / RATIO_STEP_PERCENT) * RATIO_STEP_PERCENT
}
