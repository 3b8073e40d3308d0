import {
  type Bite,
  type ExpertShown,
  isSupportingTip,
  joined,
  type Lesson,
  lessons,
  type PlanPoint,
  placeAt,
  type RemountScore,
  regionName,
  type Saying,
  saying,
  type Trained,
  type TrainedLook,
  type TrainedSection,
  trainerTools,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Attempt } from '../parts/attempt.ts'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { Said, useMillimetres } from '../preferences/words.tsx'
import { ArchPicture } from './ArchesDrawing.tsx'
import { biteOptions } from './bite-names.ts'
import { ExpertRounds } from './ExpertRounds.tsx'
import { inRemountWorker, useMouth } from './use-trainer.ts'

const lessonNames: Readonly<Record<Lesson, string>> = {
  'one-high': 'One high tooth',
  'lifted-side': 'A lifted side',
  'tilted-molar': 'A tilted molar',
  laterals: 'The movements only',
  everything: 'Everything',
  flash: 'Everything, with flash',
}
type Tool = keyof typeof trainerTools
const ADVANCES: Options<'0.5' | '1' | '1.5'> = [
  ['0.5', '0.5'],
  ['1', '1'],
  ['1.5', '1.5'],
]

interface TrainerDraft {
  readonly lesson: Lesson
  readonly seed: string
  readonly strokes: Trained['strokes']
}
const start: TrainerDraft = { lesson: 'one-high', seed: '1', strokes: [] }

