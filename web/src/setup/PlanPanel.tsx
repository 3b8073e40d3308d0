import {
  type Articulator,
  anteriorTeeth,
  articulatorCards,
  DomainError,
  inventedSetUp,
  type NeededCusp,
  neededCusps,
  type Prescription,
  posteriorTeeth,
  type Saying,
  type SetUpEntry,
  type SetUpPlan,
  showTooth,
  toothNames,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { refusalWords } from '../parts/attempt.ts'
import { useBenchUnit } from '../parts/bench-unit.ts'
import { type Options, Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { NumberGrid } from '../parts/NumberGrid.tsx'
import { TryExample } from '../parts/TryExample.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { useMillimetres, useWords } from '../preferences/words.tsx'
import { PlanCurve, PlanFront, PlanTop } from './PlanDrawings.tsx'
import {
  draftOf,
  entryOf,
  freshPlan,
  type PlanDraft,
  type PlanFaults,
  planOrRefusal,
  rulerColumns,
} from './plan-draft.ts'
import { ToothSets } from './ToothSets.tsx'

interface PlanPanelProps {
  readonly draftKey: string
  readonly arch: 'upper' | 'lower'
  readonly prescription?: Prescription
  /** As it stands on record; none: one with usual guides. */
  readonly articulator?: Articulator
  readonly stored?: SetUpEntry
  readonly refusal?: Saying
  readonly paper?: string
  readonly onRecord?: (entry: SetUpEntry) => Promise<boolean>
}

type Part = 'rim' | 'teeth' | 'curve'
const parts: Options<Part> = [
  ['rim', 'Rim and ridge'],
  ['teeth', 'Teeth'],
  ['curve', 'Bite and curve'],
]

/** Where every tooth goes: entries on the right, the arch to scale on the left, the room that is left above it. */
export function PlanPanel(props: PlanPanelProps) {
  const { draftKey, arch, prescription, articulator, stored, refusal, paper, onRecord } = props
  const notation = usePreferences((preferences) => preferences.teeth)
  const benchUnit = useBenchUnit()
  const [draft, keep, forget] = useDraft<PlanDraft>(draftKey, () =>
    stored ? draftOf(stored) : freshPlan(arch, prescription, articulator?.intercondylarMillimetres),
  )
  const [part, setPart] = useState<Part>('rim')
  const [tried, setTried] = useState(false)
  const { entry, faults } = entryOf(draft)
  const { plan, refusal: refused } = entry ? planOrRefusal(entry) : {}
  const record = () => {
    setTried(true)
    if (!entry) return setPart(partOf(Object.keys(faults)[0] ?? ''))
    if (plan && onRecord) void onRecord(entry).then((kept) => kept && forget())
  }
  const shownFaults = tried ? faults : {}
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="The plan">
        <div className="flex flex-wrap items-start justify-between gap-3">
          <div className="min-w-0 flex-1 basis-80">
            {plan ? (
              <Verdict plan={plan} />
            ) : refused ? (
              <Message tone="error" words={refused} />
            ) : (
              <div className="grid gap-2 text-lg">
                <p>Lay a millimetre rule across the cast, at a few depths behind the front of the rim.</p>
                <p>Read where the face of the rim and the crest of the ridge cross it, right and left.</p>
                <p className="opacity-80">{Object.keys(faults).length} entries to go.</p>
                {!onRecord && (
                  <p>
                    <TryExample onTry={() => keep(draftOf(inventedSetUp))} />
                  </p>
                )}
              </div>
            )}
          </div>
          <div className="flex flex-wrap gap-2">
            {paper && (
              <Link className="act" to={paper}>
                Print 1:1
              </Link>
            )}
            {onRecord && (
              <button type="button" className="act-main" onClick={record}>
                Keep this plan
              </button>
            )}
          </div>
        </div>
        {refusal && <Message tone="error" words={refusal} />}
        {entry && plan && (
          <div className="grid gap-3 md:grid-cols-[minmax(0,6fr)_minmax(0,5fr)]">
            <PlanTop entry={entry} plan={plan} notation={notation} className="max-h-[27rem] w-full" />
            <div className="grid content-start gap-2">
              <PlanFront entry={entry} plan={plan} notation={notation} className="max-h-52 w-full" />
              <p className="text-sm opacity-80">
                Cusps above the plane, {benchUnit('mm')} (drawn five times as high; buccal above, palatal
                below):
              </p>
              <div className="h-40">
                <PlanCurve plan={plan} notation={notation} />
              </div>
              <CuspsNeeded entry={entry} plan={plan} articulator={articulator} />
            </div>
          </div>
        )}
        <p className="text-sm opacity-80">
          The arch is taken as symmetric about the centre line; tilts are common practice with figures of our
          choice; the curve is a sphere (Monson 1920, recalled). Lip and face decide, and the dentist.
        </p>
      </section>
      <aside className="card-flat grid content-start gap-3 p-4" aria-label="What it is planned from">
        <Pills label="Enter" options={parts} value={part} onChoose={setPart} />
        {part === 'rim' && <RimPart draft={draft} onDraft={keep} faults={shownFaults} />}
        {part === 'teeth' && <TeethPart draft={draft} onDraft={keep} faults={shownFaults} />}
        {part === 'curve' && <CurvePart draft={draft} onDraft={keep} faults={shownFaults} />}
      </aside>
    </div>
  )
}

/** Which cusps keep contact in every movement on this articulator, and whether the chosen set has them. */
function CuspsNeeded({
  entry,
  plan,
  articulator = articulatorCards[0]!.articulator,
}: {
  entry: SetUpEntry
  plan: SetUpPlan
  articulator?: Articulator
}) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const { needed, refusal } = neededOrRefusal(entry, plan, articulator)
  if (refusal) return <Message tone="warning" words={refusal} />
  // Both sides of a tooth together: the steeper counts.
  const half = needed.length / 2
  const pairs = needed.slice(0, half).map((right, index) => {
    const left = needed[index + half]!
    return {
      teeth: `${showTooth(right.fdi, notation)}, ${showTooth(left.fdi, notation)}`,
      degrees: Math.max(right.neededDegrees, left.neededDegrees),
    }
  })
  const flat = needed.filter(({ spareDegrees }) => spareDegrees < 0)
  return (
    <section aria-label="Cusps needed">
      <p className="figures">
        Cusps for contact in every movement:{' '}
        {pairs.map(({ teeth, degrees }) => `${teeth} ${degrees.toFixed(0)}°`).join('; ')}. This set has{' '}
        {entry.toothSet.cuspDegrees}°.
      </p>
      {flat.length > 0 && (
        <Message tone="warning">
          {`Too flat at ${flat.map(({ fdi }) => showTooth(fdi, notation)).join(', ')}: steeper cusps, a stronger curve or a flatter incisal table.`}
        </Message>
      )}
    </section>
  )
}

