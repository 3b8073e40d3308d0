import {
  type Articulator,
  type BalancedSetUp,
  christensenGap,
  DomainError,
  MONSON_RADIUS_MILLIMETRES,
  type Saying,
  type SpacePoint,
  sphereOnPlane,
  sphereThrough,
  type ToothContact,
  toothContact,
  usualPlaces,
} from '@yentrik/core'
import { useState } from 'react'
import { refusalWords } from '../parts/attempt.ts'
import { useBenchUnit } from '../parts/bench-unit.ts'
import { type Options, Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberEntry, NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { useMillimetres } from '../preferences/words.tsx'
import { CurveDrawing, type NamedContact } from './CurveDrawing.tsx'

type Curve = 'condyles' | 'plane' | 'flat'
const curves: Options<Curve> = [
  ['condyles', 'Through condyles and incisors'],
  ['plane', 'Touching the plane'],
  ['flat', 'Flat plane'],
]
type Side = 'right' | 'left'
const sides: Options<Side> = [
  ['right', 'Right'],
  ['left', 'Left'],
]

interface Place {
  readonly name: string
  readonly behind: string
  readonly aside: string
}

/** Which cusps keep contact in every movement on this articulator, and how high the curve carries them. */
export function CuspsPanel({
  articulator,
  incisor,
  advanceMillimetres,
}: {
  articulator: Articulator
  incisor: SpacePoint
  advanceMillimetres: number
}) {
  const _units = usePreferences((preferences) => preferences.units)
  const [curve, setCurve] = useState<Curve>('condyles')
  const [side, setSide] = useState<Side>('right')
  const [radius, setRadius] = useDraft<string>('cusps radius', () => String(MONSON_RADIUS_MILLIMETRES))
  const [touch, setTouch] = useDraft<string>('cusps touch', () => '18')
  const [atHand, setAtHand] = useDraft<string>('cusps of the teeth', () => '20')
  const [places, setPlaces] = useDraft<readonly Place[]>('cusps places', () =>
    Object.entries(usualPlaces).map(([name, { behindMillimetres, asideMillimetres }]) => ({
      name,
      behind: String(behindMillimetres),
      aside: String(asideMillimetres),
    })),
  )
  const R = readNumber(radius, 'mm')
  const touching = readNumber(touch, 'mm')
  const own = readNumber(atHand, '°')
  const mm = useMillimetres(2)
  const benchUnit = useBenchUnit()

  const work = (): {
    set?: BalancedSetUp
    teeth: readonly NamedContact[]
    gap?: number
    refusal?: Saying
  } => {
    const numbers = places.map(({ behind, aside }) => [readNumber(behind, 'mm'), readNumber(aside, 'mm')])
    const used = [...(curve === 'flat' ? [] : [R]), ...(curve === 'plane' ? [touching] : [])]
    const fault = [...numbers.flat(), ...used].find((each) => each.fault)?.fault
    if (fault) return { teeth: [], refusal: fault }
    try {
      const set = {
        articulator,
        incisor,
        sphere: sphereOf(curve, articulator, incisor, R.value ?? 0, touching.value ?? 0),
        advanceMillimetres,
      }
      return {
        set,
        teeth: places.map(({ name }, n) => {
          const [behindMillimetres, asideMillimetres] = numbers[n]!.map(({ value }) => value ?? 0) as [
            number,
            number,
          ]
          return { name, contact: toothContact(set, { behindMillimetres, asideMillimetres }, side) }
        }),
        gap: christensenGap(
          articulator,
          incisor,
          advanceMillimetres,
          incisor.x - (numbers[2]?.[0]?.value ?? 0),
        ),
      }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return { teeth: [], refusal: refusalWords(error) }
    }
  }
  const { set, teeth, gap, refusal } = work()
  const change = (n: number, to: Partial<Place>) =>
    setPlaces(places.map((each, m) => (m === n ? { ...each, ...to } : each)))

  return (
    <>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Pills label="Curve" options={curves} value={curve} onChoose={setCurve} />
        <Pills label="Side" options={sides} value={side} onChoose={setSide} />
      </div>
      {set && (
        <figure>
          <div className="h-24 sm:h-36">
            <CurveDrawing set={set} teeth={teeth} />
          </div>
          <figcaption className="text-sm opacity-80">
            From the side. The wedges: the cusp angle that going forwards wants.
          </figcaption>
        </figure>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      <div className="overflow-x-auto">
        <table className="w-full min-w-[36rem]">
          <thead className="text-left">
            <tr>
              {[
                'Tooth',
                'wants cusps of',
                'behind',
                'aside',
                'height',
                'forwards',
                'working',
                'balancing',
              ].map((head) => (
                <th key={head} className="pr-2 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {places.map((place, n) => {
              const contact = teeth[n]?.contact
              return (
                <tr key={place.name} className="border-base-300 border-t">
                  <th scope="row" className="py-1.5 pr-2 text-left leading-tight font-semibold">
                    {place.name}
                  </th>
                  <td className="pr-2">
                    {contact && (
                      <div className="flex items-center gap-2">
                        <output
                          className="figures text-3xl leading-none font-bold"
                          aria-label={`${place.name} needs`}
                        >
                          {contact.neededDegrees.toFixed(1)}°
                        </output>
                        <Verdict contact={contact} own={own.value} />
                      </div>
                    )}
                  </td>
                  {(['behind', 'aside'] as const).map((field) => (
                    <td key={field} className="pr-2">
                      <span className="block w-16">
                        <NumberEntry
                          size="cell"
                          unit="mm"
                          name={`${place.name}, ${benchUnit('mm')} ${field === 'behind' ? 'behind the incisors' : 'from the midline'}`}
                          text={place[field]}
                          onText={(text) => change(n, { [field]: text })}
                          wrong={readNumber(place[field], 'mm').fault !== undefined}
                        />
                      </span>
                    </td>
                  ))}
                  {contact && (
                    <>
                      <td className="figures pr-2 whitespace-nowrap">{mm(contact.heightMillimetres)}</td>
                      {(['protrusion', 'working', 'balancing'] as const).map((movement) => (
                        <td key={movement} className="figures pr-2">
                          {contact[movement].cuspDegrees.toFixed(1)}°
                        </td>
                      ))}
                    </>
                  )}
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
      <div className="grid items-start gap-3 sm:grid-cols-3">
        <NumberField
          label="Cusp angle of the chosen teeth"
          unit="°"
          text={atHand}
          onText={setAtHand}
          fault={own.fault}
          hint="as their maker gives it"
        />
        {curve !== 'flat' && (
          <NumberField
            label="Radius of the curve"
            unit="mm"
            text={radius}
            onText={setRadius}
            fault={R.fault}
            hint="4 in: Monson 1920, recalled"
          />
        )}
        {curve === 'plane' && (
          <NumberField
            label="Touches behind the incisors"
            unit="mm"
            text={touch}
            onText={setTouch}
            fault={touching.fault}
            hint="at the first premolar: common practice"
          />
        )}
        {gap !== undefined && (
          <p className="self-center">
            Flat rims would gape <output className="figures text-2xl font-bold">{mm(gap)}</output> at the
            first molar with the condyles {mm(advanceMillimetres)} forwards.
          </p>
        )}
      </div>
      <p className="text-sm opacity-80">
        Heights are above the occlusal plane, below 0 under it; places in {benchUnit('mm')}. A tooth wants the
        steepest of its three movements and is ground towards the others.
      </p>
    </>
  )
}

function sphereOf(
  curve: Curve,
  { intercondylarMillimetres: c }: Articulator,
  incisor: SpacePoint,
  radius: number,
  touchBehind: number,
) {
  if (curve === 'flat') return undefined
  if (curve === 'plane') return sphereOnPlane(incisor.z, incisor.x - touchBehind, radius)
  return sphereThrough([{ x: 0, y: -c / 2, z: 0 }, { x: 0, y: c / 2, z: 0 }, incisor], radius)
}

/** The angle of the chosen teeth against what this place needs. */
function Verdict({ contact, own }: { contact: ToothContact; own: number | undefined }) {
  if (own === undefined) return null
  const short = contact.neededDegrees - own
  if (contact.neededDegrees < 0)
    return (
      <p className="text-warning text-sm leading-tight font-semibold">curve steeper than the way: lower it</p>
    )
  return short > 0 ? (
    <p className="text-warning text-sm leading-tight font-semibold">{short.toFixed(1)}° too flat</p>
  ) : (
    <p className="text-sm">grind by {(-short).toFixed(1)}°</p>
  )
}
