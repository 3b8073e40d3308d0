import {
  afterFiring,
  colourDifference,
  glazed,
  type Lab,
  labShape,
  mattOf,
  meanReading,
  READINGS,
  recipeWords,
  toothZones,
  verdictOf,
  zoneWords,
} from '../../colour/index.ts'
import { capital, joined, qty, type Saying, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, id, list, maybe, type Of, record, whole, yesNo } from '../../shape/index.ts'
import { type Recorded, sheetKind, sheetOfShape } from '../sheet-kind.ts'
import { stainPlanSheet } from './stain-plan.ts'

const data = record({
  specular: choice(['excluded', 'included']),
  /** By the instrument, three of each; or copied off one by hand. */
  from: choice(['instrument', 'hand']),
  zones: list(
    record({
      tooth: maybe(whole(11, 48, { example: 11 })),
      zone: choice(toothZones),
      readings: list(labShape, 9),
    }),
    64,
  ),
})
const wants = record({
  /** The plan whose target it is held against. */
  planOf: sheetOfShape,
  /** Where it is stained again from. */
  stainFrom: id(),
  /** Not glazed yet: as it will be seen once it is. */
  matt: maybe(yesNo()),
})
type Reading = Of<typeof data>

/** What was read of each zone of the plan beside what was wanted; a zone that was not read has no colour. */
function beside({ zones }: Reading, { planOf, matt }: Of<typeof wants>, recorded: Recorded) {
  const plan = recorded(planOf, stainPlanSheet)
  return (plan?.zones ?? []).map((wanted) => {
    const found = zones.find(({ tooth, zone }) => zone === wanted.zone && tooth === wanted.tooth)
    if (!found) return { wanted, plan: plan! }
    const surface = meanReading(found.readings)
    const read = matt ? glazed(surface) : surface
    return { wanted, plan: plan!, read, difference: colourDifference(read, wanted.target) }
  })
}

/** The colour of a fired piece against its target, zone by zone. */
export const shadeReadingSheet = sheetKind({
  kind: 'shadeReading',
  data,
  wants,
  check: ({ zones, from }) => {
    if (zones.length === 0)
      throw new DomainError('no-reading', 'Nothing was read.', 'Read each zone of the plan.', 'zones')
    for (const each of zones) {
      meanReading(each.readings, 'zones')
      if (from === 'instrument' && each.readings.length < READINGS)
        throw new DomainError(
          'too-few-readings',
          `${each.readings.length} of ${READINGS} readings.`,
          'Read the zone three times, lifting the tip in between.',
          'zones',
        )
    }
  },
  heldAgainst: ({ planOf }) => planOf,
  faults: (entered, sheet, recorded) =>
    beside(entered, sheet, recorded).flatMap(({ wanted, read, difference = 0, plan }): Saying[] => {
      if (!read) return [saying`${zoneWords(wanted)}: not read`]
      if (entered.specular !== plan.specular) return ['read with another specular setting than the plan has']
      return verdictOf(difference) === 'outOfReach'
        ? [saying`${zoneWords(wanted)}: ${qty.count(difference, 2)} from its target, 1.8 is the most`]
        : []
    }),
  failing: (entered, sheet, recorded) => {
    const all = beside(entered, sheet, recorded)
    const off = all.filter(({ difference = 0 }) => verdictOf(difference) === 'outOfReach')
    if (off.length === 0 || all.some(({ read }) => !read))
      return { verdict: 'adjust', say: 'Read every zone of the plan, with its own specular setting.' }
    const after = off.map(({ wanted, read, plan }) => ({
      wanted,
      plan,
      next: afterFiring(read!, wanted.target, plan.pots, plan.specular),
    }))
    if (after.some(({ next }) => next.does === 'strip'))
      return {
        verdict: 'goBack',
        toStepId: sheet.stainFrom,
        say: 'Nothing can be added that brings it there: it is too dark or of another hue. Strip it and start again.',
      }
    return {
      verdict: 'goBack',
      toStepId: sheet.stainFrom,
      say: saying`Add, and fire once more: ${joined(
        after.flatMap(({ wanted, plan, next }) =>
          next.does === 'add'
            ? [
                saying`${zoneWords(wanted)} ${recipeWords(
                  next.plan.coats,
                  plan.pots.map(({ name }) => name),
                )}`,
              ]
            : [],
        ),
        '; ',
      )}.`,
    }
  },
  leadsTo: ({ stainFrom }) => [stainFrom],
  words: ({ zones, from, specular }) =>
    capital(
      saying`${joined(
        zones.map((each) => {
          const { L, a, b } = meanReading(each.readings)
          return saying`${zoneWords(each)} ${qty.count(L, 1)}, ${qty.count(a, 1)}, ${qty.count(b, 1)}`
        }),
        '; ',
      )}, gloss ${specular}${from === 'hand' ? ', by hand' : ''}`,
    ),
  good: ({ matt }) => readOf(matt ? mattOf(GOOD) : GOOD),
  failingExample: () => readOf({ L: 76, a: 1, b: 16.9 }),
  refusedExample: () => ({ ...readOf({ L: 76, a: 1, b: 16.9 }), zones: [] }),
})

/** What the example of a plan wants. */
const GOOD: Lab = { L: 82.7, a: 1, b: 16.9 }
function readOf(body: Lab): Reading {
  return { specular: 'excluded', from: 'hand', zones: [{ zone: 'body', readings: [body] }] }
}
