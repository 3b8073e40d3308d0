import { receiveCase } from '../case/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { fittingChoices, type Route } from '../route/index.ts'
import { type FailingOutcome, judgeSheet, type SheetData, type StepSheet } from '../sheet/index.ts'
import { placesOn } from './causes/resolve.ts'
import { showsLater } from './causes/shows-later.ts'
import type { Defect, Origin } from './defect.ts'
import { type Fault, faultsOf } from './faults.ts'
import { levelRules } from './levels.ts'
import { practiceHouse } from './practice-house.ts'
import { trueValue } from './readings.ts'
import { sheetTruth } from './sheet-truth.ts'
import { signsOf } from './signs/index.ts'
import { oneOf, streamAt } from './streams.ts'
import { jobOf, LARGEST_SEED, type PracticeSetup, type World } from './truth.ts'

const DAY = 24 * 60 * 60_000
/** Longer than any route takes. */
const DUE_AFTER_DAYS = 60
const CAME_ALONG = ['Tray', 'Wax bite']

/**
 * A practice case as it comes through the door, with its truth.
 * @param beganAt ms since 1970: when its clock begins
 * @param docket begins with P
 * @throws {DomainError} `seed-not-a-number`, `unknown-focus`; of `receiveCase`: `no-such-template`, `no-such-choice` ...
 */
export function beginPractice(setup: PracticeSetup, beganAt: number, docket: string, by: string): World {
  if (!(Number.isInteger(setup.seed) && setup.seed >= 0 && setup.seed <= LARGEST_SEED))
    throw new DomainError(
      'seed-not-a-number',
      `"${setup.seed}" is no seed.`,
      `Enter a whole number from 0 to ${LARGEST_SEED}.`,
      'seed',
    )
  const template = routeTemplates.get(setup.templateId)
  const choices = template ? { ...fittingChoices(template, setup.choices), ...setup.choices } : setup.choices
  const working = receiveCase(
    {
      docket,
      mark: 'practice',
      authorisation: {
        clinic: 'The practice clinic',
        prescriber: 'Practice',
        patientCode: docket,
        patientAge: 60,
        wanted: template?.name ?? '',
        teeth: template?.teeth ? [35, 36, 37] : [],
        materials: 'As the usual choices of the lab',
        shade: 'Oat 2',
        dueAt: new Date(beganAt + DUE_AFTER_DAYS * DAY).toISOString(),
        enclosures: CAME_ALONG,
      },
      jobs: [{ templateId: setup.templateId, choices }],
    },
    beganAt,
    by,
    practiceHouse,
  )
  const empty: World = {
    setup,
    beganAt,
    now: beganAt,
    working,
    planned: [],
    defects: [],
    looks: [],
    decisions: [],
    handsMinutes: 0,
    excusedMinutes: 0,
    broken: [],
  }
  const all = faultsOf(jobOf(empty).route, working.state.authorisation.teeth)
  const unknown = setup.focus?.find((kind) => !knownKinds().has(kind))
  if (unknown !== undefined)
    throw new DomainError(
      'unknown-focus',
      `No case has the fault "${unknown}".`,
      'Choose a kind out of your own record, or leave the choice to the seed.',
      'focus',
    )
  const chosen = chooseFaults(all, setup)
  const made = chosen.map((fault) =>
    defectOf(jobOf(empty).route, fault, setup.seed, working.state.authorisation),
  )
  return {
    ...empty,
    planned: made.filter(({ bornBy }) => bornBy !== 'arrived'),
    defects: made.filter(({ bornBy }) => bornBy === 'arrived').map((each) => ({ ...each, bornAt: 0 })),
  }
}

const kinds = new Map<string, ReadonlySet<string>>()
/** Every kind of fault that a job can have, whatever its choices; or any job. */
export function knownKinds(templateId = ''): ReadonlySet<string> {
  const known =
    kinds.get(templateId) ??
    new Set(
      [...routeTemplates.values()]
        .filter(({ id }) => templateId === '' || id === templateId)
        .flatMap(({ steps }) =>
          faultsOf({ steps: steps as unknown as Route['steps'] }, [35, 36, 37]).map(({ kind }) => kind),
        ),
    )
  kinds.set(templateId, known)
  return known
}

/** A step has about so many faults among which a slip chooses. */
const SLIPS_OF_FAULTS = 4

/** Seen by more than the bare eye. */
const isSubtle = ({ by, shows }: Fault) => by !== 'eye' && shows.kind === 'look'
const placeOf = ({ shows }: Fault) => `${shows.stepId} ${shows.checkId} ${shows.tooth ?? ''}`

/**
 * The faults of a case: each step draws for itself whether a hand slips there; the number is then held within that of the
 * level, at least one arrives, one is subtle where the route has such, and no two hide each other at the same check.
 */
