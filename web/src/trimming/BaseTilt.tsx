import {
  baseTiltDegrees,
  type JobState,
  planPair,
  type RouteStep,
  recordedSheet,
  type Saying,
} from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'

const places = [
  ['front', 'Front'],
  ['left heel at the side', 'Left heel'],
  ['right heel at the side', 'Right heel'],
] as const

/** The heights of a trimmed base at three places of its plan, and the degrees that they come to. */
export function BaseTilt({
  job,
  step,
  draftKey,
  onRecord,
}: {
  readonly job: JobState
  readonly step: RouteStep
  readonly draftKey: string
  readonly onRecord: (degrees: number) => Promise<boolean>
}) {
  const [typed, keep, forget] = useDraft<readonly string[]>(draftKey, () => ['', '', ''])
  const plan = step.plannedCuts && recordedSheet(job, step.plannedCuts.of)
  const corners =
    plan?.kind === 'trimPlan' && step.plannedCuts
      ? planPair(plan.entry)[step.plannedCuts.arch].heights?.corners
      : undefined
  if (!corners) return null
  const read = typed.map((text) => readNumber(text, 'mm'))
  const heights = places.map(([name], index) => ({
    at: corners.find((corner) => corner.name === name)!.at,
    heightMillimetres: read[index]!.value ?? Number.NaN,
  }))
  const whole = read.every(({ value }) => value !== undefined)
  const { answer, refusal }: { answer?: number; refusal?: Saying } = whole
    ? attempt(() => baseTiltDegrees(heights))
    : {}
  return (
    <section className="border-base-300 mt-4 border-t pt-3" aria-label="Degrees from three heights">
      <h3 className="text-lg font-semibold">Degrees from three heights</h3>
      <p className="mb-2 text-sm opacity-80">On its teeth, at these corners of the plan.</p>
      <div className="flex flex-wrap items-start gap-3">
        {places.map(([, label], index) => (
          <div key={label} className="w-36">
            <NumberField
              label={label}
              unit="mm"
              text={typed[index] ?? ''}
              onText={(text) => keep((before) => before.map((each, n) => (n === index ? text : each)))}
              fault={typed[index] ? read[index]!.fault : undefined}
            />
          </div>
        ))}
        {answer !== undefined && (
          <button
            type="button"
            className="act mt-7"
            onClick={() => void onRecord(Number(answer.toFixed(1))).then((stored) => stored && forget())}
          >
            Record <b className="figures">{answer.toFixed(1)}°</b>
          </button>
        )}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </section>
  )
}
