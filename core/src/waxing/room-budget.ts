import type { Source } from '../materials/index.ts'
import { gaugeMillimetres } from '../materials/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { choice, figure, type Of, record, text } from '../shape/index.ts'
/** Where on a preparation the room is measured. */
export const roomPlaces = ['functionalCusp', 'otherCusp', 'fossa', 'axial'] as const
export type RoomPlace = (typeof roomPlaces)[number]

/** A place of a pattern with what lies on it so far, mm. */
export const roomSiteShape = record({
  /** Tooth and face, as the bench says it. */
  name: text(120, { example: 'Functional cusp' }),
  place: choice(roomPlaces),
  /** From the die to what the pattern must not pass: the opposing tooth, or the outline of the wall. */
  roomMillimetres: figure(-100, 100, { example: 1.9 }),
  greenMillimetres: figure(-100, 100, { example: 0.2 }),
  resinMillimetres: figure(-100, 100, { example: 0.3 }),
})
export type RoomSite = Of<typeof roomSiteShape>

/** What a place wants, mm. */
interface RoomRule {
  readonly name: string
  /** Of the whole pattern: what the casting must be at least. */
  readonly leastMillimetres: number
  /** Outer wax that the anatomy needs, so that no groove is cut into the resin. */
  readonly anatomyMillimetres: number
  readonly source: Source
}

export const roomRules: Readonly<Record<RoomPlace, RoomRule>> = {
  functionalCusp: {
    name: 'Functional cusp',
    leastMillimetres: 1.5,
    anatomyMillimetres: 0.5,
    source: 'whole: Shillingburg, recalled; outer wax: our choice',
  },
  otherCusp: {
    name: 'Other cusp',
    leastMillimetres: 1,
    anatomyMillimetres: 0.5,
    source: 'whole: Shillingburg, recalled; outer wax: our choice',
  },
  fossa: {
    name: 'Fossa',
    leastMillimetres: 1,
    anatomyMillimetres: 0.4,
    source: 'whole: Shillingburg, recalled; outer wax: our choice',
  },
  axial: {
    name: 'Wall',
    leastMillimetres: 0.5,
    anatomyMillimetres: 0.3,
    source: 'common practice; outer wax: our choice',
  },
}

/** Thinner than this the layers cannot be laid without holes (common practice: both thin; figures our choice), mm. */
const thinnestLayers = { greenMillimetres: 0.2, resinMillimetres: 0.3 } as const

type WaxLayer = 'green' | 'resin'

export interface RoomVerdict {
  /** Left for the outer wax, mm; below 0 the layers already fill the room. */
  readonly outerMillimetres: number
  readonly wantedMillimetres: number
  readonly verdict: 'enough' | 'thinALayer' | 'noRoom'
  /** What to take off which layer, so that the anatomy has its depth; the thicker surplus first. */
  readonly takeOff: readonly { readonly layer: WaxLayer; readonly millimetres: number }[]
  /** What to do, as a sentence; empty when there is enough. */
  readonly say: Saying
}

/** Readings are taken to 0.1 mm; sums of them must not fail by a float. */
const GRAIN = 1e-9

/**
 * What is left for the outer wax over green wax and pattern resin, and which layer is too thick for the anatomy.
 *
 *     outer = room - green - resin
 *
 * When even the thinnest layers leave too little, or the room is less than a casting needs, no layer is to blame: the
 * dentist is asked.
 * @throws {DomainError} `words-missing`, `layer-measure`
 * Source: common practice; see `roomRules`.
 */
export function roomVerdict(site: RoomSite): RoomVerdict {
  checkSite(site)
  const { roomMillimetres, greenMillimetres, resinMillimetres, place } = site
  const { leastMillimetres, anatomyMillimetres } = roomRules[place]
  const outerMillimetres = roomMillimetres - greenMillimetres - resinMillimetres
  const base = { outerMillimetres, wantedMillimetres: anatomyMillimetres }
  if (roomMillimetres < leastMillimetres - GRAIN)
    return {
      ...base,
      verdict: 'noRoom',
      takeOff: [],
      say: saying`${site.name}: ${qty.mm(roomMillimetres)} in all, and a casting wants ${qty.mm(leastMillimetres)}. No layer helps: ask the dentist.`,
    }
  const short = anatomyMillimetres - outerMillimetres
  if (short <= GRAIN) return { ...base, verdict: 'enough', takeOff: [], say: '' }
  const takeOff = shareOut(short, greenMillimetres, resinMillimetres)
  if (takeOff.reduce((sum, { millimetres }) => sum + millimetres, 0) < short - GRAIN)
    return {
      ...base,
      verdict: 'noRoom',
      takeOff: [],
      say: saying`${site.name}: the layers are as thin as they can be, and ${qty.mm(short, 1)} is missing. Leave the resin out here, or ask the dentist.`,
    }
  const words = takeOff.map(
    ({ layer, millimetres }) => saying`${layerNames[layer]} by ${qty.mm(millimetres, 1)}`,
  )
  return {
    ...base,
    verdict: 'thinALayer',
    takeOff,
    say: saying`${site.name}: too thick for the anatomy. Thin the ${joined(words, ' and the ')}.`,
  }
}

const layerNames: Readonly<Record<WaxLayer, string>> = { green: 'green wax', resin: 'pattern resin' }

function shareOut(short: number, green: number, resin: number) {
  const surplus: { layer: WaxLayer; millimetres: number }[] = [
    { layer: 'resin' as const, millimetres: Math.max(0, resin - thinnestLayers.resinMillimetres) },
    { layer: 'green' as const, millimetres: Math.max(0, green - thinnestLayers.greenMillimetres) },
  ].sort((a, b) => b.millimetres - a.millimetres)
  let left = short
  return surplus.flatMap(({ layer, millimetres }) => {
    const taken = Math.min(left, millimetres)
    left -= taken
    return taken > GRAIN ? [{ layer, millimetres: taken }] : []
  })
}

/** @throws {DomainError} `words-missing`, `layer-measure` */
export function checkSite({ name, roomMillimetres, greenMillimetres, resinMillimetres }: RoomSite): void {
  if (name.trim() === '')
    throw new DomainError(
      'words-missing',
      'A place has no name.',
      'Say where, or take the line away.',
      'sites',
    )
  for (const [value, most, what] of [
    [roomMillimetres, 10, 'The room'],
    [greenMillimetres, 5, 'The green wax'],
    [resinMillimetres, 5, 'The pattern resin'],
  ] as const)
    if (!(value >= 0 && value <= most))
      throw new DomainError(
        'layer-measure',
        saying`${what} at "${name}" is ${qty.mm(value)}.`,
        saying`Measure it again: from 0 to ${qty.mm(most)}.`,
        'sites',
      )
}

/** Sheets laid on the ridge so that the finished pontic does not press on it. */
export const PONTIC_SHEETS = 3
const PONTIC_SHEET_GAUGE = 28

/**
 * Clearance under a pontic from sheets of gauge wax, mm.
 * @throws {DomainError} `gauge-out-of-range`, `not-a-positive-number` by what it is made of
 * @example ponticClearanceMillimetres(3) // 0.963
 * Source: ASTM B258 for the gauge; three sheets common practice.
 */
export function ponticClearanceMillimetres(sheets: number, gauge = PONTIC_SHEET_GAUGE): number {
  if (!(Number.isInteger(sheets) && sheets >= 0 && sheets <= 20))
    throw new DomainError(
      'sheet-count',
      `${sheets} is no number of sheets.`,
      'Enter a whole number from 0 to 20.',
      'sheets',
    )
  return sheets * gaugeMillimetres(gauge)
}
