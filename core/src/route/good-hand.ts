import { materials } from '../materials/index.ts'
import type { CaseCommand } from './case-command.ts'
import type { RecordedMix } from './case-event.ts'
import { goodSheet } from './good-sheet.ts'
import type { Amount, Check, RouteStep } from './route-template.ts'

/**
 * What a careful hand would enter on a step: every amount near its plan, every check passed, every sheet filled in.
 * The demo lab, the benchmark and the tests are made with it; nothing of it reaches a real record.
 *
 * @param random numbers from 0 to 1, for the small spread of a real hand
 * @param lotOf the lot in use of a material
 */
export function goodHand(
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

function goodMix(amount: Amount, random: () => number): Omit<RecordedMix, 'lots'> {
  const named = { amountId: amount.id, materialId: amount.materialId }
  const measure = materials.get(amount.materialId)?.measure
  if (amount.kind === 'parts') {
    const each = measure?.by === 'parts' ? measure.liquidPartsPerPowderPart : 1
    return { ...named, powderParts: amount.powderParts, liquidParts: amount.powderParts * each }
  }
  if (amount.kind === 'use' || measure?.by !== 'mass') return named
  const ratio = amount.millilitresPerGram ?? measure.usualMillilitresPerGram
  const powderGrams = round(amount.powderGrams * (1 + 0.01 * (random() - 0.5)), 1)
  return { ...named, powderGrams, liquidMillilitres: round(powderGrams * ratio, 1) }
}

function goodReading(check: Check, random: () => number): { value?: number; answer?: string } {
  if (check.kind === 'observe')
    return { answer: check.answers.find(({ outcome }) => outcome.verdict === 'pass')!.answer }
  const { min, max, plausible } = check
  // A mere reference is read somewhere in the middle of what can be real.
  const low = min ?? (max === undefined ? plausible.min : Math.max(plausible.min, 0))
  const high = max ?? (min === undefined ? plausible.max : min * 1.1)
  const middle = (low + high) / 2
  return {
    value: round(
      middle + (random() - 0.5) * (min === undefined && max === undefined ? 0.1 : 0.4) * (high - low),
      1,
    ),
  }
}

function round(value: number, decimals: number): number {
  return Number(value.toFixed(decimals))
}

/** Numbers from 0 to 1 that only look random: the same seed gives the same ones (mulberry32, public domain). */
export function seededRandom(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
