import {
  ARM_MATERIAL_SOURCE,
  type ArmMaterialId,
  armLoad,
  armMaterialIds,
  armMaterials,
  armWords,
  gauges,
  MOST_GAUGE_MILLIMETRES,
  qty,
  type SurveyArch,
  type SurveyedPlace,
  saying,
  sideOf,
  type Vector,
} from '@yentrik/core'
import type { Attempt } from '../parts/attempt.ts'
import { attempt } from '../parts/attempt.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { Said, useMillimetres } from '../preferences/words.tsx'
import type { SurveyShown } from './survey.worker.ts'
import {
  type ArmTyped,
  armOf,
  type CastBounds,
  faceWords,
  gaugeOf,
  isStrip,
  type PlaceDraft,
} from './survey-draft.ts'

/** The number that matters at a place, why it holds or not, and its arm. */
export function PlacePanel({
  place,
  found,
  onWhichTilt,
  onPlace,
  onRemove,
}: {
  readonly place: PlaceDraft
  readonly found: Attempt<SurveyedPlace> | undefined
  /** Nothing is deep enough here: a tilt that would give it is looked for. */
  readonly onWhichTilt: () => void
  readonly onPlace: (place: PlaceDraft) => void
  readonly onRemove: () => void
}) {
  const mm = useMillimetres(2)
  const surveyed = found?.answer
  const depth = surveyed && (surveyed.tip ? surveyed.tip.depthMillimetres : surveyed.deepestMillimetres)
  const gauge = readNumber(place.gauge, 'mm')
  return (
    <div className="grid content-start gap-2">
      <p className="bg-base-300 justify-self-start rounded-lg px-2 py-0.5 font-semibold">
        {armMaterials[place.arm.material].name}, gauge {place.gauge}
      </p>
      <p className="figures text-6xl font-bold" aria-live="polite">
        {depth === undefined ? '…' : mm(depth)}
      </p>
      <p className="text-xl font-bold">{place.name}</p>
      {found?.refusal && <Message tone="error" words={found.refusal} />}
      {surveyed?.words.map(({ code, say }) => (
        <Message key={code} tone="warning" words={say} />
      ))}
      {surveyed && !surveyed.tip && (
        <button type="button" className="small-act justify-self-start" onClick={onWhichTilt}>
          Which tilt would give it?
        </button>
      )}
      {surveyed?.tip && (
        <>
          <ArmWords arm={place.arm} deflection={surveyed.tip.depthMillimetres} />
          {!surveyed.words.some(({ code }) => code === 'only-by-tilt') && (
            <Message
              tone="good"
              words={saying`It holds without the tilt: ${qty.mm(surveyed.levelMillimetres, 2)} when level`}
            />
          )}
          <p className="font-semibold">
            Dividers: {mm(surveyed.tip.downMillimetres)} down the tooth from the line, wall at{' '}
            {surveyed.tip.angleDegrees.toFixed(0)}°
          </p>
        </>
      )}
      <p className="text-sm opacity-80">
        Forces to ±50 %, free length from where it leaves the resin. Which tooth: the dentist's choice.
      </p>
      <details>
        <summary className="cursor-pointer py-2.5 font-semibold">Name, gauge and arm</summary>
        <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-1">
          <TextField label="Place" text={place.name} onText={(name) => onPlace({ ...place, name })} />
          <NumberField
            label="Gauge"
            unit="mm"
            text={place.gauge}
            onText={(text) => onPlace({ ...place, gauge: text })}
            fault={
              gauge.fault ??
              (gauge.value !== undefined && gaugeOf(place) === undefined
                ? saying`Enter a gauge up to ${qty.mm(MOST_GAUGE_MILLIMETRES)}.`
                : undefined)
            }
            hint={gauges.find(({ millimetres }) => millimetres === gauge.value)?.for}
          />
          <ArmFields arm={place.arm} onArm={(arm) => onPlace({ ...place, arm })} />
        </div>
        <button type="button" className="small-act mt-1" onClick={onRemove}>
          Take this place away
        </button>
        <p className="mt-1 text-sm opacity-80">{ARM_MATERIAL_SOURCE}</p>
      </details>
    </div>
  )
}

