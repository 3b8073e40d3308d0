import {
  type BurnoutVerdict,
  burnoutProgram,
  burnoutRunShape,
  checkBurnoutRun,
  judgeBurnout,
  usualPeaks,
  usualRings,
} from '../../casting/index.ts'
import { type Binder, binders } from '../../materials/index.ts'
import { programMinutes } from '../../program/index.ts'
import { qty, saying, unfinished } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, id, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const verdictWords: Readonly<Record<BurnoutVerdict, string>> = {
  goOn: 'hot through',
  hold: 'to be held on',
  discard: 'ring discarded',
}

function readOnce(binder: Binder, belowPeakCelsius: number) {
  const { innerDiameterMillimetres, heightMillimetres } = usualRings[1]!
  const radiusMillimetres = innerDiameterMillimetres / 2
  const peakCelsius = usualPeaks[binder]
  const wish = { binder, radiusMillimetres, rings: 1, pattern: 'wax', fast: false, peakCelsius } as const
  const program = burnoutProgram(wish)
  const measured = [{ minutes: Math.round(programMinutes(program)), celsius: peakCelsius - belowPeakCelsius }]
  const ring = { radiusMillimetres, heightMillimetres }
  return {
    machine: 'Furnace',
    run: { binder, ring, program, from: 'hand' as const, measured, showsTooMuchCelsius: 0 },
  }
}

/** What a burnout was, by the machine or by hand. */
export const burnoutSheet = sheetKind({
  kind: 'burnout',
  data: record({ machine: text(80, { example: 'Furnace' }), run: burnoutRunShape }),
  wants: record({
    binder: choice(binders),
    /** The step from which it is made again when the ring is discarded. */
    remakeFrom: id(),
  }),
  check: ({ run }, { binder }) => {
    if (run.binder !== binder)
      throw new DomainError(
        'other-binder',
        `The ring of this case is ${binder}-bonded.`,
        'Change the investment of the case, or choose its own here.',
        'binder',
      )
    checkBurnoutRun(run)
  },
  faults: ({ run }) => {
    const { verdict, say } = judgeBurnout(run)
    return verdict === 'goOn' ? [] : [unfinished(say)]
  },
  failing: ({ run }, { remakeFrom }) =>
    judgeBurnout(run).verdict === 'discard'
      ? { verdict: 'remake', toStepId: remakeFrom, say: 'Wax, invest and burn out again.' }
      : undefined,
  peakCelsius: ({ run }) => Math.max(...run.measured.map(({ celsius }) => celsius)) - run.showsTooMuchCelsius,
  leadsTo: ({ remakeFrom }) => [remakeFrom],
  words: ({ machine, run }) =>
    saying`${machine}, final reading ${qty.celsius(run.measured.at(-1)!.celsius, 0)}${run.from === 'hand' ? ', by hand' : ''}, ${verdictWords[judgeBurnout(run).verdict]}`,
  good: ({ binder }) => readOnce(binder, 0),
  // The program is over, but the one reading early in it: nobody saw the end.
  failingExample: ({ binder }) => {
    const { machine, run } = readOnce(binder, 0)
    return { machine, run: { ...run, measured: [{ minutes: 30, celsius: 150 }] } }
  },
  refusedExample: ({ binder }) => {
    const { machine, run } = readOnce(binder, 0)
    return { machine, run: { ...run, measured: [] } }
  },
})
