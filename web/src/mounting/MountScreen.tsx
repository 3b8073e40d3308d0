import {
  type Articulator,
  DomainError,
  type JawMovement,
  type JawPose,
  LONGEST_GUIDE,
  type Movement,
  moveJaw,
  pinForOpening,
  qty,
  recordedSheet,
  type Saying,
  type SpacePoint,
  saying,
  toothOpening,
  travelDirection,
  usualPlaces,
} from '@yentrik/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { quantity } from '../format/format.ts'
import { refusalWords } from '../parts/attempt.ts'
import { type Options, Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TryExample } from '../parts/TryExample.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { ArticulatorDrawing, type FollowedTeeth, PathsDrawing } from './ArticulatorDrawing.tsx'
import { ArticulatorFields } from './ArticulatorFields.tsx'
import {
  type ArticulatorEntry,
  articulatorOf,
  entryOfArticulator,
  usualArticulator,
} from './articulator-entry.ts'
import { BroughtBack, type Recorded } from './BroughtBack.tsx'
import { CuspsPanel } from './CuspsPanel.tsx'

/** The articulator: what the pin does at a tooth, where the teeth go in a movement, and the record that brings it back. */
export function MountScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  return caseId ? <MountForCase caseId={caseId} /> : <MountTool />
}

function MountForCase({ caseId }: { caseId: string }) {
  const [query] = useSearchParams()
  const { state, error } = useOpenCase(caseId)
  if (!state) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job'))
  const sheet =
    job && recordedSheet(job, { stepId: query.get('step') ?? '', sheetId: query.get('sheet') ?? '' })
  return (
    <MountTool
      recorded={sheet?.kind === 'mounting' ? sheet : undefined}
      draftKey={`mount ${caseId} ${query.get('job')} ${query.get('sheet')}`}
      title={
        <>
          <Link to={`/case/${caseId}`} className="link">
            {state.docket}
          </Link>
          {sheet?.kind !== 'mounting' && ' · no articulator is on its record yet'}
        </>
      }
    />
  )
}

/** What is asked of the articulator. */
type Shown = Movement | 'pin' | 'cusps'
const movements: Options<Shown> = [
  ['pin', 'Pin'],
  ['protrusion', 'Forwards'],
  ['rightLateral', 'To the right'],
  ['leftLateral', 'To the left'],
  ['cusps', 'Cusps'],
]

