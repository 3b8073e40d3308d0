import { chargeOf, checkBurnoutRun, checkPiece, judgeBurnout } from '../casting/index.ts'
import { checkClosures, checkCureRun, judgeClosures, judgeCure } from '../curing/index.ts'
import { checkRegions, foundFaults, regionFaults } from '../inspection/index.ts'
import { materials } from '../materials/index.ts'
import { checkArticulator } from '../mounting/index.ts'
import { DomainError } from '../refusal/index.ts'
import { checkPrescription, checkSetUpReading, compareSetUp, planSetUp, stillToSet } from '../setup/index.ts'
import {
  checkFinishedPair,
  type FinishedPair,
  type PairEntry,
  type PlannedModel,
  planPair,
} from '../trimming/index.ts'
import { checkGroovePattern, checkSite, roomVerdict } from '../waxing/index.ts'
import type { Outcome } from './outcome.ts'
import type {
  ChangeOffer,
  DataOfKind,
  PartCount,
  SheetData,
  SheetKind,
  SheetOf,
  SheetOfKind,
  StepSheet,
  WantedChange,
} from './step-sheet.ts'

/** What a sheet comes to: what does not pass, and what to do about it. */
export interface SheetJudgement {
  /** Each as words; empty when all passes. */
  readonly faults: readonly string[]
  readonly outcome: Outcome
}
type Recorded = (of: SheetOf) => SheetData | undefined

interface SheetRule<K extends SheetKind> {
  /** Refuses entries that make no sense at all. */
  readonly check: (data: DataOfKind<K>, sheet: SheetOfKind<K>) => void
  readonly faults?: (data: DataOfKind<K>, sheet: SheetOfKind<K>, recorded: Recorded) => readonly string[]
  /** Where the sheet's own `failing` is not what to do. */
  readonly failing?: (
    data: DataOfKind<K>,
    sheet: SheetOfKind<K>,
    recorded: Recorded,
  ) => Exclude<Outcome, { verdict: 'pass' }> | undefined
}

