import {
  type Bite,
  biteOf,
  checksMeaning,
  type JobState,
  lastSheetOf,
  type PaperMark,
  type RemountPhase,
  type RemountRound,
  type RemountSituation,
  remountPhases,
} from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** What the Remount screen holds. */
export interface RemountDraft {
  /** As typed; empty: to be read again. */
  readonly pin: string
  readonly fixing: RemountSituation['fixing']
  readonly seated: boolean
  readonly flash: boolean
  readonly baseTouches: boolean
  readonly stopsRight: string
  readonly stopsLeft: string
  readonly crossbite: boolean
  readonly scheme: NonNullable<RemountSituation['scheme']>
  readonly tipConsent: boolean
  readonly workingHeldApart: boolean
  readonly pinOnTable: boolean
  readonly strength: PaperMark['strength']
  readonly marks: readonly PaperMark[]
  readonly rounds: readonly RemountRound[]
  /** What was taken off before these rounds, in bites that are on record. */
  readonly removedBefore: NonNullable<RemountSituation['removed']>
  readonly foundRight: readonly RemountPhase[]
  /** The marks of the bites that were found right. */
  readonly contacts: readonly PaperMark[]
}

/** What the case says of it. */
export interface RemountOfCase {
  readonly dentures: NonNullable<RemountSituation['dentures']>
  readonly acceptedMillimetres?: number
}

export const emptyRemount: RemountDraft = {
  pin: '',
  fixing: 'glue',
  seated: true,
  flash: false,
  baseTouches: false,
  stopsRight: '',
  stopsLeft: '',
  crossbite: false,
  scheme: 'balanced',
  tipConsent: false,
  workingHeldApart: false,
  pinOnTable: false,
  strength: 'heavy',
  marks: [],
  rounds: [],
  removedBefore: [],
  foundRight: [],
  contacts: [],
}

/** An invented remount: the pin a little open, one side touching first. */
export const exampleRemount: RemountDraft = {
  ...emptyRemount,
  pin: '0.6',
  stopsRight: '3',
  stopsLeft: '1',
  marks: [
    { tooth: 46, region: 'buccalInner', bite: 'centric', strength: 'heavy' },
    { tooth: 47, region: 'buccalInner', bite: 'centric', strength: 'medium' },
  ],
}

const count = (text: string) => {
  const value = readNumber(text, '', { wanted: false }).value
  return value !== undefined && Number.isInteger(value) && value >= 0 && value <= 7 ? value : undefined
}
/** Why a number of stops is not one; undefined: it is, or is left out. */
export const stopsFault = (text: string) =>
  text.trim() !== '' && count(text) === undefined ? 'Enter a whole number from 0 to 7.' : undefined

/** How it stands, as the adviser takes it; undefined until the pin is read. */
export function situationOf(draft: RemountDraft, ofCase: RemountOfCase): RemountSituation | undefined {
  const pinMillimetres = readNumber(draft.pin, 'mm').value
  if (pinMillimetres === undefined) return undefined
  const [right, left] = [count(draft.stopsRight), count(draft.stopsLeft)]
  return {
    pinMillimetres,
    seated: draft.seated,
    fixing: draft.fixing,
    flash: draft.flash,
    baseTouches: draft.baseTouches,
    crossbite: draft.crossbite,
    scheme: draft.scheme,
    tipConsent: draft.tipConsent,
    workingHeldApart: draft.workingHeldApart,
    pinOnTable: draft.pinOnTable,
    ...ofCase,
    ...(right === undefined || left === undefined ? {} : { posteriorStops: { right, left } }),
    foundRight: draft.foundRight,
    removed: [...draft.removedBefore, ...draft.rounds.flatMap(({ ground }) => ground ?? [])],
  }
}

/** A round is ground: it goes on the list, its marks come off with the paper, and the pin is to be read again. */
export function groundRound(draft: RemountDraft, round: RemountRound, phase: RemountPhase): RemountDraft {
  const bite = biteOf(phase)
  const movesPin = bite === 'centric'
  return {
    ...draft,
    rounds: [...draft.rounds, round],
    marks: draft.marks.filter((mark) => mark.bite !== bite),
    pin: movesPin ? '' : draft.pin,
    ...(movesPin ? { stopsRight: '', stopsLeft: '' } : {}),
  }
}