/** A remount on a computed mouth: close, move, look at the marks, grind, close again; a score, and the expert's way. */
export function TrainerScreen() {
  const [draft, keep] = useDraft<TrainerDraft>('remount trainer', () => start)
  const [bite, setBite] = useState<Bite>('centric')
  const [advance, setAdvance] = useState<'0.5' | '1' | '1.5'>('1')
  const [tool, setTool] = useState<Tool>('fine')
  const [at, setAt] = useState<PlanPoint>({ x: 54.7, y: 25 })
  const [judged, setJudged] = useState<Attempt<RemountScore>>()
  const [expert, setExpert] = useState<Attempt<ExpertShown>>()
  const seed = readNumber(draft.seed, '')
  const whole =
    seed.value !== undefined && Number.isInteger(seed.value) && seed.value >= 0 && seed.value <= 1e9
  const trained: Trained = {
    lesson: draft.lesson,
    seed: whole ? (seed.value ?? 1) : 1,
    strokes: draft.strokes,
  }
  const mouth = useMouth({ trained, bite, advance: Number(advance), at })
  const change = (next: Partial<TrainerDraft>) => {
    setJudged(undefined)
    keep((before) => ({ ...before, ...next }))
  }
  const begin = (next: Partial<TrainerDraft>) => {
    setExpert(undefined)
    change({ strokes: [], ...next })
  }
  const cut = (arch: 'upper' | 'lower', place: PlanPoint) => {
    if (arch === 'upper') setAt(place)
    if (!placeAt(arch, place)) return
    const { radius, depth } = trainerTools[tool]
    const stroke = { arch, ...place, radius, depth, ...(tool === 'pick' ? { picks: true } : {}) }
    keep((before) => ({ ...before, strokes: [...before.strokes, stroke] }))
    setJudged(undefined)
  }
  const look = mouth?.answer?.look
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Remount, practise</h1>
        <Link className="link" to="/remount">
          to the real one
        </Link>
        <div className="ml-auto flex flex-wrap items-end gap-3">
          <div className="w-56">
            <SelectField
              label="Lesson"
              options={lessons.map((each) => [each, lessonNames[each]] as const)}
              value={draft.lesson}
              onChoose={(lesson) => begin({ lesson })}
            />
          </div>
          <div className="w-28">
            <TextField label="Seed" text={draft.seed} onText={(text) => begin({ seed: text })} />
          </div>
        </div>
      </header>
      {!whole && (
        <Message tone="error">
          {seed.fault ?? 'Enter a whole number for the seed: the same one gives the same mouth.'}
        </Message>
      )}
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="grid gap-3">
          <section className="card-flat grid gap-2 p-4" aria-label="The arches">
            {mouth?.refusal && <Message tone="error" words={mouth.refusal} />}
            <div className="grid gap-2 sm:grid-cols-2">
              {(['upper', 'lower'] as const).map((arch) => (
                <ArchPicture key={arch} arch={arch} onTouch={(place) => cut(arch, place)}>
                  {(seen) => (
                    <>
                      {look?.marks.map((mark, n) => (
                        <Blob
                          key={`${n + 1}`}
                          at={seen(arch === 'upper' ? mark : mark.below)}
                          area={mark.area}
                          movement={bite !== 'centric'}
                          heavy={mark.strength === 'heavy'}
                        />
                      ))}
                      {draft.strokes
                        .filter((each) => each.arch === arch)
                        .slice(-40)
                        .map((each, n) => (
                          <circle
                            key={`${n + 1}`}
                            cx={seen(each).x}
                            cy={seen(each).y}
                            r={each.radius}
                            fill="none"
                            stroke="#d97a2e"
                            strokeWidth="0.18"
                            pointerEvents="none"
                          />
                        ))}
                    </>
                  )}
                </ArchPicture>
              ))}
            </div>
            <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
              <Pills label="Close in" options={biteOptions} value={bite} onChoose={setBite} />
              {bite !== 'centric' && (
                <Pills label="Moved by, mm" options={ADVANCES} value={advance} onChoose={setAdvance} />
              )}
              <Pills<Tool>
                label="Touch grinds with"
                options={(Object.keys(trainerTools) as Tool[]).map(
                  (each) => [each, trainerTools[each].name] as const,
                )}
                value={tool}
                onChoose={setTool}
              />
            </div>
          </section>
          <section className="card-flat p-4" aria-label="The cut">
            <h2 className="text-lg font-bold">Cut where the upper was touched last</h2>
            {mouth?.answer?.section && <Cut section={mouth.answer.section} />}
          </section>
        </div>
        <div className="grid gap-3">
          <section className="card-flat grid content-start gap-3 p-5" aria-label="How it closes">
            {look && look.flash.length > 0 && (
              <Message
                tone="warning"
                words={saying`Flash on ${joined(look.flash.map((tooth) => saying`${{ tooth }}`))}: it reads as an open pin. Pick it off before anything is ground.`}
              />
            )}
            {look ? <Closes look={look} bite={bite} /> : <Waiting />}
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className="small-act"
                disabled={draft.strokes.length === 0}
                onClick={() => change({ strokes: draft.strokes.slice(0, -1) })}
              >
                Take the last touch back
              </button>
              <button type="button" className="small-act" onClick={() => begin({})}>
                Begin again
              </button>
            </div>
            <button
              type="button"
              className="act-main"
              onClick={() => void inRemountWorker((work) => work.score(trained)).then(setJudged)}
            >
              Score it
            </button>
            {judged?.answer && <Score score={judged.answer} />}
          </section>
          <section className="card-flat grid content-start gap-2 p-5" aria-label="The expert">
            <button
              type="button"
              className="act"
              onClick={() =>
                void inRemountWorker((work) => work.expert(trained.lesson, trained.seed)).then(setExpert)
              }
            >
              Show how the expert does it
            </button>
            {expert?.answer && <ExpertRounds shown={expert.answer} />}
          </section>
        </div>
      </div>
      <p className="text-sm opacity-80">
        A computed mouth: rigid teeth, no slip of the jaw, paper that does not smear. The teeth are invented,
        so points train the eye and are no measure of a patient's denture. Hatched tips are never ground.
      </p>
    </main>
  )
}

/** A mark as paper leaves it: centric and movements differ in shape, not in colour alone. */
function Blob({
  at,
  area,
  movement,
  heavy,
}: {
  readonly at: { readonly x: number; readonly y: number }
  readonly area: number
  readonly movement: boolean
  readonly heavy: boolean
}) {
  const r = Math.min(1.8, Math.max(0.85, Math.sqrt(area / Math.PI)))
  const fill = movement ? '#1f5fbf' : 'var(--color-error)'
  return movement ? (
    <rect
      x={at.x - r}
      y={at.y - r}
      width={2 * r}
      height={2 * r}
      fill={fill}
      fillOpacity={heavy ? 0.95 : 0.55}
      stroke="#fff"
      strokeWidth="0.3"
      pointerEvents="none"
    />
  ) : (
    <circle
      cx={at.x}
      cy={at.y}
      r={r}
      fill={fill}
      fillOpacity={heavy ? 0.95 : 0.55}
      stroke="#fff"
      strokeWidth="0.3"
      pointerEvents="none"
    />
  )
}

