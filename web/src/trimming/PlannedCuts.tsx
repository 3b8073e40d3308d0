import { type JobState, planPair, type RouteStep, recordedSheet } from '@yentrik/core'
import { Link } from 'react-router'
import { quantity } from '../format/format.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { TopDrawing } from './TopDrawing.tsx'

/** The cuts of the stored plan that a step makes: the angle for the table and the depth, large, on the drawing. */
export function PlannedCuts({ job, step, caseId }: { job: JobState; step: RouteStep; caseId: string }) {
  const units = usePreferences((preferences) => preferences.units)
  const wanted = step.plannedCuts
  const sheet = wanted && recordedSheet(job, wanted.of)
  if (!wanted || sheet?.kind !== 'trimPlan') return null
  const model = planPair(sheet.entry)[wanted.arch]
  const mm = (value: number) => quantity(Number(value.toFixed(1)), 'millimetres', units)
  const cuts = model.cuts.filter(({ name }) => wanted.cuts.includes(name))
  const base = wanted.base ? model.heights : undefined
  const removed = base?.corners.map(({ removeMillimetres }) => removeMillimetres) ?? []
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
          {base && (
            <div className="flex flex-col-reverse">
              <dt>to take off, least to most</dt>
              <dd className="figures text-5xl leading-none font-bold">
                {mm(Math.min(...removed))} <span className="text-3xl">to</span> {mm(Math.max(...removed))}
              </dd>
            </div>
          )}
        </dl>
        <Link
          className="link mt-2 inline-block"
          to={`/trim?case=${caseId}&job=${job.jobId}&plan=${wanted.of.stepId}&sheet=${wanted.of.sheetId}`}
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