/** The last round never was: its marks and its pin are back. */
export function withoutLastRound(draft: RemountDraft): RemountDraft {
  const last = draft.rounds.at(-1)
  if (!last) return draft
  return { ...draft, rounds: draft.rounds.slice(0, -1), marks: last.marks, pin: String(last.pinMillimetres) }
}

/** What the papers draw: the contacts of every bite found right, and of centric as it is marked now. */
export const contactsOf = ({ contacts, marks }: RemountDraft): readonly PaperMark[] => [
  ...contacts.filter(({ bite }) => bite !== 'centric' || !marks.some((mark) => mark.bite === 'centric')),
  ...marks.filter(({ bite }) => bite === 'centric'),
]

/** A bite was found right: the next one is marked. */
export function foundRight(draft: RemountDraft, phase: RemountPhase): RemountDraft {
  const bite: Bite = biteOf(phase)
  return {
    ...draft,
    foundRight: [...new Set([...draft.foundRight, phase])],
    contacts: [
      ...draft.contacts.filter((mark) => mark.bite !== bite),
      ...draft.marks.filter((mark) => mark.bite === bite),
    ],
    marks: draft.marks.filter((mark) => mark.bite !== bite),
    workingHeldApart: false,
    pinOnTable: false,
  }
}

/** The step at which the pin was first read. */
function openingRead(job: JobState) {
  const [first] = checksMeaning(job, 'pinOpening')
  return first && job.steps[first.step.id]
}

/** As the case has it: the bites before on record, how it is fixed, and the pin as it was read. */
export function remountFor(job: JobState, phase: RemountPhase): RemountDraft {
  const before = lastSheetOf(job, 'remount')
  const fixing = job.route.choices['remount-fixing']
  const pin = openingRead(job)?.readings.at(-1)?.value
  const known: RemountDraft = {
    ...emptyRemount,
    fixing: fixing === 'compound' || fixing === 'tape' ? fixing : 'glue',
  }
  if (!before) return { ...known, pin: pin === undefined ? '' : String(pin) }
  const { situation } = before
  return {
    ...known,
    fixing: situation.fixing,
    pin: String(situation.pinMillimetres),
    stopsRight: situation.posteriorStops ? String(situation.posteriorStops.right) : '',
    stopsLeft: situation.posteriorStops ? String(situation.posteriorStops.left) : '',
    crossbite: situation.crossbite ?? false,
    scheme: situation.scheme ?? 'balanced',
    tipConsent: situation.tipConsent ?? false,
    removedBefore: situation.removed ?? [],
    contacts: before.contacts ?? [],
    // What comes after the bite of this step is found there.
    foundRight: (situation.foundRight ?? []).filter(
      (each) => remountPhases.indexOf(each) < remountPhases.indexOf(phase),
    ),
  }
}

/** What the case says: which dentures may be ground, and what the dentist has accepted of the pin. */
export function ofCase(job: JobState | undefined): RemountOfCase {
  if (!job) return { dentures: 'both' }
  const { opponent, arch } = job.route.choices
  const natural = opponent === 'natural'
  const opening = openingRead(job)
  const accepted = opening?.readings.find(({ sequence }) => opening.accepted.includes(sequence))?.value
  return {
    dentures: natural ? (arch === 'lower' ? 'lower' : 'upper') : 'both',
    ...(accepted === undefined ? {} : { acceptedMillimetres: accepted }),
  }
}

/** The bites of this remount, each with what is wanted of it. */
export const phaseWords: Readonly<Record<RemountPhase, readonly [name: string, wanted: string]>> = {
  centric: ['Centric', 'until the pin touches'],
  right: ['Right', 'canine, two back teeth'],
  left: ['Left', 'the same'],
  protrusive: ['Forwards', 'slopes, both sides'],
  centricAgain: ['Centric again', '3 stops a side, even'],
}
