import {
  type AnteriorTooth,
  anteriorTeeth,
  DomainError,
  MONSON_RADIUS_MILLIMETRES,
  type Point,
  type Prescription,
  planSetUp,
  type Saying,
  type SetUpEntry,
  type SetUpPlan,
  type Stances,
  type ToothSet,
  usualStances,
} from '@yentrik/core'
import { refusalWords } from '../parts/attempt.ts'
import { readNumber } from '../parts/read-number.ts'

/** A row of the ruler across the cast: so far behind the front, the rim and the crest on each side. */
interface RulerRow {
  readonly depth: string
  readonly rimRight: string
  readonly rimLeft: string
  readonly crestRight: string
  readonly crestLeft: string
}
export const rulerColumns: readonly (readonly [keyof RulerRow, string])[] = [
  ['depth', 'Behind the front'],
  ['rimRight', 'Rim, right'],
  ['rimLeft', 'Rim, left'],
  ['crestRight', 'Crest, right'],
  ['crestLeft', 'Crest, left'],
]

/** A plan as it is typed. */
export interface PlanDraft {
  readonly arch: 'upper' | 'lower'
  /** Front of the rim from the papilla, and of the crest behind the front of the rim. */
  readonly rimFront: string
  readonly crestBehind: string
  readonly rows: readonly RulerRow[]
  readonly canineRight: string
  readonly canineLeft: string
  readonly highLip: string
  readonly setName: string
  /** The figures of the set as they were when it was chosen. */
  readonly toothSet?: ToothSet
  readonly stances: Readonly<
    Record<AnteriorTooth, Readonly<Record<'mesiodistal' | 'labial' | 'short', string>>>
  >
  readonly curve: SetUpEntry['curve']
  readonly radius: string
  readonly forward: string
  readonly below: string
  readonly intercondylar: string
  readonly opposing: 'denture' | 'natural'
  readonly overlap: string
  /** Heights of the natural cusps, right then left, first premolar to second molar. */
  readonly heights: readonly string[]
}

const emptyRow = (depth: string): RulerRow => ({
  depth,
  rimRight: '',
  rimLeft: '',
  crestRight: '',
  crestLeft: '',
})

export function freshPlan(
  arch: 'upper' | 'lower',
  prescription: Prescription | undefined,
  intercondylarMillimetres = 110,
): PlanDraft {
  const text = (value: number | undefined) => (value === undefined ? '' : String(value))
  return {
    arch,
    rimFront: text(prescription?.labialFullnessMillimetres),
    crestBehind: '',
    rows: ['5', '10', '20', '30', '40'].map(emptyRow),
    canineRight: text(prescription?.canineMillimetres.right),
    canineLeft: text(prescription?.canineMillimetres.left),
    highLip: text(prescription?.highLipMillimetres),
    setName: '',
    stances: typedStances(usualStances),
    curve: 'teeth',
    radius: String(MONSON_RADIUS_MILLIMETRES),
    forward: '85',
    below: '35',
    intercondylar: String(intercondylarMillimetres),
    opposing: 'denture',
    overlap: '0',
    heights: Array.from({ length: 8 }, () => ''),
  }
}

function typedStances(stances: Stances): PlanDraft['stances'] {
  return Object.fromEntries(
    anteriorTeeth.map((tooth) => [
      tooth,
      {
        mesiodistal: String(stances[tooth].mesiodistalDegrees),
        labial: String(stances[tooth].labialDegrees),
        short: String(stances[tooth].shortMillimetres),
      },
    ]),
  ) as unknown as PlanDraft['stances']
}

