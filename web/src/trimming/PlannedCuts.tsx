import {
  type HeightPlan,
  type JobState,
  planPair,
  type Rebase,
  type RouteStep,
  rebasesIn,
  recordedSheet,
  stepOfSheet,
} from '@yentrik/core'
import { Link } from 'react-router'
import { quantity } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { useMillimetres } from '../preferences/words.tsx'
import { TopDrawing } from './TopDrawing.tsx'

/** The cuts of the stored plan that a step makes: the angle for the table and the depth, large, on the drawing. */
export function PlannedCuts({ job, step, caseId }: { job: JobState; step: RouteStep; caseId: string }) {
  const _units = usePreferences((preferences) => preferences.units)
  const rebases = rebasesIn(job, step)
  if (rebases.length > 0) return <ToAdd rebases={rebases} />
  const mm = useMillimetres()
  const wanted = step.plannedCuts
  const sheet = wanted && recordedSheet(job, wanted.of)
  if (!wanted || sheet?.kind !== 'trimPlan') return null
  const model = planPair(sheet.entry)[wanted.arch]
  const cuts = model.cuts.filter(({ name }) => wanted.cuts.includes(name))
  const base = wanted.base ? model.heights : undefined
  return (
    <section
      className="border-base-300 mt-4 grid items-center gap-4 border-t pt-3 sm:grid-cols-[minmax(0,1fr)_13rem]"
      aria-label="From the plan"
    >
      <div>
        <dl className="flex flex-wrap gap-x-10 gap-y-2">
          {cuts.map((cut) => (
            <div key={cut.name} className="flex flex-col-reverse">
              <dt>
                {cut.name}
                {cut.depthMillimetres !== undefined &&
                  (cut.noStone
                    ? ', no stone reaches it'
                    : `, ${mm(cut.depthMillimetres)} off at the deepest`)}
              </dt>
              <dd className="figures text-6xl leading-none font-bold">
                {cut.name === 'front arc' && model.plan.front.kind === 'arc'
                  ? `r ${mm(model.plan.front.radiusMillimetres)}`
                  : `${cut.tableDegrees.toFixed(1)}°`}
              </dd>
            </div>
          ))}
          {base && <ToTakeOff heights={base} />}
        </dl>
        <Link
          className="link mt-2 inline-block"
          to={`/trim?case=${caseId}&job=${job.jobId}&plan=${stepOfSheet(job, wanted.of)}&sheet=${wanted.of.sheetId}`}
        >
          The whole plan
        </Link>
      </div>
      <TopDrawing
        model={model}
        outline={sheet.entry[wanted.arch].outline}
        cut={model.cuts.findIndex(({ name }) => name === cuts[0]?.name)}
        className="h-40 w-full"
      />
    </section>
  )
}

/** What comes off the base, and where: least and most. A base that is too thin says so: nothing can be taken off it. */
function ToTakeOff({ heights }: { readonly heights: HeightPlan }) {
  const _units = usePreferences((preferences) => preferences.units)
  const mm = useMillimetres()
  const corners = [...heights.corners].sort((a, b) => a.removeMillimetres - b.removeMillimetres)
  const [least, most] = [corners[0]!, corners.at(-1)!]
  if (heights.shortMillimetres > 0)
    return (
      <Message tone="error">
        Too thin by {mm(heights.shortMillimetres)} at the {least.name}: add {mm(heights.rebaseMillimetres)},
        then read the bases again.
      </Message>
    )
  return [least, most].map(({ name, removeMillimetres }, index) => (
    <div key={name} className="flex flex-col-reverse">
      <dt>
        {index === 0 ? 'least' : 'most'}, {name}
      </dt>
      <dd className="figures text-5xl leading-none font-bold">{mm(removeMillimetres)}</dd>
    </div>
  ))
}

/** What the bases must get, by the plan. */
function ToAdd({ rebases }: { readonly rebases: readonly Rebase[] }) {
  const units = usePreferences((preferences) => preferences.units)
  return (
    <section className="border-base-300 mt-4 border-t pt-3" aria-label="From the plan">
      <dl className="flex flex-wrap gap-x-10 gap-y-2">
        {rebases.map(({ arch, millimetres }) => (
          <div key={arch} className="flex flex-col-reverse">
            <dt>to add over the whole {arch} base, at least</dt>
            <dd className="figures text-5xl leading-none font-bold">
              {quantity(Number(millimetres.toFixed(1)), 'millimetres', units)}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
