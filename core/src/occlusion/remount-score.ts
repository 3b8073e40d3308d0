import { type Articulator, pinAtRotation } from '../mounting/index.ts'
import { joined, type Saying, saying } from '../quantity/index.ts'
import { type Closing, close, frameOf } from './closing.ts'
import { type ContactMark, contactMap, FOIL_MICROMETRES, isStop } from './contact-map.ts'
import { trainerArticulator } from './expert.ts'
import { teethWithFlash } from './flash.ts'
import { volumeTaken } from './grinding.ts'
import { type Mouth, regionAt } from './mouth-grid.ts'
import { type Bite, isFrontTooth, isSupportingTip, placeOf, sideOf } from './regions.ts'

/** What each part of a score is worth; every number a choice. */
const worth = {
  pin: 20,
  centric: 25,
  working: 15,
  balancing: 10,
  protrusive: 10,
  tips: 15,
  economy: 5,
} as const
export type ScorePart = keyof typeof worth

const PIN_FULL = 0.05
const PIN_NONE = 0.55
const SIDES_APART = 0.6
const FRONT_HOLDS = 3
const LIFTED = 0.05
const TIP_LOST = 0.1
const TIP_CAP = 50
const OPEN_CAP = 40
const FLASH_CAP = 60
const ADVANCES = [0.5, 1, 1.5]

export interface RemountScore {
  /** 0 to 100. */
  readonly total: number
  readonly parts: Readonly<Record<ScorePart, number>>
  /** Why no more than this can be reached; undefined: nothing caps it. */
  readonly cap?: Saying
  /** The dearest three, dearest first. */
  readonly losses: readonly { readonly part: ScorePart; readonly lost: number; readonly say: Saying }[]
  readonly pinMillimetres: number
  readonly stops: { readonly right: number; readonly left: number }
  /** Most that is off a supporting tip, mm. */
  readonly tipLostMillimetres: number
}

/** The lower back teeth that are in contact with a stop, by side. */
export function stopsOf(marks: readonly ContactMark[]): { readonly right: number; readonly left: number } {
  const teeth = new Set(
    marks.filter((mark) => isStop(mark) && !isFrontTooth(mark.lower.tooth)).map(({ lower }) => lower.tooth),
  )
  const count = (side: 'right' | 'left') => [...teeth].filter((tooth) => sideOf(tooth) === side).length
  return { right: count('right'), left: count('left') }
}

interface Excursion {
  readonly bite: Bite
  readonly marks: readonly ContactMark[]
  readonly lifted: boolean
}

/**
 * What a ground mouth is worth, 0 to 100, with its dearest losses.
 * @param expertVolume what the expert took off the same mouth, mm³: up to that costs nothing, twice as much all
 * Source: the weights are ours. Limits: invented teeth: it trains the eye and measures no patient.
 */
export function scoreRemount(
  mouth: Mouth,
  expertVolume: number,
  articulator: Articulator = trainerArticulator,
): RemountScore {
  const closed = close(mouth, frameOf(articulator, 'centric', 0))
  const marks = contactMap(mouth, closed)
  const pin = pinAtRotation(articulator, closed.teeth)
  const stops = stopsOf(marks)
  const tip = tipLost(mouth)
  const excursion = (bite: Bite, advance: number): Excursion => {
    const at = close(mouth, frameOf(articulator, bite, advance))
    return { bite, marks: contactMap(mouth, at), lifted: liftOf(at, articulator) > LIFTED }
  }
  const sides = (['right', 'left'] as const).flatMap((bite) => ADVANCES.map((X) => excursion(bite, X)))
  const ahead = ADVANCES.map((X) => excursion('protrusive', X))
  const within = (share: number) => Math.min(1, Math.max(0, share))
  const uneven = Math.abs(stops.right - stops.left) > 1
  const foil = contactMap(mouth, closed, FOIL_MICROMETRES)
  const frontHolds = foil.some(({ upper, lower }) => isFrontTooth(upper.tooth) || isFrontTooth(lower.tooth))
  const volume = volumeTaken(mouth)
  const parts: Record<ScorePart, number> = {
    pin: worth.pin * within((PIN_NONE - pin) / (PIN_NONE - PIN_FULL)),
    centric: Math.max(
      0,
      ((worth.centric * (stops.right + stops.left)) / 8) * (uneven ? SIDES_APART : 1) -
        (frontHolds ? FRONT_HOLDS : 0),
    ),
    working: worth.working * mean(sides.map(workingShare)),
    balancing: worth.balancing * mean(sides.map((each) => Number(!each.lifted && balances(each)))),
    protrusive: worth.protrusive * mean(ahead.map(protrusiveShare)),
    tips: worth.tips * within(1 - tip / TIP_LOST),
    economy: worth.economy * (expertVolume > 0 ? within(2 - volume / expertVolume) : Number(volume === 0)),
  }
  const sum = Object.values(parts).reduce((all, each) => all + each, 0)
  const flash = teethWithFlash(mouth)
  const caps: readonly (readonly [boolean, number, Saying])[] = [
    [
      flash.length > 0,
      FLASH_CAP,
      saying`Flash is still on ${joined(flash.map((tooth) => saying`${{ tooth }}`))}: pick it off before anything is ground. No more than ${FLASH_CAP} points.`,
    ],
    [tip > TIP_LOST, TIP_CAP, saying`A supporting tip has lost ${mm(tip)}: no more than ${TIP_CAP} points.`],
    [
      pin < -PIN_FULL,
      OPEN_CAP,
      saying`The teeth hang clear with the pin down: no more than ${OPEN_CAP} points.`,
    ],
  ]
  const cap = caps.filter(([holds]) => holds).sort(([, one], [, other]) => one - other)[0]
  const losses = (Object.keys(worth) as ScorePart[])
    .map((part) => ({
      part,
      lost: worth[part] - parts[part],
      say: lossWords(part, { pin, stops, tip, volume, expertVolume, frontHolds }),
    }))
    .filter(({ lost }) => lost > 0.5)
    .sort((one, other) => other.lost - one.lost)
    .slice(0, 3)
  return {
    total: Math.min(cap ? cap[1] : 100, sum),
    parts,
    ...(cap ? { cap: cap[2] } : {}),
    losses,
    pinMillimetres: pin,
    stops,
    tipLostMillimetres: tip,
  }
}