const rules: { readonly [K in SheetKind]: SheetRule<K> } = {
  parts: {
    check: ({ parts }) => checkParts(parts),
    faults: ({ parts }, { returnOf }, recorded) => {
      const came = returnOf && recorded(returnOf)
      return came && 'parts' in came ? missingParts(came.parts, parts) : []
    },
  },
  places: {
    check: checkPlaces,
    faults: ({ places }, { min, max }) =>
      places
        .filter(({ value }) => value < (min ?? value) || value > (max ?? value))
        .map(({ place }) => place),
  },
  trimPlan: {
    check: ({ entry }) => {
      planPair(entry)
    },
  },
  finishedPair: {
    check: ({ pair }) => {
      const any = { sideDegrees: 0, frontDegrees: 0, heelDegrees: 0 }
      checkFinishedPair(pair, any, any)
    },
    faults: ({ pair }, { planOf }, recorded) => {
      const planned = recorded(planOf)
      if (planned?.kind !== 'trimPlan') return []
      return pairLines(planned.entry, pair)
        .filter(({ pass }) => !pass)
        .map(({ name }) => name)
    },
  },
  mounting: {
    check: checkMounting,
    faults: ({ pinMillimetres }) =>
      Math.abs(pinMillimetres) > PIN_TOLERANCE ? [`Pin at ${pinMillimetres} mm, not at zero`] : [],
  },
  prescription: { check: ({ prescription }) => checkPrescription(prescription) },
  setUpPlan: {
    check: ({ setUpEntry }) => {
      planSetUp(setUpEntry)
    },
  },
  teethSet: {
    check: ({ teeth }, { order }) => {
      stillToSet(order, teeth)
    },
    faults: ({ teeth }, { order }) => {
      const left = stillToSet(order, teeth)
      return left.length > 0 ? [`Not set yet: ${left.join(', ')}`] : []
    },
  },
  setUp: {
    check: ({ reading }) => checkSetUpReading(reading),
    faults: (data, sheet, recorded) =>
      setUpLines(data, sheet, recorded).flatMap(({ verdict, name, say }) =>
        verdict === 'pass' ? [] : [`${name}: ${say}`.replace(/\.$/, '')],
      ),
    failing: (data, sheet, recorded) =>
      setUpLines(data, sheet, recorded).some(({ verdict }) => verdict === 'ask')
        ? { verdict: 'askDentist', say: 'The set-up cannot be brought to the prescription. How shall it be?' }
        : undefined,
  },
  room: {
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
      sites.map((site) => roomVerdict(site).say.replace(/\.$/, '')).filter((say) => say !== ''),
    failing: ({ sites }) =>
      sites.some((site) => roomVerdict(site).verdict === 'noRoom')
        ? {
            verdict: 'askDentist',
            say: 'There is not enough room for the casting. Please prepare further, or say go on.',
          }
        : undefined,
  },
  grooves: { check: ({ tooth, patternId }) => checkGroovePattern(tooth, patternId) },
  regions: {
    check: ({ regions }, { drawing }) => checkRegions(drawing, regions),
    faults: ({ regions }, { drawing }) => regionFaults(drawing, regions),
    failing: ({ regions }, { drawing, remakeFrom }) => {
      const lost = foundFaults(drawing, regions).find(({ remake }) => remake)
      return lost && remakeFrom ? { verdict: 'remake', toStepId: remakeFrom, say: lost.say } : undefined
    },
  },
  burnout: {
    check: ({ run }, { binder }) => {
      if (run.binder !== binder)
        throw new DomainError(
          'other-binder',
          `The ring of this case is ${binder}-bonded.`,
          'Change the investment of the case, or choose its own here.',
          'binder',
        )
      checkBurnoutRun(run)
    },
    faults: ({ run }) => {
      const { verdict, say } = judgeBurnout(run)
      return verdict === 'goOn' ? [] : [say.replace(/\.$/, '')]
    },
    failing: ({ run }, { remakeFrom }) =>
      judgeBurnout(run).verdict === 'discard'
        ? { verdict: 'remake', toStepId: remakeFrom, say: 'Wax, invest and burn out again.' }
        : undefined,
  },
  cure: {
    check: ({ run }) => checkCureRun(run),
    faults: ({ run }) => {
      const { verdict, say } = judgeCure(run)
      return verdict === 'accept' ? [] : [say]
    },
    failing: ({ run }) =>
      judgeCure(run).verdict === 'porous'
        ? {
            verdict: 'askDentist',
            say: 'The resin has probably boiled inside. Process again, or open it and look?',
          }
        : undefined,
  },
  closures: {
    check: ({ closures }) => checkClosures(closures),
    faults: ({ closures }, limits) => judgeClosures(closures, limits).faults,
    failing: ({ closures }, limits) => ({ verdict: 'adjust', say: judgeClosures(closures, limits).next }),
  },
  charge: {
    check: ({ alloyId, pieces }) => {
      if (!materials.get(alloyId)?.alloy)
        throw new DomainError('no-such-alloy', `There is no alloy ${alloyId}.`, 'Choose an alloy.', 'alloyId')
      chargeOf(pieces)
      pieces.forEach(checkPiece)
      if (new Set(pieces.map(({ id }) => id)).size !== pieces.length)
        throw new DomainError('piece', 'A piece is there twice.', 'Take each piece once.', 'pieces')
    },
    faults: ({ pieces, needGrams = 0 }, { mostRemeltPercent }) => {
      const { grams, remeltShare } = chargeOf(pieces)
      const percent = 100 * remeltShare
      return [
        ...(percent > mostRemeltPercent + 1e-6
          ? [`${percent.toFixed(0)} % of it was melted before, at most ${mostRemeltPercent} % may be`]
          : []),
        ...(grams < needGrams - 0.005
          ? [`${grams.toFixed(2)} g are less than the ${needGrams.toFixed(2)} g worked out`]
          : []),
      ]
    },
  },
  button: {
    check: ({ grams }) => {
      if (!(grams >= 0 && grams <= 500))
        throw new DomainError(
          'reading-not-plausible',
          `A button of ${grams} g cannot be right.`,
          'Weigh it; 0 when it is scrapped.',
          'grams',
        )
    },
    faults: ({ grams }, { chargeOf: of }, recorded) => {
      const charge = recorded(of)
      return charge?.kind === 'charge' && grams > chargeOf(charge.pieces).grams
        ? [`${grams} g are more than was melted`]
        : []
    },
  },
  dispatch: {
    check: ({ parts, dueBackAt }) => {
      checkParts(parts)
      if (Number.isNaN(Date.parse(dueBackAt)))
        throw new DomainError(
          'no-date',
          'It does not say when it is due back.',
          'Enter the day and the time agreed with the clinic.',
          'dueBackAt',
        )
    },
  },
  tryInAnswer: {
    check: ({ changes }, { changes: offered }) => {
      for (const { change, words } of changes) {
        if (!offered.some(({ id }) => id === change))
          throw new DomainError(
            'no-such-change',
            `There is no change "${change}".`,
            'Reload the case.',
            'changes',
          )
        if (words.trim() === '')
          throw new DomainError(
            'words-missing',
            'A change does not say what is wanted.',
            'Write down what the note says of it.',
            'changes',
          )
      }
    },
    faults: ({ changes }, { changes: offered }) =>
      changes.map(({ change, words }) => `${offerOf(offered, change)?.name ?? change}: ${words}`),
    failing: ({ changes }, { changes: offered }) => {
      const first = firstChange(offered, changes)
      return (
        first && {
          verdict: 'goBack',
          toStepId: first.toStepId,
          say: 'Change it as the note says, from there on.',
        }
      )
    },
  },
}

const ruleOf = <K extends SheetKind>(kind: K): SheetRule<K> => rules[kind]

/**
 * Refuses a sheet whose entries make no sense at all.
 * @throws {DomainError} `sheet-kind`, `words-missing`, `count-out-of-range`, `reading-not-plausible`, `too-few-places`,
 * `photo-too-large`, `no-date`, `no-such-change`, `other-binder`, `no-such-alloy`, and the refusals of trimming, mounting,
 * setting up, waxing, inspection, curing and casting
 */