function neededOrRefusal(
  entry: SetUpEntry,
  plan: SetUpPlan,
  articulator: Articulator,
): { readonly needed: readonly NeededCusp[]; readonly refusal?: Saying } {
  try {
    return { needed: neededCusps(entry, plan, articulator) }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { needed: [], refusal: refusalWords(error) }
  }
}

/** On which part of the entries a field is. */
function partOf(field: string): Part {
  if (/^(\d|rim|crest|canine|highLip)/.test(field)) return field.includes(' mesiodistal') ? 'teeth' : 'rim'
  return /^(toothSet|central|lateral)/.test(field) ? 'teeth' : 'curve'
}

function Verdict({ plan }: { plan: SetUpPlan }) {
  const say = useWords()
  const spare = plan.spareMillimetres.right + plan.spareMillimetres.left
  const mm = useMillimetres()
  const show = (offMillimetres: number) => mm(Math.abs(offMillimetres))
  return (
    <div className="grid gap-1">
      <p className="text-lg">
        <output
          className="figures text-5xl leading-none font-bold"
          aria-label="Room left by the six front teeth"
        >
          {show(spare)}
        </output>{' '}
        {spare >= 0 ? 'to spare between the canine lines' : 'too wide for the canine lines'}
      </p>
      <p className="figures">
        right {spareWords(plan.spareMillimetres.right, show)}, left{' '}
        {spareWords(plan.spareMillimetres.left, show)}; rim within {show(plan.rim.rmsMillimetres)} of a smooth
        arch, ridge within {show(plan.crest.rmsMillimetres)} (root mean square)
      </p>
      {plan.remarks.map(say).map((remark) => (
        <Message key={remark} tone="warning">
          {remark}
        </Message>
      ))}
    </div>
  )
}

const spareWords = (mm: number, show: (mm: number) => string) =>
  mm >= 0 ? `${show(mm)} gap` : `${show(mm)} lap`

interface PartProps {
  readonly draft: PlanDraft
  readonly onDraft: (draft: PlanDraft) => void
  readonly faults: PlanFaults
}

type PlanFigure =
  | 'rimFront'
  | 'crestBehind'
  | 'canineRight'
  | 'canineLeft'
  | 'highLip'
  | 'radius'
  | 'forward'
  | 'below'
  | 'intercondylar'
  | 'overlap'

