import type { BaseLift, CastPlan, Saying, SurveyArch, TableTilt, Tripod, Vector } from '@yentrik/core'
import { joined, tiltWords } from '@yentrik/core'
import { Said } from '../preferences/words.tsx'
import { LiftsDrawing } from './LiftsDrawing.tsx'
import { PlanDrawing } from './PlanDrawing.tsx'

/** What the hand does: raise the corners, scratch the tripod; the plan to print at life size. */
export function HandPanel({
  lifts,
  say,
  arch,
  tilt,
  tripod,
  plan,
  places,
  name,
}: {
  readonly lifts: readonly BaseLift[]
  readonly say: Saying
  readonly arch: SurveyArch
  readonly tilt: TableTilt
  readonly tripod: Tripod | undefined
  readonly plan: CastPlan | undefined
  readonly places: readonly { readonly id: number; readonly name: string; readonly tap: Vector }[]
  readonly name: string
}) {
  const marks = (tripod ?? []).map(({ place: { x, y, z } }): Vector => [x, y, z])
  return (
    <>
      <section className="card-flat grid content-start gap-2 p-4 print:hidden" aria-label="For the hand">
        <h2 className="font-bold">For the hand: raise by, mm</h2>
        <LiftsDrawing lifts={lifts} arch={arch} />
        <p className="font-semibold">
          <Said words={say} />
        </p>
        {plan && (
          <details>
            <summary className="cursor-pointer py-2.5 font-semibold">Plan and tripod</summary>
            <PlanDrawing plan={plan} tilt={tilt} places={places} tripod={marks} />
            <p className="text-sm">
              {marks.length > 0
                ? 'Crosses: three places of one height. Lock the arm, scratch all three: so the cast comes back to this tilt.'
                : 'No three places of one height lie 15 mm apart.'}
            </p>
          </details>
        )}
        <button
          type="button"
          className="small-act justify-self-start"
          disabled={!plan}
          onClick={() => print()}
        >
          Print the plan, life size
        </button>
      </section>
      {plan && (
        <section className="hidden bg-white text-black print:block" aria-label="Plan to print">
          <h2 className="text-[14pt] font-bold">
            Survey, {arch} cast, {name}
          </h2>
          <p className="text-[10pt]">
            <Said words={joined(tiltWords(arch, tilt))} />. <Said words={say} />
          </p>
          <svg width="50mm" height="4mm" viewBox="0 0 50 4" aria-hidden>
            <path d="M0 2h50M.1 0v4M49.9 0v4" stroke="black" strokeWidth="0.3" />
          </svg>
          <p className="text-[9pt]">
            Life size at 100 %: the bar is 50 mm. Dashes: 0.25 short, 0.50, 0.75 long.
          </p>
          <PlanDrawing plan={plan} tilt={tilt} places={places} tripod={marks} lifeSize />
          <p className="text-[10pt]">{places.map((each) => `${each.id}: ${each.name}`).join('; ')}</p>
        </section>
      )}
    </>
  )
}
