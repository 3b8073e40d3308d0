import { materials } from '../materials/index.ts'
import type { Defect } from './defect.ts'
import { parOf } from './expert.ts'
import { gravity } from './faults.ts'
import { type Decision, jobOf, minuteOf, type World } from './truth.ts'

/** The weights of a score, of 100 (choice). */
export const SCORE_WEIGHTS = { detection: 40, judgement: 20, time: 15, waste: 10, safety: 15 } as const
/** For each caution that was broken (choice). */
const LOST_PER_CAUTION = 5
/** Material against the expert's: full up to the first, none from the second on (choice). */
const WASTE = { full: 1.2, none: 3 } as const
/** What the whole is capped at when something wrong was delivered (choice). */
const CAPS = { one: 69, more: 49, remake: 39 } as const

export interface ScoreParts {
  readonly detection: number
  readonly judgement: number
  readonly time: number
  readonly waste: number
  readonly safety: number
}
export interface Score {
  readonly parts: ScoreParts
  /** Before what was delivered caps it. */
  readonly uncapped: number
  readonly total: number
  readonly cap?: number
}

/** What a score is worked out from. */
export interface Tally {
  /** Defects that could be seen by now, and how each was dealt with. */
  readonly seenable: number
  readonly found: number
  readonly weak: number
  readonly cleanLooks: number
  readonly falseAlarms: number
  /** Of par. */
  readonly handsRatio: number
  readonly clockRatio: number
  /** Material against the expert's. */
  readonly wasteRatio: number
  readonly broken: number
  /** By the gravity of each that was delivered. */
  readonly delivered: readonly ('lesser' | 'remake')[]
}

/**
 * The score of a practice case, 0 to 100.
 * @example 4 seen-able, 3 found, 20 clean looks with 1 false alarm, hands at 1.3 of par, one delivered: 84.5, capped at 69
 * Source: weights and caps are a choice of ours; they train judgement and are no exam of any authority.
 */
export function scoreOf(tally: Tally): Score {
  const { seenable, found, weak, cleanLooks, falseAlarms, broken, delivered } = tally
  const slow = Math.max(tally.handsRatio, tally.clockRatio)
  const parts: ScoreParts = {
    detection: SCORE_WEIGHTS.detection * (seenable === 0 ? 1 : (found + 0.5 * weak) / seenable),
    judgement: SCORE_WEIGHTS.judgement * (cleanLooks === 0 ? 1 : 1 - falseAlarms / cleanLooks),
    time: SCORE_WEIGHTS.time * share(2 - slow),
    waste: SCORE_WEIGHTS.waste * share((WASTE.none - tally.wasteRatio) / (WASTE.none - WASTE.full)),
    safety: Math.max(0, SCORE_WEIGHTS.safety - LOST_PER_CAUTION * broken),
  }
  const uncapped = Object.values(parts).reduce((sum, part) => sum + part, 0)
  const cap = delivered.includes('remake')
    ? CAPS.remake
    : delivered.length > 1
      ? CAPS.more
      : delivered.length === 1
        ? CAPS.one
        : undefined
  return { parts, uncapped, total: Math.min(uncapped, cap ?? 100), ...(cap === undefined ? {} : { cap }) }
}

const share = (value: number) => Math.min(1, Math.max(0, value))

/** How a defect was dealt with in the end. */
export type Dealt = 'found' | 'weak' | 'missed'
export function dealt({ state, foundAt, weak, missed }: Defect): Dealt {
  if (state === 'mended' && foundAt !== undefined && !(missed && weak)) return 'found'
  if (state === 'found') return 'found'
  if (foundAt === undefined) return 'missed'
  return state === 'delivered' && missed && !weak ? 'missed' : 'weak'
}

/** What a play comes to. */
export function tallyOf(world: World): Tally {
  const seenable = world.defects.filter(({ seenFrom }) => seenFrom !== undefined)
  const how = seenable.map(dealt)
  const places = cleanPlaces(world.decisions)
  const par = parOf(world)
  const used = usedGrams(world)
  return {
    seenable: seenable.length,
    found: how.filter((each) => each === 'found').length,
    weak: how.filter((each) => each === 'weak').length,
    cleanLooks: places.size,
    falseAlarms: [...places.values()].filter(Boolean).length,
    handsRatio: ratio(world.handsMinutes, par.handsMinutes),
    clockRatio: ratio(minuteOf(world) - world.excusedMinutes, par.clockMinutes),
    wasteRatio: ratio(used.learner, used.careful),
    broken: world.broken.length,
    delivered: world.defects
      .filter(({ state }) => state === 'delivered')
      .map(({ shows }) =>
        shows.some(({ outcome }) => gravity(outcome) === gravity({ verdict: 'remake' }))
          ? 'remake'
          : 'lesser',
      ),
  }
}

/** Where nothing was wrong, and whether something was called wrong there: each place of each attempt once. */
function cleanPlaces(decisions: readonly Decision[]): ReadonlyMap<string, boolean> {
  const places = new Map<string, boolean>()
  const wrong = new Set<string>()
  for (const { stepId, checkId, tooth, attempt, was } of decisions) {
    const place = `${stepId} ${checkId} ${tooth ?? ''} ${attempt}`
    if (was === 'falseAlarm' || was === 'rightPass')
      places.set(place, (places.get(place) ?? false) || was === 'falseAlarm')
    else wrong.add(place)
  }
  for (const place of wrong) places.delete(place)
  return places
}

const ratio = (value: number, par: number) => (par > 0 ? value / par : 1)

/** What was mixed, g and mL together, against what a careful hand needs for the steps that were mixed. */
function usedGrams(world: World): { readonly learner: number; readonly careful: number } {
  const job = jobOf(world)
  let learner = 0
  let careful = 0
  for (const step of job.route.steps) {
    const state = job.steps[step.id]!
    const all = [...state.past.flatMap(({ mixes }) => mixes), ...state.mixes]
    if (all.length === 0) continue
    for (const { powderGrams = 0, liquidMillilitres = 0 } of all) learner += powderGrams + liquidMillilitres
    for (const amount of step.amounts ?? []) {
      const { measure } = materials.get(amount.materialId) ?? {}
      if (amount.kind !== 'mix' || measure?.by !== 'mass') continue
      careful += amount.powderGrams * (1 + (amount.millilitresPerGram ?? measure.usualMillilitresPerGram))
    }
  }
  return { learner, careful }
}