/** A stored plan, to be looked at or changed. */
export function draftOf(entry: SetUpEntry): PlanDraft {
  const front = frontOf(entry.rim)
  const crestFront = frontOf(entry.crest)
  const depths = [...new Set([...entry.rim, ...entry.crest].map(({ y }) => round(front - y)))]
    .filter((depth) => depth > 0 && depth !== round(front - crestFront))
    .sort((a, b) => a - b)
  const width = (points: readonly Point[], depth: number, sign: number) => {
    const at = points.find(({ x, y }) => round(front - y) === depth && Math.sign(x) === sign)
    return at ? String(Math.abs(at.x)) : ''
  }
  const natural = entry.opposing.kind === 'natural' ? entry.opposing : undefined
  return {
    ...freshPlan(entry.arch, undefined, entry.intercondylarMillimetres),
    rimFront: String(front),
    crestBehind: String(round(front - crestFront)),
    rows: depths.map((depth) => ({
      depth: String(depth),
      rimRight: width(entry.rim, depth, -1),
      rimLeft: width(entry.rim, depth, 1),
      crestRight: width(entry.crest, depth, -1),
      crestLeft: width(entry.crest, depth, 1),
    })),
    canineRight: String(entry.canineMillimetres.right),
    canineLeft: String(entry.canineMillimetres.left),
    highLip: String(entry.highLipMillimetres),
    setName: entry.toothSet.name,
    toothSet: entry.toothSet,
    stances: typedStances(entry.stances),
    curve: entry.curve,
    radius: String(entry.curveRadiusMillimetres),
    forward: String(entry.incisorForwardMillimetres),
    below: String(entry.incisorBelowMillimetres),
    opposing: entry.opposing.kind,
    overlap: String(natural?.overlapMillimetres ?? 0),
    heights: natural
      ? [...natural.heightsMillimetres.right, ...natural.heightsMillimetres.left].map(String)
      : Array.from({ length: 8 }, () => ''),
  }
}

const round = (value: number) => Number(value.toFixed(2))
const frontOf = (points: readonly Point[]) =>
  points.find(({ x }) => x === 0)?.y ?? Math.max(...points.map((p) => p.y))

export type PlanFaults = Readonly<Record<string, string>>

/** The entry that was typed, or what is missing or wrong at which field. */
export function entryOf(draft: PlanDraft): { readonly entry?: SetUpEntry; readonly faults: PlanFaults } {
  const faults: Record<string, string> = {}
  const number = (key: string, text: string, unit = 'mm') => {
    const { value, fault } = readNumber(text, unit)
    if (fault) faults[key] = fault
    return value ?? Number.NaN
  }
  const rimFront = number('rimFront', draft.rimFront)
  const rim: Point[] = [{ x: 0, y: rimFront }]
  const crest: Point[] = [{ x: 0, y: rimFront - number('crestBehind', draft.crestBehind) }]
  draft.rows.forEach((row, index) => {
    const cells = rulerColumns.slice(1).filter(([column]) => row[column].trim() !== '')
    if (cells.length === 0) return
    const y = rimFront - number(`${index} depth`, row.depth)
    for (const [column] of cells) {
      const width = number(`${index} ${column}`, row[column])
      const point = { x: column.endsWith('Left') ? width : -width, y }
      ;(column.startsWith('rim') ? rim : crest).push(point)
    }
  })
  if (!draft.toothSet) faults.toothSet = 'Choose a set of teeth.'
  const stance = (tooth: AnteriorTooth) => ({
    mesiodistalDegrees: number(`${tooth} mesiodistal`, draft.stances[tooth].mesiodistal, '°'),
    labialDegrees: number(`${tooth} labial`, draft.stances[tooth].labial, '°'),
    shortMillimetres: number(`${tooth} short`, draft.stances[tooth].short),
  })
  const height = (index: number) => number(`height ${index}`, draft.heights[index] ?? '')
  const entry = {
    arch: draft.arch,
    rim,
    crest,
    canineMillimetres: {
      right: number('canineRight', draft.canineRight),
      left: number('canineLeft', draft.canineLeft),
    },
    highLipMillimetres: number('highLip', draft.highLip),
    stances: { central: stance('central'), lateral: stance('lateral'), canine: stance('canine') },
    incisorForwardMillimetres: number('forward', draft.forward),
    incisorBelowMillimetres: number('below', draft.below),
    curve: draft.curve,
    curveRadiusMillimetres: number('radius', draft.radius),
    intercondylarMillimetres: number('intercondylar', draft.intercondylar),
    opposing:
      draft.opposing === 'denture'
        ? { kind: 'denture' as const }
        : {
            kind: 'natural' as const,
            overlapMillimetres: number('overlap', draft.overlap),
            heightsMillimetres: { right: [0, 1, 2, 3].map(height), left: [4, 5, 6, 7].map(height) },
          },
  }
  if (Object.keys(faults).length > 0 || !draft.toothSet) return { faults }
  return { entry: { ...entry, toothSet: draft.toothSet }, faults }
}

/** The plan, or the core's refusal in words. */
export function planOrRefusal(entry: SetUpEntry): { readonly plan?: SetUpPlan; readonly refusal?: Saying } {
  try {
    return { plan: planSetUp(entry) }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { refusal: refusalWords(error) }
  }
}