export function checkSheet(sheet: StepSheet, data: SheetData): void {
  if (sheet.kind !== data.kind)
    throw new DomainError(
      'sheet-kind',
      `"${sheet.name}" is another kind of sheet.`,
      'Reload the case.',
      'sheet',
    )
  ruleOf(data.kind).check(data as never, sheet as never)
}

/**
 * What a sheet comes to.
 * @param recorded gives the last sheet of an earlier step, for sheets that are held against one
 */
export function judgeSheet(sheet: StepSheet, data: SheetData, recorded: Recorded): SheetJudgement {
  if (sheet.kind !== data.kind) return { faults: [], outcome: { verdict: 'pass' } }
  const { faults, failing } = ruleOf(data.kind)
  const found = faults?.(data as never, sheet as never, recorded) ?? []
  if (found.length === 0) return { faults: [], outcome: { verdict: 'pass' } }
  return { faults: found, outcome: failing?.(data as never, sheet as never, recorded) ?? sheet.failing }
}

function missingParts(came: readonly PartCount[], here: readonly PartCount[]): string[] {
  return came.flatMap(({ name, count }) => {
    const found = here.find((part) => part.name === name)?.count ?? 0
    return found === count ? [] : [`${name}: ${found} of ${count}`]
  })
}

function checkParts(parts: readonly PartCount[]): void {
  if (parts.length === 0)
    throw new DomainError('words-missing', 'No part is on the list.', 'Enter what goes along.', 'parts')
  for (const { name, count } of parts) {
    if (name.trim() === '')
      throw new DomainError(
        'words-missing',
        'A part has no name.',
        'Name it, or take the line away.',
        'parts',
      )
    if (!(Number.isInteger(count) && count >= 0 && count <= 100))
      throw new DomainError(
        'count-out-of-range',
        `"${name}" cannot be there ${count} times.`,
        'Enter a whole number from 0 to 100.',
        'parts',
      )
  }
}

function checkPlaces({ places }: DataOfKind<'places'>, sheet: SheetOfKind<'places'>): void {
  if (places.length < sheet.leastPlaces)
    throw new DomainError(
      'too-few-places',
      `"${sheet.name}" has ${places.length} of ${sheet.leastPlaces} places.`,
      'Measure at more places.',
      'places',
    )
  const { min, max } = sheet.plausible
  for (const { place, value } of places)
    if (place.trim() === '' || !(value >= min && value <= max))
      throw new DomainError(
        'reading-not-plausible',
        `${value} at "${place}" cannot be right for "${sheet.name}".`,
        `Measure again and enter a number from ${min} to ${max}.`,
        'places',
      )
}

/** How near zero the pin must stand, mm (choice). */
const PIN_TOLERANCE = 0.1
/** Of a picture on record, characters: about 80 kB, enough to see the casts by. */
const LONGEST_PHOTO = 110_000

function checkMounting({ articulator, pinMillimetres, photo }: DataOfKind<'mounting'>): void {
  checkArticulator(articulator)
  if (!(Math.abs(pinMillimetres) <= 20))
    throw new DomainError(
      'reading-not-plausible',
      `A pin reading of ${pinMillimetres} mm cannot be right.`,
      'Read the scale again; enter at most 20 mm either way.',
      'pinMillimetres',
    )
  if (photo !== undefined && !(photo.startsWith('data:image/jpeg;base64,') && photo.length <= LONGEST_PHOTO))
    throw new DomainError(
      'photo-too-large',
      'The picture cannot be kept.',
      'Take it again, as a JPEG of at most 80 kB.',
      'photo',
    )
}

/** The measures of a set-up against the prescription that it was made by; none while that is not on record. */
export function setUpLines(
  { reading, tolerances }: DataOfKind<'setUp'>,
  { prescriptionOf }: Pick<SheetOfKind<'setUp'>, 'prescriptionOf'>,
  recorded: Recorded,
) {
  const wanted = recorded(prescriptionOf)
  return wanted?.kind === 'prescription' ? compareSetUp(wanted.prescription, reading, tolerances) : []
}

const offerOf = (offered: readonly ChangeOffer[], change: string) => offered.find(({ id }) => id === change)

/** The change whose step comes first on the route: going back to it opens all the others too. */
export function firstChange(
  offered: readonly ChangeOffer[],
  changes: readonly Pick<WantedChange, 'change'>[],
): ChangeOffer | undefined {
  return offered.find(({ id }) => changes.some(({ change }) => change === id))
}

/** The readings of a finished pair against the plan that it was trimmed by. */
export function pairLines(entry: PairEntry, pair: FinishedPair) {
  const { upper, lower } = planPair(entry)
  return checkFinishedPair(pair, plannedAngles(upper), plannedAngles(lower))
}

function plannedAngles({ plan }: PlannedModel) {
  return {
    sideDegrees: plan.sideAngleDegrees,
    ...(plan.front.kind === 'planes' ? { frontDegrees: plan.front.angleDegrees } : {}),
    heelDegrees: 180 - plan.heel.betaDegrees,
  }
}
