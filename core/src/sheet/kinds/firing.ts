import {
  checkFiringRun,
  type Firing,
  firingNames,
  firingProgram,
  firingRunShape,
  firings,
  judgeFiring,
} from '../../ceramic/index.ts'
import { type CeramicClass, ceramicClasses } from '../../materials/index.ts'
import { programMinutes } from '../../program/index.ts'
import { joined, qty, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, id, maybe, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** As it was read once, by hand, at its peak. */
function readOnce(ceramic: CeramicClass, firing: Firing, off = 0) {
  const load = { ceramic, firing, wallMillimetres: 1.5, units: 1 }
  const program = firingProgram(load)
  const peak = program.segments.findIndex(
    (each) => each.toCelsius === Math.max(...program.segments.map(({ toCelsius }) => toCelsius)),
  )
  const { toCelsius } = program.segments[peak]!
  const minutes = programMinutes({ ...program, segments: program.segments.slice(0, peak + 1) })
  return {
    machine: firing === 'sinter' ? 'Sintering furnace' : 'Ceramic furnace',
    run: {
      ...load,
      program,
      from: 'hand' as const,
      measured: [{ minutes: Math.round(minutes), celsius: toCelsius + off }],
      showsTooMuchCelsius: 0,
      peakCelsius: toCelsius,
      dried: true,
      firingNumber: firing === 'dry' || firing === 'sinter' ? 0 : 1,
    },
  }
}

const verdictWords = { good: 'good', look: 'to be looked at', again: 'under-fired', remake: 'lost' } as const

/** What a firing was: drying, sintering, crystallisation, stain or glaze. */
export const firingSheet = sheetKind({
  kind: 'firing',
  data: record({
    machine: text(80, { example: 'Ceramic furnace' }),
    run: firingRunShape,
    /** What was seen when it was looked at, where the curve asks for that. */
    looked: maybe(text(1000, { example: 'No crack against the light' })),
  }),
  wants: record({
    /** The first is the usual one of the step. */
    firing: choice(firings),
    ceramic: choice(ceramicClasses),
    /** From which it is made again when it is lost. */
    remakeFrom: id(),
  }),
  check: ({ run }, { firing }) => {
    if (run.firing !== firing)
      throw new DomainError(
        'other-firing',
        `This step is a ${firingNames[firing].toLowerCase()}.`,
        'Choose that firing, and record its curve.',
        'firing',
      )
    checkFiringRun(run)
  },
  faults: ({ run, looked }, { ceramic }) => {
    const { verdict, found } = judgeFiring(run)
    const seen = verdict === 'look' && looked !== undefined && looked.trim() !== ''
    return [
      ...(run.ceramic === ceramic ? [] : ['fired as another class than the case is of']),
      ...(verdict === 'good' || seen ? [] : found),
    ]
  },
  failing: ({ run }, { remakeFrom }) => {
    const { verdict, say } = judgeFiring(run)
    if (verdict === 'remake') return { verdict: 'remake', toStepId: remakeFrom, say }
    return {
      verdict: 'adjust',
      say: verdict === 'look' ? saying`${say} Then record the curve again with what you saw.` : say,
    }
  },
  leadsTo: ({ remakeFrom }) => [remakeFrom],
  words: ({ machine, run, looked }) => {
    const { verdict, hottestCelsius, heldMinutes, found } = judgeFiring(run)
    return saying`${machine}, ${firingNames[run.firing].toLowerCase()}${run.firingNumber > 0 ? ` ${run.firingNumber}` : ''}, ${qty.celsius(hottestCelsius, 0)} at most, ${qty.minutes(heldMinutes, 0)} near it${run.from === 'hand' ? ', by hand' : ''}, ${verdictWords[verdict]}${found.length > 0 ? saying`: ${joined(found)}` : ''}${looked ? `; looked at: ${looked}` : ''}`
  },
  good: ({ firing, ceramic }) => readOnce(ceramic, firing),
  failingExample: ({ firing, ceramic }) => readOnce(ceramic, firing, -60),
  refusedExample: ({ firing, ceramic }) => {
    const { machine, run } = readOnce(ceramic, firing)
    return { machine, run: { ...run, measured: [] } }
  },
})
