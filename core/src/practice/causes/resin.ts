import { type CureRun, ISO_RESIDUAL_PERCENT, judgeCure, MONOMER_BOILS_CELSIUS } from '../../curing/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { closuresNeeded, ridgeMillimetres } from '../model-readings.ts'
import { jobOf } from '../truth.ts'
import type { Cause, Caused } from './cause.ts'
import { at } from './shows-later.ts'

/** Flash left standing, mm for each closure that was missing (choice), and what it lifts the pin by, mm/mm (choice). */
const FLASH_MILLIMETRES_PER_CLOSURE = 0.8
const PIN_PER_FLASH = 0.5

const trueRuns = new Map<string, CureRun>()
/** Bases that are remembered: a class works on the same few. */
const MOST_REMEMBERED = 200

/** The base as it really lay in the bath: its sheet, and the ridge that it has. The same run is the same object: the model remembers it. */
export function trueRun(run: CureRun, millimetres: number): CureRun {
  const sections = [
    ...run.sections.filter(({ shape }) => shape === 'sheet'),
    { shape: 'ridge' as const, millimetres },
  ]
  const really = { ...run, sections }
  const key = JSON.stringify(really)
  if (trueRuns.size > MOST_REMEMBERED) trueRuns.clear()
  const known = trueRuns.get(key) ?? really
  trueRuns.set(key, known)
  return known
}

export const resin: Cause = ({ event, after, step }) => {
  if (event.type === 'sheetRecorded' && event.sheet.kind === 'cure')
    return cured(event.sheet.run, ridgeMillimetres(after.setup.seed))
  if (event.type !== 'stepFinished') return []
  const sheet = jobOf(after).steps[step.id]!.sheets.findLast((each) => each.sheet.kind === 'closures')?.sheet
  if (sheet?.kind !== 'closures') return []
  const missing = closuresNeeded(after.setup.seed) - sheet.closures.length
  if (missing <= 0) return []
  const flash = FLASH_MILLIMETRES_PER_CLOSURE * missing
  const pin = PIN_PER_FLASH * flash
  return [
    {
      kind: 'flash-left',
      named: 'Flash left at the last closure',
      size: saying`${qty.mm(flash)}`,
      why: saying`Closed for good after ${sheet.closures.length} trials: ${qty.mm(flash)} of flash lift the base, the pin by about ${qty.mm(pin)}.`,
      better: 'Close again until the mould shows no flash, then once more without the sheet.',
      shows: [at.above('pin-open', pin + 1)],
    },
  ]
}

/** What a bath did to the ridge that really lay in it, by the model of the cure. */
export function cured(run: CureRun, ridge: number): readonly Caused[] {
  const { verdict, followed } = judgeCure(trueRun(run, ridge))
  const worst = followed.reduce((a, b) => (b.outcome.peakCelsius > a.outcome.peakCelsius ? b : a))
  const measured = Math.max(...run.sections.map(({ millimetres }) => millimetres))
  const entered = saying`You had entered ${qty.mm(measured)}.`
  if (verdict === 'porous')
    return [
      {
        kind: 'gas-pores',
        named: 'Gas pores, ridge',
        size: saying`${qty.celsiusApart(worst.outcome.peakCelsius - MONOMER_BOILS_CELSIUS, 0)} past the boil`,
        why: saying`The ${qty.mm(ridge)} ridge reached ${qty.celsius(worst.outcome.peakCelsius, 0)} after ${qty.minutes(worst.outcome.peakMinutes, 0)} in the bath; monomer boils at ${qty.celsius(MONOMER_BOILS_CELSIUS, 1)}. ${entered}`,
        better: 'Measure the ridge at its thickest, and take the bath that keeps its middle below the boil.',
        shows: [at.looks('resin-surface', 'Bubbles inside')],
      },
    ]
  const residual = Math.max(...followed.map(({ outcome }) => outcome.residualPercent))
  if (verdict !== 'extend' || residual <= ISO_RESIDUAL_PERCENT) return []
  return [
    {
      kind: 'monomer-left',
      named: 'Monomer left in the base',
      size: saying`${qty.percent(residual, 1)}`,
      why: saying`The bath left about ${qty.percent(residual, 1)} of monomer, ${qty.percent(ISO_RESIDUAL_PERCENT, 1)} is the most. Nobody sees that.`,
      better: 'Boil it on before it is opened.',
      shows: [],
    },
  ]
}
