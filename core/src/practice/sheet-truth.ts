import { sheetOfOrder } from '../case/index.ts'
import { regionsOf } from '../inspection/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import { type SheetData, type StepSheet, sheetWords } from '../sheet/index.ts'
import { regionSign } from './signs/index.ts'
import { oneOf } from './streams.ts'

type Order = { readonly teeth: readonly number[]; readonly enclosures: readonly string[] }

/** Further beyond a limit than anybody reads wrongly, as a share of what can be (choice). */
const BEYOND_SHARE = 0.05
/** Room that is too little for any casting, mm. */
const NO_ROOM_MILLIMETRES = 0.7

/**
 * What really lies there where a sheet is filled in: as a careful hand leaves it, or with one place of it wrong.
 * @param wrong at a place that the chance chooses
 */
export function sheetTruth(sheet: StepSheet, order: Order, random: () => number, wrong = false): SheetData {
  const good = sheetOfOrder(sheet, order)
  if (!wrong) return good
  if (sheet.kind === 'regions' && good.kind === 'regions') {
    const region = oneOf(
      regionsOf[sheet.drawing].filter(({ faults }) => faults.length > 0),
      random,
    )
    const { fault } = oneOf(region.faults, random)
    return {
      ...good,
      regions: good.regions.map((each) => (each.region === region.id ? { ...each, fault } : each)),
    }
  }
  if (sheet.kind === 'places' && good.kind === 'places') {
    const at = Math.floor(random() * good.places.length)
    const { min, max, plausible } = sheet
    const more = BEYOND_SHARE * (plausible.max - plausible.min)
    const value =
      min !== undefined
        ? Math.max(plausible.min, min - more)
        : Math.min(plausible.max, (max ?? plausible.max) + more)
    const off = Number(value.toFixed(2))
    return { ...good, places: good.places.map((each, n) => (n === at ? { ...each, value: off } : each)) }
  }
  if (sheet.kind === 'room' && good.kind === 'room') {
    const at = Math.floor(random() * good.sites.length)
    return {
      ...good,
      sites: good.sites.map((each, n) =>
        n === at ? { ...each, roomMillimetres: NO_ROOM_MILLIMETRES } : each,
      ),
    }
  }
  return good
}

/** What is seen there, place by place, and nothing of what it means. */
export function seenOnSheet(sheet: StepSheet, there: SheetData): Saying {
  if (sheet.kind === 'regions' && there.kind === 'regions')
    return joined(
      there.regions.map(({ region, fault }) => {
        const drawn = regionsOf[sheet.drawing].find(({ id }) => id === region)
        const seen = fault === undefined ? drawn?.good : (regionSign(region, fault) ?? `${fault}.`)
        return `${drawn?.name ?? region}: ${seen ?? ''}`
      }),
      ' ',
    )
  if (sheet.kind === 'room' && there.kind === 'room')
    return joined(
      there.sites.map(
        ({ name, roomMillimetres, greenMillimetres, resinMillimetres }) =>
          saying`${name}: room ${qty.mm(roomMillimetres, 1)}, green wax ${qty.mm(greenMillimetres, 1)}, resin ${qty.mm(resinMillimetres, 1)}.`,
      ),
      ' ',
    )
  return sheetWords(sheet, there, { lotNumber: (id) => id })
}