/** Makes the field of one figure of the plan, mm. */
const fieldOf =
  ({ draft, onDraft, faults }: PartProps) =>
  (key: PlanFigure, label: string, hint?: string) => (
    <NumberField
      label={label}
      unit="mm"
      text={draft[key]}
      onText={(text) => onDraft({ ...draft, [key]: text })}
      fault={faults[key]}
      hint={hint}
    />
  )

function RimPart({ draft, onDraft, faults }: PartProps) {
  const field = fieldOf({ draft, onDraft, faults })
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3">
        {field('rimFront', 'Rim front', 'ahead of the papilla')}
        {field('crestBehind', 'Crest at the middle', 'behind the rim front')}
      </div>
      <NumberGrid
        caption="Millimetres from the centre line; leave out what cannot be read"
        columns={rulerColumns}
        rows={draft.rows}
        rowName="row"
        wrong={(row, column) => faults[`${row} ${column}`] !== undefined}
        onText={(row, column, text) =>
          onDraft({
            ...draft,
            rows: draft.rows.map((each, n) => (n === row ? { ...each, [column]: text } : each)),
          })
        }
      />
      <button
        type="button"
        className="small-act justify-self-start"
        onClick={() =>
          onDraft({
            ...draft,
            rows: [...draft.rows, { depth: '', rimRight: '', rimLeft: '', crestRight: '', crestLeft: '' }],
          })
        }
      >
        Another depth
      </button>
      <div className="grid grid-cols-3 gap-x-3">
        {field('canineRight', 'Canine, right', 'along the rim')}
        {field('canineLeft', 'Canine, left', 'along the rim')}
        {field('highLip', 'High lip', 'from the level')}
      </div>
    </>
  )
}

function TeethPart({ draft, onDraft, faults }: PartProps) {
  return (
    <>
      <ToothSets
        name={draft.setName}
        chosen={draft.toothSet}
        fault={faults.toothSet}
        onChoose={(toothSet) => onDraft({ ...draft, toothSet, setName: toothSet.name })}
      />
      <details>
        <summary className="min-h-11 cursor-pointer font-semibold">How the front teeth stand</summary>
        {anteriorTeeth.map((tooth) => (
          <div key={tooth} className="grid grid-cols-3 gap-x-3">
            {(
              [
                ['mesiodistal', 'neck distal', '°'],
                ['labial', 'neck in', '°'],
                ['short', 'short of level', 'mm'],
              ] as const
            ).map(([key, words, unit]) => (
              <NumberField
                key={key}
                label={`${toothNames[tooth]}, ${words}`}
                unit={unit}
                text={draft.stances[tooth][key]}
                onText={(text) =>
                  onDraft({
                    ...draft,
                    stances: { ...draft.stances, [tooth]: { ...draft.stances[tooth], [key]: text } },
                  })
                }
                fault={faults[`${tooth} ${key}`]}
              />
            ))}
          </div>
        ))}
      </details>
    </>
  )
}

function CurvePart({ draft, onDraft, faults }: PartProps) {
  const field = fieldOf({ draft, onDraft, faults })
  return (
    <>
      <Pills
        label="Opposing"
        options={[
          ['denture', 'A denture'],
          ['natural', 'Natural teeth'],
        ]}
        value={draft.opposing}
        onChoose={(opposing) => onDraft({ ...draft, opposing })}
      />
      {draft.opposing === 'natural' && (
        <>
          {field('overlap', 'Vertical overlap', '0 is edge to edge')}
          <p className="font-semibold">Natural cusps above the plane</p>
          <div className="grid grid-cols-4 gap-x-2">
            {draft.heights.map((text, index) => (
              <NumberField
                key={index}
                label={`${index < 4 ? 'R' : 'L'} ${['4', '5', '6', '7'][index % posteriorTeeth.length]}`}
                unit=""
                text={text}
                onText={(next) =>
                  onDraft({
                    ...draft,
                    heights: draft.heights.map((each, n) => (n === index ? next : each)),
                  })
                }
                fault={faults[`height ${index}`] ? 'mm' : undefined}
              />
            ))}
          </div>
        </>
      )}
      <Pills
        label="Curve"
        options={[
          ['teeth', 'On the plane at first premolars and molars'],
          ['condyles', 'Through condyles and incisors'],
        ]}
        value={draft.curve}
        onChoose={(curve) => onDraft({ ...draft, curve })}
      />
      <div className="grid grid-cols-2 gap-x-3">
        {field('radius', 'Radius of the curve', '4 in: Monson 1920, recalled')}
        {field('intercondylar', 'Condyles apart')}
        {field('forward', 'Incisors in front of the axis')}
        {field('below', 'Occlusal plane below it')}
      </div>
    </>
  )
}
