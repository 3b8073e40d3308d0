import { type CaseState, finishedAt, isSettled, type JobState, sheetsWanted } from '../case/index.ts'
import { chargeOf } from '../casting/index.ts'
import { materials } from '../materials/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { delivered } from './delivered.ts'

/** A material of a device, with the lots that went into it. */
interface StatedMaterial {
  readonly name: string
  readonly product?: string
  readonly lots: readonly string[]
  /** How much went into it, where it was weighed or counted: "24 g", "1 set of clasps". */
  readonly amount?: Saying
  /** Of an alloy: how much of it had been melted before, percent; left out: none of it. */
  readonly returnedPercent?: number
}

/** The lab as it signs. */
export interface Maker {
  readonly name: string
  readonly address: string
}

/** What a statement on a custom-made device says. Made from the record; a template, local law decides. */
export interface CustomMadeStatement {
  readonly maker: string
  /** Empty where the lab has not entered it. */
  readonly address: string
  readonly device: string
  readonly described: DescribedDevice
  readonly deviceNumber: string
  readonly patientCode: string
  readonly prescriber: string
  readonly clinic: string
  readonly teeth: readonly number[]
  /** What the prescription asks of it. */
  readonly characteristics: readonly string[]
  readonly materials: readonly StatedMaterial[]
  /** ISO 8601 instant of the last step on record. */
  readonly madeAt: string
  /** Every place of manufacture, as entered at the release; the lab's own while nobody has released it. */
  readonly places: readonly string[]
  readonly released?: { readonly at: string; readonly by: string }
  readonly statements: readonly string[]
  /** What a person must still complete before signing. */
  readonly open: readonly string[]
  /** How much of the record it was made from, and the hash of the newest entry: what was changed later would show. */
  readonly record: RecordMark
  readonly source: string
}

/** What a device is, for a sentence: the screen puts teeth and days as its reader writes them. */
export interface DescribedDevice {
  readonly name: string
  readonly teeth: readonly number[]
  readonly castHere: boolean
  readonly materials: readonly string[]
  /** When the impression was taken; undefined: that is not on record. */
  readonly impressionAt?: string
}

/** How far a record went when a paper was made from it. */
export interface RecordMark {
  readonly entries: number
  readonly newest: string
}

/**
 * A statement on a custom-made device, from the record of a job.
 *
 * @param lotNumber the number on the pack of a lot
 * @throws {DomainError} `no-device`: a cast or a mounting; `nothing-made`: no step of the job is done
 * Source: the contents of Annex XIII, section 1, of Regulation (EU) 2017/745, recalled: a template; local law decides.
 */
export function customMadeStatement(
  state: CaseState,
  job: JobState,
  maker: Maker,
  lotNumber: (lotId: string) => string,
  record: RecordMark,
): CustomMadeStatement {
  if (!isDevice(job))
    throw new DomainError(
      'no-device',
      `Nobody wears it: "${job.route.name}" is no custom-made device.`,
      'Print its record and its label instead.',
    )
  const done = Object.values(job.steps).flatMap((step) => finishedAt(step) ?? [])
  if (done.length === 0)
    throw new DomainError(
      'nothing-made',
      'Nothing of this job is done yet.',
      'Make it first, then print its statement.',
    )
  const {
    patientCode,
    prescriber,
    clinic,
    teeth,
    shade,
    wanted,
    materials: wantedMaterials,
  } = state.authorisation
  const used = usedMaterials(job, lotNumber)
  const { released } = delivered(job)
  const finished = job.route.steps.every(({ id }) => isSettled(job.steps[id]))
  return {
    maker: maker.name,
    address: maker.address,
    device: job.route.name,
    described: described(job, teeth, used),
    deviceNumber: `${state.docket}/${job.jobId}`,
    patientCode,
    prescriber,
    clinic,
    teeth,
    characteristics: [
      wanted,
      ...(wantedMaterials ? [`Materials: ${wantedMaterials}`] : []),
      ...(shade ? [`Shade: ${shade}`] : []),
    ],
    materials: used,
    madeAt: [...done].sort().at(-1)!,
    places: released?.places ?? [[maker.name, maker.address].filter(Boolean).join(', ')],
    ...(released ? { released: { at: released.at, by: released.by } } : {}),
    statements: [
      `This device was made for the exclusive use of the patient with the code ${patientCode}.`,
      `It was made to the written prescription of ${prescriber}, ${clinic}, whose characteristics are given above.`,
      'It conforms to the general safety and performance requirements of Annex I of Regulation (EU) 2017/745; any that are not fully met are named below, with the grounds.',
    ],
    open: [
      ...(maker.address.trim() === '' ? ['Address of the maker.'] : []),
      'Requirements of Annex I that are not fully met, with the grounds, or "none".',
      ...(used.some(({ lots }) => lots.length === 0) ? ['Lots that were not noted.'] : []),
      ...(released || sheetsWanted(job, 'release').length === 0 ? [] : ['The release.']),
      ...(finished ? [] : ['Steps that are not done yet.']),
      'A copy of it to be kept for at least ten years.',
    ],
    record,
    source: 'Regulation (EU) 2017/745, Annex XIII, section 1, recalled; a template, local law decides',
  }
}

