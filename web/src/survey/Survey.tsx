import {
  armLoad,
  type BestTilt,
  baseLifts,
  type CastPlan,
  type ClaspArm,
  handWords,
  type JobState,
  lastSheetOf,
  type Saying,
  type SheetData,
  type StepSheet,
  type StonePieces,
  type SurveyArch,
  type SurveyedPlace,
  TAPERS,
  type TableTilt,
  type TiltAim,
  usualCorners,
  type Vector,
} from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { type Attempt, attempt } from '../parts/attempt.ts'
import { type Options, Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { useWorker } from '../worker/use-worker.ts'
import { CastView } from './CastView.tsx'
import { HandPanel } from './HandPanel.tsx'
import { LayPanel, type LayTaps, type TapFor } from './LayPanel.tsx'
import { OpenScan } from './OpenScan.tsx'
import { PlaceList, PlacePanel } from './PlacePanel.tsx'
import { PLAN_GAUGES } from './PlanDrawing.tsx'
import { RecoveryHead, RecoveryPanel } from './RecoveryPanel.tsx'
import { RoomPanel } from './RoomPanel.tsx'
import { SectionDrawing } from './SectionDrawing.tsx'
import {
  armOf,
  gaugeOf,
  isStrip,
  placeAt,
  type SurveyDraft,
  type SurveyUse,
  surveyFor,
} from './survey-draft.ts'
import { recordOf } from './survey-record.ts'
import { useSurvey } from './use-survey.ts'

export const uses: Options<SurveyUse> = [
  ['clasp', 'Clasps'],
  ['blockOut', 'Block out'],
  ['recovery', 'Recovery'],
]

/** The instrument: a scan, the table, the places, what is blocked out, the pieces; and its way into the record. */
export function Survey({
  kept,
  use,
  job,
  sheet,
  title,
  refusal,
  onRecord,
}: {
  readonly kept: string
  readonly use: SurveyUse
  readonly job?: JobState
  readonly sheet?: StepSheet
  readonly title?: ReactNode
  readonly refusal?: Saying
  readonly onRecord?: (data: SheetData) => Promise<boolean>
}) {
  const arch: SurveyArch =
    sheet?.kind === 'sawPlan' ? sheet.arch : job?.route.choices.arch === 'lower' ? 'lower' : 'upper'
  const [draft, keep, forget] = useDraft<SurveyDraft>(kept, () => surveyFor(use, arch))
  const { tilt } = draft
  const state = useSurvey(tilt)
  const { laid, survey, version, setMoving, give } = state
  const [tapFor, setTapFor] = useState<TapFor>('place')
  const [layTaps, setLayTaps] = useState<LayTaps>({ plane: [] })
  const [best, setBest] = useState<{ readonly aim: TiltAim; readonly answer: Attempt<BestTilt> }>()
  const change = (to: Partial<SurveyDraft>) => keep((before) => ({ ...before, ...to }))
  const onTilt = (next: TableTilt) => !draft.locked && change({ tilt: next })
  const place = draft.places.find(({ id }) => id === draft.chosen)
  const still = version > 0 && !state.moving
  const gauge = place && gaugeOf(place)
  const asked = draft.places.flatMap((each) => {
    const gaugeMillimetres = gaugeOf(each)
    return gaugeMillimetres
      ? [{ id: each.id, tap: each.tap, gaugeMillimetres, ...(each.gum ? { gum: each.gum } : {}) }]
      : []
  })
  const surveyed = useWorker(
    still && asked.length > 0 ? { tilt, asked, version } : undefined,
    async (question): Promise<Attempt<readonly (Attempt<SurveyedPlace> & { readonly id: number })[]>> => {
      const answers: (Attempt<SurveyedPlace> & { readonly id: number })[] = []
      for (const { id, ...each } of question.asked)
        answers.push({ id, ...(await give<SurveyedPlace>((work) => work.place(question.tilt, each))) })
      return { answer: answers }
    },
  )?.answer
  const found = surveyed?.find(({ id }) => id === draft.chosen)
  const rooms = useWorker(still && draft.taper !== '0' ? { tilt, version } : undefined, (question) =>
    give<readonly number[]>((work) => work.rooms(question.tilt)),
  )
  const plan = useWorker(still && draft.use !== 'recovery' ? { tilt, version } : undefined, (question) =>
    give<CastPlan>((work) => work.plan(question.tilt, PLAN_GAUGES)),
  )
  const [canine, end] = [readNumber(draft.canine, '°').value, readNumber(draft.end, '°').value]
  const pieces = useWorker(
    still && draft.use === 'recovery' && canine && end ? { canine, end, version } : undefined,
    (question) => give<StonePieces>((work) => work.pieces(draft.arch, question.canine, question.end)),
  )
  const onStroke = (places: readonly Vector[]) => {
    const { counted } = state
    if (!counted) return
    const of = tapFor === 'paintGum' ? 'gum' : 'painted'
    void state.count({ ...counted, [of]: [...counted[of], ...places] })
  }
  const onTap = (at: Vector) => {
    const { counted } = state
    if (!counted) return
    if (tapFor === 'sulcus') void state.count({ ...counted, floorMillimetres: at[2] + 1 })
    else if (tapFor === 'paint' || tapFor === 'paintGum') onStroke([at])
    else if (tapFor === 'front' || tapFor === 'back') setLayTaps({ ...layTaps, [tapFor]: at })
    else if (tapFor === 'plane') setLayTaps({ ...layTaps, plane: [...layTaps.plane, at].slice(-3) })
    else if (tapFor === 'gum' && place) onPlace({ ...place, gum: at })
    else take(at)
  }
  const take = (tap: Vector) => {
    const next = placeAt(draft, tap)
    change({ places: [...draft.places, next].slice(-12), chosen: next.id })
  }
  const search = async (aim: TiltAim, places: SurveyDraft['places']) => {
    const answer = await state.best(
      aim,
      places.map((each) => ({ tap: each.tap, gaugeMillimetres: gaugeOf(each) ?? 0.5 })),
    )
    if (answer) setBest({ aim, answer })
  }
  const onPlace = (next: typeof place & object) =>
    change({ places: draft.places.map((each) => (each.id === next.id ? next : each)) })
  const corners = laid && usualCorners(laid.min, laid.max)
  const lifts = corners && baseLifts(draft.arch, tilt, corners)
  const data =
    sheet && still
      ? recordOf({
          draft,
          state,
          sheet,
          pieces: pieces?.answer,
          surveyed: new Map(
            surveyed?.flatMap(({ id, answer }) => (answer ? [[id, answer] as const] : [])) ?? [],
          ),
          millilitres:
            draft.taper === '0'
              ? survey && survey.cubicMillimetres / 1000
              : taperedMillilitres(rooms, draft.taper),
        })
      : undefined
  const record = async () => {
    if (!data || !onRecord) return
    if (await onRecord(data)) forget()
  }
  return (
    <main className="mx-auto grid max-w-[1500px] gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-1 print:hidden">
        <h1 className="text-3xl font-bold">Survey</h1>
        {title && <p>{title}</p>}
        {state.scan && laid && (
          <p className="opacity-80">
            {draft.arch} cast, {state.scan.name}, {state.scan.opened.triangles.toLocaleString('en-GB')}{' '}
            triangles{' '}
            <button type="button" className="link" onClick={() => state.close()}>
              another scan
            </button>
          </p>
        )}
        <div className="ml-auto">
          <Pills
            label="Survey for"
            options={uses}
            value={draft.use}
            onChoose={(next) => change({ use: next })}
          />
        </div>
      </header>
      {state.refusal && laid && <Message tone="error" words={state.refusal} />}
      {refusal && <Message tone="error" words={refusal} />}
      {!laid ? (
        <OpenScan state={state} arch={draft.arch} onArch={(next) => change({ arch: next })} />
      ) : (
        <>
          <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_24rem] print:hidden">
            <section className="card-flat h-[30rem] overflow-hidden sm:h-[28rem]" aria-label="Cast">
              <CastView
                laid={laid}
                survey={survey}
                arch={draft.arch}
                tilt={tilt}
                severeMillimetres={place && draft.use === 'blockOut' ? severeOf(place) : undefined}
                locked={draft.use === 'recovery' ? 'level' : draft.locked}
                places={draft.use === 'recovery' ? none : draft.places}
                chosen={draft.use === 'recovery' ? undefined : draft.chosen}
                painting={tapFor === 'paint' || tapFor === 'paintGum'}
                counts={state.counts}
                onTilt={onTilt}
                onMoving={setMoving}
                onTap={onTap}
                onStroke={onStroke}
              />
            </section>
            <section className="card-flat flex flex-col p-4 lg:max-h-[28rem]" aria-label="Place">
              <div className="grid min-h-0 content-start gap-3 overflow-y-auto">
                {draft.use === 'recovery' ? (
                  <RecoveryHead pieces={pieces?.answer} />
                ) : (
                  <>
                    {place && (
                      <PlacePanel
                        place={place}
                        found={found}
                        onWhichTilt={() => void search('retention', [place])}
                        onPlace={onPlace}
                        onRemove={() =>
                          change({
                            places: draft.places.filter(({ id }) => id !== place.id),
                            chosen: draft.places.find(({ id }) => id !== place.id)?.id,
                          })
                        }
                      />
                    )}
                    <PlaceList
                      places={draft.places}
                      chosen={draft.chosen}
                      survey={survey}
                      arch={draft.arch}
                      cast={laid}
                      onChoose={(chosen) => change({ chosen })}
                      onTake={take}
                    />
                  </>
                )}
              </div>
              <div className="mt-auto grid gap-2 pt-3">
                {onRecord ? (
                  <button type="button" className="act-main" disabled={!data} onClick={() => void record()}>
                    {draft.use === 'recovery' ? 'Into the saw plan' : 'Lock the tilt: into the record'}
                  </button>
                ) : (
                  draft.use !== 'recovery' && (
                    <button
                      type="button"
                      className={draft.locked ? 'act' : 'act-main'}
                      onClick={() => change({ locked: !draft.locked })}
                    >
                      {draft.locked ? 'Let the tilt go' : 'Lock this tilt'}
                    </button>
                  )
                )}
                {sheet && !onRecord && (
                  <p className="opacity-80">The step does not run: nothing is recorded from here.</p>
                )}
              </div>
            </section>
          </div>
          {survey?.full?.holes && (
            <Message tone="warning">The scan has holes here: the volumes are a guess.</Message>
          )}
          <div className="grid gap-3 lg:grid-cols-3 print:block">
            {draft.use === 'recovery' ? (
              <RecoveryPanel
                pieces={pieces}
                arch={draft.arch}
                canine={draft.canine}
                end={draft.end}
                onCanine={(text) => change({ canine: text })}
                onEnd={(text) => change({ end: text })}
              />
            ) : (
              <>
                <section className="card-flat grid content-start gap-2 p-4 print:hidden" aria-label="Section">
                  <h2 className="font-bold">
                    {place ? `Cut through ${place.name}, five times as large` : 'Cut through a place'}
                  </h2>
                  {place && gauge && found?.answer ? (
                    <SectionDrawing
                      place={found.answer}
                      gaugeMillimetres={gauge}
                      armMillimetres={readNumber(place.arm.thick, 'mm').value ?? 0}
                      taperDegrees={Number(draft.taper)}
                      name={place.name}
                    />
                  ) : (
                    <p className="opacity-80">Tap the cast, or take one of the deepest places.</p>
                  )}
                </section>
                {lifts && corners && (
                  <HandPanel
                    lifts={lifts}
                    say={handWords(draft.arch, tilt, lifts)}
                    arch={draft.arch}
                    tilt={tilt}
                    tripod={survey?.full?.tripod}
                    plan={plan?.answer}
                    places={draft.places}
                    name={state.scan?.name ?? ''}
                  />
                )}
                <div className="print:hidden">
                  <RoomPanel
                    cubicMillimetres={survey?.cubicMillimetres}
                    rooms={rooms}
                    bodies={survey?.full?.bodies ?? none}
                    cast={laid}
                    before={job && lastSheetOf(job, 'survey')?.blockOutMillilitres}
                    taper={draft.taper}
                    tilt={tilt}
                    arch={draft.arch}
                    best={best}
                    searching={state.search}
                    aims={[
                      ['room', 'least wax'],
                      ...(draft.places.length > 0
                        ? ([
                            ['retention', 'equal hold'],
                            ['guiding', 'guiding faces'],
                          ] as const)
                        : []),
                      ...((state.counted?.gum.length ?? 0) > 0 ? ([['gum', 'the gum']] as const) : []),
                    ]}
                    onTaper={(taper) => change({ taper })}
                    onBest={(aim) => void search(aim, draft.places)}
                    onStop={state.stopSearch}
                    onTilt={onTilt}
                  />
                </div>
              </>
            )}
          </div>
          <div className="print:hidden">
            <LayPanel
              state={state}
              draft={draft}
              tapFor={tapFor}
              layTaps={layTaps}
              onTapFor={setTapFor}
              onFloor={(floor) => change({ floor })}
              onLay={() => {
                const { front, back, plane } = layTaps
                if (!front || !back || !state.lay) return
                const [a, b, c] = plane
                void state.layScan({
                  ...state.lay,
                  taps: { front, back, ...(a && b && c ? { plane: [a, b, c] as const } : {}) },
                })
              }}
            />
            <p className="mt-2 text-sm opacity-80">
              Scans are right to ±0.02-0.05 mm, a gauge to about ±0.05. The thickness of the rod, gum that
              gives and a path that is not straight are not in it. Which tooth may be clasped or contoured is
              the dentist's decision.
            </p>
          </div>
        </>
      )}
    </main>
  )
}

/** Deeper than a clear arm can pass: that alone is blocked out for it. */
function severeOf({ arm }: SurveyDraft['places'][number]): number | undefined {
  const asked = isStrip(arm.material) ? armOf(arm) : undefined
  return (
    asked &&
    attempt(() => armLoad({ ...asked, deflectionMillimetres: 0.5 } as ClaspArm).limitMillimetres).answer
  )
}

const none: readonly never[] = []

const taperedMillilitres = (rooms: Attempt<readonly number[]> | undefined, taper: SurveyDraft['taper']) => {
  const cubic = rooms?.answer?.[TAPERS.indexOf(Number(taper) as 0)]
  return cubic === undefined ? undefined : cubic / 1000
}