function Closes({ look, bite }: { readonly look: TrainedLook; readonly bite: Bite }) {
  const mm = useMillimetres(2)
  const heaviest = look.marks.find(({ strength }) => strength === 'heavy') ?? look.marks[0]
  const onTip =
    heaviest &&
    (isSupportingTip('upper', heaviest.upper.region) || isSupportingTip('lower', heaviest.lower.region))
  const words: Saying | undefined =
    heaviest &&
    saying`${{ tooth: heaviest.upper.tooth }} ${regionName(heaviest.upper.region, heaviest.upper.tooth)} on ${{ tooth: heaviest.lower.tooth }} ${regionName(heaviest.lower.region, heaviest.lower.tooth)}${onTip ? '; one of them carries' : ''}`
  return (
    <div role="status">
      <p>
        <output className="figures text-6xl leading-none font-bold" aria-label="Pin open by">
          {mm(look.pinMillimetres)}
        </output>{' '}
        pin open in centric
      </p>
      {bite !== 'centric' && (
        <p className="mt-2 text-lg">
          {look.liftMillimetres > 0.005 ? (
            <>
              teeth lift it <b className="figures">{mm(look.liftMillimetres)}</b> in this movement
            </>
          ) : (
            'the pin carries in this movement'
          )}
        </p>
      )}
      <p className="mt-2">
        stops {look.stops.right} right, {look.stops.left} left; {look.marks.length} marks;{' '}
        {look.volume.toFixed(2)} mm³ off
      </p>
      {words && (
        <p className="mt-1 text-sm opacity-80">
          Heaviest: <Said words={words} />
        </p>
      )}
    </div>
  )
}

function Score({ score }: { readonly score: RemountScore }) {
  return (
    <div className="border-base-300 border-t pt-3">
      <p>
        <output className="figures text-6xl leading-none font-bold" aria-label="Points">
          {Math.round(score.total)}
        </output>{' '}
        of 100
      </p>
      {score.cap && <Message tone="error" words={score.cap} />}
      <ul className="mt-2 grid gap-1">
        {score.losses.map(({ part, lost, say }) => (
          <li key={part} className="flex gap-3">
            <b className="figures w-10 shrink-0 text-right">-{Math.round(lost)}</b>
            <span>
              <Said words={say} />
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** Both surfaces where they were cut, tongue to cheek. */
function Cut({ section: { across, upper, lower } }: { readonly section: TrainedSection }) {
  const heights = [...upper, ...lower].filter((z): z is number => z !== null)
  if (heights.length < 10)
    return <p className="opacity-80">Touch a back tooth of the upper to cut through it.</p>
  const middle = heights.reduce((sum, z) => sum + z, 0) / heights.length
  const line = (values: readonly (number | null)[]) =>
    values
      .flatMap((z, n) => (z === null ? [] : [`${across[n]!.toFixed(2)} ${(middle - z).toFixed(2)}`]))
      .join('L')
  const ends = (values: readonly (number | null)[]) => {
    const covered = values.flatMap((z, n) => (z === null ? [] : [across[n]!]))
    return [covered[0] ?? 0, covered.at(-1) ?? 0] as const
  }
  const shape = (values: readonly (number | null)[], edge: number) => {
    const [from, to] = ends(values)
    return `M${from} ${edge}L${line(values)}L${to} ${edge}z`
  }
  return (
    <svg
      viewBox="-8 -4 16 8"
      className="max-h-72 w-full"
      role="img"
      aria-label="A cut through both arches"
      fontSize="0.6"
    >
      <path d={shape(upper, -4)} fill="var(--tooth)" stroke="var(--color-base-content)" strokeWidth="0.07" />
      <path d={shape(lower, 4)} fill="var(--tooth)" stroke="var(--color-base-content)" strokeWidth="0.07" />
      <g fill="var(--color-base-content)">
        <text x="-7.8" y="0.2">
          tongue
        </text>
        <text x="7.8" y="0.2" textAnchor="end">
          cheek
        </text>
      </g>
    </svg>
  )
}