const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length
const mm = (value: number) => ({ value, kind: 'millimetres' as const, decimals: 2 })
/** For display, near enough: exact at the tip. */
const liftOf = ({ teeth, frame }: Closing, { pinTip }: Articulator) => (teeth - frame.table) * pinTip.x

function workingShare({ bite, marks, lifted }: Excursion): number {
  if (lifted) return 0
  const working = marks.filter(({ lower }) => sideOf(lower.tooth) === bite)
  const posteriors = new Set(
    working.filter(({ lower }) => !isFrontTooth(lower.tooth)).map(({ lower }) => lower.tooth),
  )
  const canine = working.some(({ upper, lower }) => placeOf(upper.tooth) === 3 || placeOf(lower.tooth) === 3)
  return (0.7 * Math.min(posteriors.size, 2)) / 2 + 0.3 * Number(canine)
}
const balances = ({ bite, marks }: Excursion) =>
  marks.some(({ lower }) => !isFrontTooth(lower.tooth) && sideOf(lower.tooth) !== bite)
function protrusiveShare({ marks, lifted }: Excursion): number {
  if (lifted) return 0
  const back = (side: 'right' | 'left') =>
    Number(marks.some(({ lower }) => !isFrontTooth(lower.tooth) && sideOf(lower.tooth) === side))
  const front = Number(
    marks.some(({ upper, lower }) => isFrontTooth(upper.tooth) || isFrontTooth(lower.tooth)),
  )
  return 0.35 * back('right') + 0.35 * back('left') + 0.3 * front
}

/** The most that is off any supporting tip, mm. */
export function tipLost({ upper, lower }: Mouth): number {
  let most = 0
  for (const [arch, field] of [
    ['upper', upper],
    ['lower', lower],
  ] as const)
    for (const cell of field.cells)
      if (isSupportingTip(arch, regionAt(field, cell)))
        most = Math.max(most, Math.abs(field.z[cell]! - field.untouched[cell]!))
  return most
}

function lossWords(
  part: ScorePart,
  {
    pin,
    stops,
    tip,
    volume,
    expertVolume,
    frontHolds,
  }: {
    readonly pin: number
    readonly stops: RemountScore['stops']
    readonly tip: number
    readonly volume: number
    readonly expertVolume: number
    readonly frontHolds: boolean
  },
): Saying {
  switch (part) {
    case 'pin':
      return saying`The pin still stands open by ${mm(pin)}.`
    case 'centric':
      return saying`${stops.right} stops right and ${stops.left} left of four each${frontHolds ? ', and a front tooth holds foil' : ''}.`
    case 'working':
      return 'The working side wants canine and two back teeth together.'
    case 'balancing':
      return 'The balancing side has lost its contact.'
    case 'protrusive':
      return 'Forwards, front and both sides should touch.'
    case 'tips':
      return saying`A supporting tip has lost ${mm(tip)}.`
    case 'economy':
      return saying`${Math.round(volume)} mm³ are off; ${Math.round(expertVolume)} were enough.`
  }
}
