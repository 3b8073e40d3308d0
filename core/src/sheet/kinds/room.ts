import { joined, qty, saying, unfinished } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, list, record, text } from '../../shape/index.ts'
import { checkSite, roomPlaces, roomRules, roomSiteShape, roomVerdict } from '../../waxing/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const site = (roomMillimetres: number) => ({
  name: 'Functional cusp',
  place: 'functionalCusp' as const,
  roomMillimetres,
  greenMillimetres: 0.2,
  resinMillimetres: 0.3,
})

/** The room for the layers of a pattern, place by place. */
export const roomSheet = sheetKind({
  kind: 'room',
  data: record({ sites: list(roomSiteShape, 60) }),
  wants: record({ suggested: list(record({ name: text(120), place: choice(roomPlaces) }), 60) }),
  check: ({ sites }) => {
    if (sites.length === 0)
      throw new DomainError(
        'too-few-places',
        'No place was measured.',
        'Measure at one place or more.',
        'sites',
      )
    sites.forEach(checkSite)
  },
  faults: ({ sites }) =>
    sites.map((each) => unfinished(roomVerdict(each).say)).filter((words) => words !== ''),
  failing: ({ sites }) =>
    sites.some((each) => roomVerdict(each).verdict === 'noRoom')
      ? {
          verdict: 'askDentist',
          say: 'There is not enough room for the casting. Please prepare further, or say go on.',
        }
      : undefined,
  words: ({ sites }) =>
    joined(
      sites.map(
        (each) =>
          saying`${each.name} ${qty.mm(roomVerdict(each).outerMillimetres, 2)} left of ${qty.mm(each.roomMillimetres, 2)}`,
      ),
    ),
  good: ({ suggested }) => ({
    sites: suggested.map(({ name, place }) => ({
      ...site(roomRules[place].leastMillimetres + 0.4),
      name,
      place,
    })),
  }),
  failingExample: () => ({ sites: [site(1.2)] }),
  refusedExample: () => ({ sites: [site(11)] }),
})