function ArmWords({ arm, deflection }: { readonly arm: ArmTyped; readonly deflection: number }) {
  const asked = armOf(arm)
  if (!asked) return <Message tone="warning">Enter the arm below to know whether it springs back.</Message>
  const whole = { ...asked, deflectionMillimetres: deflection } as Parameters<typeof armLoad>[0]
  const { answer, refusal } = attempt(() => ({ load: armLoad(whole), say: armWords(whole) }))
  if (refusal) return <Message tone="error" words={refusal} />
  return (
    <>
      <Message tone={answer!.load.verdict === 'springs' ? 'good' : 'warning'} words={answer!.say} />
      {isStrip(arm.material) && (
        <p className="font-semibold">
          <Said
            words={saying`Block out only what is deeper than ${qty.mm(answer!.load.limitMillimetres, 2)}: it would not come out again.`}
          />
        </p>
      )}
    </>
  )
}

function ArmFields({ arm, onArm }: { readonly arm: ArmTyped; readonly onArm: (arm: ArmTyped) => void }) {
  const strip = isStrip(arm.material)
  const field = (key: 'thick' | 'wide' | 'free' | 'radius' | 'degrees', label: string, unit = 'mm') => (
    <NumberField
      label={label}
      unit={unit}
      text={arm[key]}
      onText={(text) => onArm({ ...arm, [key]: text })}
      fault={readNumber(arm[key], unit).fault}
    />
  )
  return (
    <>
      <SelectField<ArmMaterialId>
        label="Arm of"
        options={armMaterialIds.map((id) => [id, armMaterials[id].name])}
        value={arm.material}
        onChoose={(material) => onArm({ ...arm, material })}
      />
      {field('thick', strip ? 'Thick' : 'Wire')}
      {strip && field('wide', 'Wide')}
      <Pills<'straight' | 'arc'>
        label="It runs"
        options={[
          ['straight', 'straight'],
          ['arc', 'round the tooth'],
        ]}
        value={arm.shape}
        onChoose={(shape) => onArm({ ...arm, shape })}
      />
      {arm.shape === 'straight' ? (
        field('free', 'Free length')
      ) : (
        <>
          {field('radius', 'Radius')}
          {field('degrees', 'Round', '°')}
        </>
      )}
    </>
  )
}

/** The places, and where else an arm may hold: by touch or by keys. */
export function PlaceList({
  places,
  chosen,
  survey,
  arch,
  cast,
  onChoose,
  onTake,
}: {
  readonly places: readonly PlaceDraft[]
  readonly chosen: number | undefined
  readonly survey: SurveyShown | undefined
  readonly arch: SurveyArch
  readonly cast: CastBounds
  readonly onChoose: (id: number) => void
  readonly onTake: (tap: Vector) => void
}) {
  const mm = useMillimetres(2)
  const near = (a: Vector, b: Vector) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) < 5
  const offered = survey?.full?.deep.filter(({ at }) => places.every(({ tap }) => !near(tap, at))) ?? []
  const words = ({ at, normal }: (typeof offered)[number]) =>
    `${sideOf(arch, at[0] - (cast.min[0] + cast.max[0]) / 2)}, ${faceWords(at, normal, cast)}`
  return (
    <div className="grid gap-2">
      {places.length > 0 && (
        <Pills
          label="Places"
          options={places.map(({ id, name }) => [String(id), name] as const)}
          value={String(chosen ?? '')}
          onChoose={(id) => onChoose(Number(id))}
        />
      )}
      <details open={places.length === 0}>
        <summary className="cursor-pointer py-2.5 font-semibold">
          {places.length === 0
            ? 'Tap the cast where an arm shall hold, or take one of the deepest'
            : 'Another place'}
        </summary>
        <div className="mt-2 flex flex-wrap gap-2">
          {offered.slice(0, 8).map((each) => (
            <button key={each.at.join()} type="button" className="small-act" onClick={() => onTake(each.at)}>
              <span className="figures font-bold">{mm(each.depthMillimetres)}</span> {words(each)}
            </button>
          ))}
        </div>
      </details>
    </div>
  )
}
