import { checkCureRun, curePresets, cureRunShape, judgeCure } from '../../curing/index.ts'
import { programMinutes } from '../../program/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { id, maybe, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const verdictWords = { accept: 'cured', extend: 'to be cured on', porous: 'probably porous' } as const

function readOnce(millimetres: number) {
  const { program } = curePresets[0]!
  const measured = [{ minutes: Math.round(programMinutes(program)), celsius: 100 }]
  const sections = [
    { shape: 'sheet' as const, millimetres: 2.5 },
    { shape: 'ridge' as const, millimetres },
  ]
  return {
    machine: 'Bath',
    run: { sections, program, from: 'hand' as const, measured, showsTooMuchCelsius: 0 },
  }
}

/** What a cure was; `reason` where it was run against advice. */
export const cureSheet = sheetKind({
  kind: 'cure',
  data: record({
    machine: text(80, { example: 'Bath 1' }),
    run: cureRunShape,
    reason: maybe(text(1000, { description: 'Why it was run against advice' })),
  }),
  wants: record({
    /** The step from which it is processed again when the dentist wants that. */
    remakeFrom: id(),
  }),
  check: ({ run }) => checkCureRun(run),
  faults: ({ run }) => {
    const { verdict, say } = judgeCure(run)
    return verdict === 'accept' ? [] : [say]
  },
  failing: ({ run }) =>
    judgeCure(run).verdict === 'porous'
      ? {
          verdict: 'askDentist',
          say: 'The resin has probably boiled inside. Process again, or open it and look?',
        }
      : undefined,
  peakCelsius: ({ run }) => Math.max(...judgeCure(run).followed.map(({ outcome }) => outcome.peakCelsius)),
  leadsTo: ({ remakeFrom }) => [remakeFrom],
  words: ({ machine, run, reason }) => {
    const { verdict, followed } = judgeCure(run)
    const most = Math.max(...followed.map(({ outcome }) => outcome.residualPercent))
    return saying`${machine}${run.from === 'hand' ? ', by hand' : ''}, ${verdictWords[verdict]}, about ${qty.percent(most, 1)} monomer${reason ? `; against advice: ${reason}` : ''}`
  },
  good: () => readOnce(12),
  // Taken out after an hour: it has not reacted.
  failingExample: () => {
    const { machine, run } = readOnce(12)
    return { machine, run: { ...run, measured: [{ minutes: 60, celsius: 60 }] } }
  },
  refusedExample: () => {
    const { machine, run } = readOnce(12)
    return { machine, run: { ...run, sections: [] } }
  },
})
