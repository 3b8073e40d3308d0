import { resinLadder, wheelFor } from '../../finishing/index.ts'
import type { Saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, list, maybe, record, text, yesNo } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const compounds = resinLadder.stages.map(({ id }) => id)
const stageOf = (id: string) => resinLadder.stages.find((stage) => stage.id === id)!

/** The wheel that is taken up, before its stage starts: one compound for life, written on it. */
export const wheelSheet = sheetKind({
  kind: 'wheel',
  data: record({
    /** As scanned or read off it. */
    label: text(80, { least: 0, example: 'Fine pumice' }),
    written: choice([...compounds, 'none']),
    /** A coarser compound goes on it now, for good. */
    remark: maybe(yesNo()),
  }),
  wants: record({ stages: list(choice(compounds), 4, 1) }),
  check: ({ label, written }) => {
    if (written !== 'none' && label.trim() === '')
      throw new DomainError(
        'words-missing',
        'It does not say what stands on the wheel.',
        'Scan its label, or say that it has none.',
        'label',
      )
  },
  faults: ({ written, remark }, { stages }) => {
    const against = stages.map((wanted) => refusedFor(written, wanted, remark))
    return against.some((each) => each === undefined) ? [] : [against[0]!]
  },
  words: ({ label, written, remark }, { stages }) => {
    const wanted = stageOf(stages[0]!).name.toLowerCase()
    if (written === 'none') return `no mark on it: marked ${wanted} now`
    return remark ? `marked ${label}, from now on ${wanted} for good` : `marked ${label}`
  },
  good: ({ stages }) => ({ label: stageOf(stages[0]!).name, written: stages[0]! }),
  failingExample: ({ stages }) => {
    const other = stages.includes('coarse-pumice') ? 'high-shine' : 'coarse-pumice'
    return { label: stageOf(other).name, written: other }
  },
  refusedExample: () => ({ label: ' ', written: 'tripoli' }),
})

function refusedFor(written: string, wanted: string, remark = false): Saying | undefined {
  try {
    wheelFor(written === 'none' ? undefined : stageOf(written), stageOf(wanted), remark)
    return undefined
  } catch (error) {
    // Behind it comes what to do, with a full stop of its own.
    if (error instanceof DomainError) return error.message.replace(/\.$/, '')
    throw error
  }
}