function MountTool({
  recorded,
  title,
  draftKey = 'mount',
}: {
  recorded?: Recorded
  title?: React.ReactNode
  draftKey?: string
}) {
  const units = usePreferences((preferences) => preferences.units)
  const say = useWords()
  const [entry, setEntry] = useDraft<ArticulatorEntry>(draftKey, () =>
    recorded ? entryOfArticulator(recorded.name, recorded.articulator) : usualArticulator,
  )
  const [movement, setMovement] = useState<Shown>('pin')
  const [pin, setPin] = useDraft<string>('mount pin', () => '1')
  const [advance, setAdvance] = useDraft<string>('mount advance', () => '4')
  const [forward, setForward] = useDraft<string>('mount forward', () => '85')
  const [below, setBelow] = useDraft<string>('mount below', () => '35')
  const { articulator } = articulatorOf(entry)
  const pinChange = readNumber(pin, 'mm')
  const X = readNumber(advance, 'mm')
  const f = readNumber(forward, 'mm')
  const b = readNumber(below, 'mm')
  const teeth = f.value && b.value ? followed(f.value, b.value) : undefined
  const result =
    articulator && teeth ? work(articulator, teeth, movement, pinChange.value, X.value) : nothingYet
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Mount</h1>
        {title && <p>{title}</p>}
        <div className="ml-auto flex flex-wrap items-end gap-4">
          {!recorded && (
            <TryExample
              onTry={() => {
                setPin('1.5')
                setAdvance('5')
                setForward('55')
                setBelow('38')
              }}
            />
          )}
          <Pills label="Move" options={movements} value={movement} onChoose={setMovement} />
        </div>
      </header>
      {recorded && <BroughtBack recorded={recorded} draftKey={draftKey} />}
      <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <section className="card-flat grid content-start gap-3 p-4" aria-label="The articulator">
          {movement === 'cusps' && articulator && teeth ? (
            <CuspsPanel articulator={articulator} incisor={teeth.incisor} advanceMillimetres={X.value ?? 0} />
          ) : result.pose && articulator && teeth ? (
            <div className="grid items-center gap-4 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
              <div className="h-80">
                <ArticulatorDrawing
                  articulator={articulator}
                  pose={result.pose}
                  teeth={teeth}
                  pinMillimetres={movement === 'pin' ? (pinChange.value ?? 0) : 0}
                />
              </div>
              <div className="h-64">
                <PathsDrawing articulator={articulator} teeth={teeth} ways={result.ways} />
              </div>
            </div>
          ) : (
            <Message tone="error" words={result.refusal ?? ''} />
          )}
          <div className="grid items-start gap-3 sm:grid-cols-3">
            {movement === 'pin' ? (
              <NumberField
                label="Pin longer by"
                unit="mm"
                text={pin}
                onText={setPin}
                fault={pinChange.fault}
                hint="shorter: below 0"
              />
            ) : (
              <NumberField
                label="Condyle forwards by"
                unit="mm"
                text={advance}
                onText={setAdvance}
                fault={X.fault}
                hint={
                  X.value && X.value > LONGEST_GUIDE
                    ? say(saying`beyond any guide: over ${qty.mm(LONGEST_GUIDE)}`)
                    : undefined
                }
              />
            )}
            <NumberField
              label="Incisors in front of the axis"
              unit="mm"
              text={forward}
              onText={setForward}
              fault={f.fault}
            />
            <NumberField
              label="Occlusal plane below it"
              unit="mm"
              text={below}
              onText={setBelow}
              fault={b.fault}
            />
          </div>
          {result.rows && (
            <table className="w-full">
              <thead className="text-left">
                <tr>
                  <th className="font-semibold">Lower tooth</th>
                  <th className="font-semibold">drops</th>
                  <th className="font-semibold">
                    {movement === 'pin' ? 'by similar triangles' : 'goes down at'}
                  </th>
                </tr>
              </thead>
              <tbody>
                {result.rows.map(({ name, drop, other }) => (
                  <tr key={name} className="border-base-300 border-t">
                    <td className="py-1 text-lg">{name}</td>
                    <td>
                      <output
                        className="figures text-5xl leading-none font-bold"
                        aria-label={`${name} drops`}
                      >
                        {quantity(Number(drop.toFixed(2)), 'millimetres', units)}
                      </output>
                    </td>
                    <td className="figures text-lg">
                      <Said words={other} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {movement === 'pin' && articulator && teeth && (
            <FromTooth articulator={articulator} teeth={teeth} />
          )}
          <p className="text-sm opacity-80">
            Guides are taken straight, teeth do not touch, nothing bends, no play. The angles are the
            dentist's choice.
          </p>
        </section>
        <aside className="card-flat p-4" aria-label="Settings">
          <ArticulatorFields entry={entry} onEntry={setEntry} />
        </aside>
      </div>
    </main>
  )
}

/** Incisors and first molars, for the drawing and the table. */
function followed(forward: number, below: number): FollowedTeeth {
  const { behindMillimetres, asideMillimetres } = usualPlaces['First molar']
  const molar = { x: forward - behindMillimetres, z: -below }
  return {
    incisor: { x: forward, y: 0, z: -below },
    molarRight: { ...molar, y: -asideMillimetres },
    molarLeft: { ...molar, y: asideMillimetres },
  }
}

interface Worked {
  readonly pose?: JawPose
  readonly ways: readonly (readonly SpacePoint[])[]
  readonly rows?: readonly { readonly name: string; readonly drop: number; readonly other: Saying }[]
  readonly refusal?: Saying
}

const nothingYet: Worked = { ways: [], refusal: 'Enter every setting to see what follows.' }

function work(
  articulator: Articulator,
  teeth: FollowedTeeth,
  movement: Shown,
  pin: number | undefined,
  advance: number | undefined,
): Worked {
  const named = [
    ['Incisors', teeth.incisor],
    ['Right molar', teeth.molarRight],
    ['Left molar', teeth.molarLeft],
  ] as const
  try {
    if (movement === 'pin') {
      const to: JawMovement = { movement: 'protrusion', advanceMillimetres: 0, pinMillimetres: pin ?? 0 }
      return {
        pose: moveJaw(articulator, to),
        ways: [],
        rows: named.slice(0, 2).map(([name, tooth]) => {
          const { openingMillimetres, similarTrianglesMillimetres } = toothOpening(
            articulator,
            pin ?? 0,
            tooth,
          )
          return {
            name: name === 'Right molar' ? 'First molars' : name,
            drop: openingMillimetres,
            other: saying`${qty.mm(similarTrianglesMillimetres)}`,
          }
        }),
      }
    }
    if (movement === 'cusps') return { ways: [] }
    const to = { movement, advanceMillimetres: advance ?? 0 }
    const steps = Array.from({ length: 13 }, (_, n) => ((advance ?? 0) * n) / 12)
    const poses = steps.map((advanceMillimetres) => moveJaw(articulator, { movement, advanceMillimetres }))
    return {
      pose: moveJaw(articulator, to),
      ways: [
        ...named.map(([, tooth]) => poses.map((pose) => pose.move(tooth))),
        poses.map(({ condyles }) => condyles.right),
        poses.map(({ condyles }) => condyles.left),
      ],
      rows: named.map(([name, tooth]) => ({
        name,
        drop: tooth.z - moveJaw(articulator, to).move(tooth).z,
        other: `${travelDirection(articulator, to, tooth).dipDegrees.toFixed(1)}°`,
      })),
    }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { ways: [], refusal: refusalWords(error) }
  }
}

/** The other way round: so much at a molar wants so much at the pin. */
function FromTooth({ articulator, teeth }: { articulator: Articulator; teeth: FollowedTeeth }) {
  const units = usePreferences((preferences) => preferences.units)
  const [text, setText] = useDraft<string>('mount at the tooth', () => '0.5')
  const { value, fault } = readNumber(text, 'mm')
  const answer = () => {
    if (value === undefined) return null
    try {
      const pin = pinForOpening(articulator, value, teeth.molarLeft)
      return (
        <p className="self-center text-lg">
          wants{' '}
          <output className="figures text-4xl font-bold" aria-label="At the pin">
            {quantity(Number(pin.toFixed(2)), 'millimetres', units)}
          </output>{' '}
          at the pin
        </p>
      )
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return (
        <Message tone="error">
          <Said words={refusalWords(error)} />
        </Message>
      )
    }
  }
  return (
    <div className="grid items-start gap-3 sm:grid-cols-3">
      <NumberField label="Opening at the first molars" unit="mm" text={text} onText={setText} fault={fault} />
      {answer()}
    </div>
  )
}