/** Whether a job makes something that a patient wears: all but casts, mountings and wax for practice. */
export function isDevice({ route }: JobState): boolean {
  return route.noDevice !== true
}

/** What it is, in one sentence: of what and where it was made, and from what impression. */
function described(
  job: JobState,
  teeth: readonly number[],
  used: readonly StatedMaterial[],
): DescribedDevice {
  const cast = Object.values(job.steps).some(({ sheets }) =>
    sheets.some(({ sheet }) => sheet.kind === 'charge'),
  )
  const from = job.impressions.find(({ takenAt }) => takenAt !== undefined)
  return {
    name: job.route.name,
    teeth,
    castHere: cast,
    materials: used.map(({ name, product }) => (product ? `${name} (${product})` : name)),
    ...(from?.takenAt ? { impressionAt: from.takenAt } : {}),
  }
}

/** What went into the attempt that stands, by material and product; what only helped on the way is left out. */
function usedMaterials(job: JobState, lotNumber: (lotId: string) => string): StatedMaterial[] {
  interface Found {
    readonly name: string
    readonly product?: string
    readonly lots: Set<string>
    grams: number
    readonly counted: string[]
  }
  const found = new Map<string, Found>()
  for (const step of job.route.steps)
    for (const mix of job.steps[step.id]!.mixes) {
      const { materialId, product, lots, amountId } = mix
      const card = materials.get(materialId)
      if (!card?.worn) continue
      const key = `${materialId} ${product ?? ''}`
      const entry = found.get(key) ?? {
        name: card.name,
        ...(product ? { product } : {}),
        lots: new Set<string>(),
        grams: 0,
        counted: [],
      }
      const amount = step.amounts?.find(({ id }) => id === amountId)
      // Mixed again, the last one is what was used.
      if (mix === job.steps[step.id]!.mixes.findLast((each) => each.amountId === amountId)) {
        if (amount?.kind === 'use') entry.counted.push(`${amount.count} ${amount.unit}`)
        entry.grams += mix.powderGrams ?? 0
      }
      for (const lot of lots) entry.lots.add(lotNumber(lot))
      found.set(key, entry)
    }
  return [
    ...[...found.values()].map(({ lots, grams, counted, ...rest }) => ({
      ...rest,
      lots: [...lots],
      ...(grams > 0
        ? { amount: saying`${qty.grams(grams)}` }
        : counted.length > 0
          ? { amount: joined(counted) }
          : {}),
    })),
    ...meltedAlloys(job, lotNumber),
  ]
}

function meltedAlloys(job: JobState, lotNumber: (lotId: string) => string): StatedMaterial[] {
  return Object.values(job.steps).flatMap(({ sheets }) => {
    const sheet = sheets.findLast((each) => each.sheet.kind === 'charge')?.sheet
    if (sheet?.kind !== 'charge') return []
    const { lots, remeltShare } = chargeOf(sheet.pieces)
    return [
      {
        name: materials.get(sheet.alloyId)?.name ?? sheet.alloyId,
        ...(sheet.product ? { product: sheet.product } : {}),
        lots: lots.map(({ lotId }) => lotNumber(lotId)),
        ...(remeltShare > 0 ? { returnedPercent: Math.round(100 * remeltShare) } : {}),
      },
    ]
  })
}