export function chooseFaults(
  all: readonly Fault[],
  { seed, level, focus = [] }: PracticeSetup,
): readonly Fault[] {
  const { least, most, handChance } = levelRules[level]
  const lotOf = (fault: Fault) => {
    const drawn = streamAt(
      seed,
      fault.shows.stepId,
      fault.shows.checkId,
      fault.shows.tooth ?? '',
      fault.kind,
    )()
    const wished = focus.indexOf(fault.kind)
    return wished >= 0 ? wished / 1000 - 1 : drawn
  }
  const drawn = all.map((fault) => ({ fault, lot: lotOf(fault) })).sort((a, b) => a.lot - b.lot)
  const chosen: Fault[] = []
  const taken = new Set<string>()
  const kindsTaken = new Set<string>()
  const take = (fault: Fault | undefined) => {
    if (!fault || taken.has(placeOf(fault)) || kindsTaken.has(fault.kind)) return
    taken.add(placeOf(fault))
    kindsTaken.add(fault.kind)
    chosen.push(fault)
  }
  take(drawn.find(({ fault }) => fault.arrives)?.fault)
  take(drawn.find(({ fault }) => focus.includes(fault.kind))?.fault)
  const subtle = () => drawn.find(({ fault }) => isSubtle(fault) && !taken.has(placeOf(fault)))?.fault
  if (chosen.length < most && !chosen.some(isSubtle)) take(subtle())
  // How many there would be if every hand were left to itself.
  const slips = drawn.filter(({ lot }) => lot < handChance / SLIPS_OF_FAULTS).length
  const usual = least + Math.floor(streamAt(seed, 'count')() * (most - least + 1))
  const wanted = Math.max(least, Math.min(most, Math.max(slips, usual)))
  for (const { fault } of drawn) if (chosen.length < wanted) take(fault)
  return chosen
}

/** What else than a hand makes some of them: a bad lot, a machine. */
const otherOrigins: readonly { readonly kind: string; readonly by: Origin; readonly why: string }[] = [
  {
    kind: 'resin-surface: Bubbles inside',
    by: 'machine',
    why: 'The bath ran hotter than its display for an hour in the night.',
  },
  {
    kind: 'dough-stage: Sandy or stringy',
    by: 'material',
    why: 'Old liquid: it ripened more slowly than its pack says.',
  },
  {
    kind: 'seats: Held up inside',
    by: 'material',
    why: 'The lot of investment expanded less than its class.',
  },
  {
    kind: 'seats: Will not seat',
    by: 'material',
    why: 'The lot of stone set out of its class: the die was too large.',
  },
  {
    kind: 'oxide: Thick and dark',
    by: 'machine',
    why: 'The furnace read 25 °C low, so it was fired too hot.',
  },
  { kind: 'cracks: A crack', by: 'machine', why: 'The door opened early: it cooled by a jump.' },
  { kind: 'surface: A crack', by: 'machine', why: 'The furnace cooled faster than its display says.' },
  {
    kind: 'clear: Cloudy',
    by: 'machine',
    why: 'The gauge of the pot read too much: there was less pressure than it said.',
  },
  {
    kind: 'teeth-whole: Surface soft or chalky',
    by: 'machine',
    why: 'The dispenser gave 5 % more water than it said.',
  },
]

function defectOf(
  route: Route,
  fault: Fault,
  seed: number,
  order: { readonly teeth: readonly number[]; readonly enclosures: readonly string[] },
): Defect {
  const { shows, kind } = fault
  const random = streamAt(seed, shows.stepId, shows.checkId, shows.tooth ?? '', `${kind} size`)
  const step = route.steps.find(({ id }) => id === shows.stepId)!
  const born = route.steps.find(({ id }) => id === fault.bornIn)!
  const check = step.checks?.find(({ id }) => id === shows.checkId)
  const sheet = step.sheets?.find(({ id }) => id === shows.checkId)
  const other = otherOrigins.find((each) => each.kind === kind)
  const bornBy: Origin = fault.arrives ? 'arrived' : (other?.by ?? 'hand')
  const value = check?.kind === 'measure' ? trueValue(check, random, shows.side) : undefined
  const there = sheet && shows.kind === 'sheet' ? sheetTruth(sheet, order, random, true) : undefined
  const after = new Set(route.steps.slice(route.steps.indexOf(step) + 1).map(({ id }) => id))
  const seen = check?.kind === 'observe' && shows.answer ? signsOf(check.id)?.signs[shows.answer] : undefined
  return {
    id: `${shows.stepId}/${shows.checkId}${shows.tooth === undefined ? '' : `/${shows.tooth}`}/${shows.answer ?? shows.side ?? 'sheet'}`,
    kind,
    named: fault.named,
    bornBy,
    bornStep: fault.bornIn,
    ...(value === undefined || check?.kind !== 'measure'
      ? {}
      : { size: saying`${{ value, kind: check.quantity }}` }),
    why: other?.why ?? (fault.arrives ? 'It came so from the clinic.' : oneOf(slipWords, random)(born.name)),
    better: step.why,
    shows: [
      {
        ...shows,
        outcome: sheet && there ? judgedAs(sheet, there, fault) : fault.outcome,
        by: seen?.by ?? fault.by,
        ...(value === undefined ? {} : { value }),
        ...(there === undefined ? {} : { sheet: there }),
      },
      ...placesOn(route, showsLater[kind] ?? [], order, random, (id) => after.has(id), shows.tooth),
    ],
    state: 'live',
  }
}

const slipWords: readonly ((step: string) => string)[] = [
  (step) => `The hand slipped at "${step}".`,
  (step) => `It happened at "${step}": somebody was called away.`,
]

/** Some places of a sheet are set right, others are asked about. */
function judgedAs(sheet: StepSheet, there: SheetData, fault: Fault): FailingOutcome {
  const { outcome } = judgeSheet(sheet, there, () => undefined)
  return outcome.verdict === 'pass' ? fault.outcome : outcome
}
