import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { type CauseHow, type LabCalendar, openingsBetween, seededRandom } from '@yentrik/core'
import type { LotRow } from '../database/entities.ts'
import type { DemoCase } from './demo-lab.ts'

const DAY = 24 * 60 * 60_000
const MINUTE = 60_000

/** The invented year in demo/year.json: what a small lab did before the day of the demo. */
interface DemoYear {
  readonly seed: number
  readonly days: number
  readonly casesAWeek: number
  readonly firstDocket: number
  /** Each with its prescriber. */
  readonly clinics: readonly (readonly [string, string])[]
  readonly onTime: number
  /** Of how many cases the date was promised by the plan. */
  readonly promised: number
  readonly paces: Readonly<Record<string, number>>
  readonly kinds: readonly YearKind[]
  readonly lots: readonly YearLot[]
}
interface YearKind {
  readonly job: string
  readonly share: number
  readonly wanted: string
  readonly choices: Readonly<Record<string, readonly string[]>>
  readonly teeth?: readonly number[]
  readonly turnDays: number
  readonly faults: readonly {
    readonly rate: number
    readonly step: string
    readonly check: string
    readonly answer: string
    readonly goBackTo: string
    readonly remake?: boolean
    readonly reason: string
    /** Where the fault finder has a list of it. */
    readonly place?: string
    /** It comes of the stone: so often as its lot has it. */
    readonly stone?: boolean
    readonly causes: readonly (readonly [string, CauseHow?])[]
  }[]
}
interface YearLot {
  readonly materialId: string
  readonly number: string
  /** Days of the year in which it was in use. */
  readonly from: number
  readonly until: number
  /** What comes of the stone comes so often with it. */
  readonly stoneRate?: number
  /** It lay at the bench of these jobs: of how many it was taken. */
  readonly jobs?: Readonly<Record<string, number>>
}
export interface YearCase {
  readonly demo: DemoCase
  readonly lotOf: (materialId: string) => string | undefined
}

/** A weekend and a holiday are over within so many. */
const WORKING_TIME_WITHIN_DAYS = 5

/** The same year every time, ending some days before now. */
export function demoYear(
  now: number,
  calendar: LabCalendar,
): { readonly cases: readonly YearCase[]; readonly lots: readonly LotRow[] } {
  const year = JSON.parse(
    readFileSync(new URL('../../../demo/year.json', import.meta.url), 'utf8'),
  ) as DemoYear
  const random = seededRandom(year.seed)
  const begins = now - (year.days + WORKING_TIME_WITHIN_DAYS) * DAY
  const rows = year.lots.map((lot): LotRow & YearLot => ({
    ...lot,
    lotId: randomUUID(),
    productId: null,
    receivedAt: new Date(begins + lot.from * DAY).toISOString(),
    expiresOn: new Date(begins + (lot.until + 300) * DAY).toISOString().slice(0, 10),
    openedOn: null,
    receivedGrams: null,
    lowBelowGrams: null,
    quarantine: null,
    enlargement: null,
    inUse: false,
  }))
  const count = Math.round((year.days / 7) * year.casesAWeek)
  const cases = Array.from({ length: count }, (_, n): YearCase => {
    const day = ((n + random()) * year.days) / count
    const ends = workingTime(begins + day * DAY, calendar, random)
    const kind = pick(year.kinds, ({ share }) => share, random)
    const lots = rows.filter(
      ({ from, until, jobs }) => day >= from && day < until && (!jobs || random() < (jobs[kind.job] ?? 0)),
    )
    const stoneRate = lots.find((lot) => lot.materialId === 'high-strength-stone')?.stoneRate
    const [clinic, prescriber] = year.clinics[Math.floor(random() * year.clinics.length)]!
    const chance = [0.95, 0.9, 0.9, 0.8, 0.7][Math.floor(random() * 5)]!
    const isPromised = random() < year.promised
    const inTime = random() < (isPromised ? chance : year.onTime)
    // Late by an hour or so: no case here is worked in less.
    const due = ends + (inTime ? 2 + random() * 28 : -0.5 - random()) * 60 * MINUTE
    return {
      demo: {
        docket: `K-${year.firstDocket + n}`,
        ...{ clinic, prescriber },
        patientCode: `P-${1000 + n}`,
        patientAge: 30 + Math.floor(random() * 55),
        wanted: kind.wanted,
        ...(kind.teeth ? { teeth: kind.teeth } : {}),
        job: kind.job,
        choices: Object.fromEntries(
          Object.entries(kind.choices).map(([matter, of]) => [matter, of[Math.floor(random() * of.length)]!]),
        ),
        dueInHours: (due - now) / (60 * MINUTE),
        enclosures: [],
        upTo: null,
        minutesAgo: (now - ends) / MINUTE,
        incidents: kind.faults.flatMap((fault) => incidentOf(fault, stoneRate, random)),
        ...(isPromised ? { promisedChance: chance } : {}),
        paceOf: (stepId) => year.paces[stepId] ?? 1,
      },
      lotOf: (materialId) => lots.find((lot) => lot.materialId === materialId)?.lotId,
    }
  })
  const lots = rows.map(({ number, from: _f, until: _u, stoneRate: _s, jobs: _j, ...row }) => ({
    number,
    ...row,
  }))
  return { cases, lots }
}

function incidentOf(
  fault: YearKind['faults'][number],
  stoneRate: number | undefined,
  random: () => number,
): NonNullable<DemoCase['incidents']> {
  const { rate, place, stone, causes, ...incident } = fault
  if (random() >= (stone ? (stoneRate ?? rate) : rate)) return []
  const [cause, how] = causes[Math.floor(random() * causes.length)]!
  // One in six is never said.
  if (random() < 1 / 6) return [incident]
  return [
    {
      ...incident,
      cause: { cause, ...(how ? { how } : {}), ...(place ? { place, fault: fault.answer } : {}) },
    },
  ]
}

/** A moment in the opening hours on or after a day. */
function workingTime(at: number, calendar: LabCalendar, random: () => number): number {
  const [day] = openingsBetween(calendar, at, at + WORKING_TIME_WITHIN_DAYS * DAY)
  return Math.round((day!.opens + (0.2 + 0.75 * random()) * (day!.closes - day!.opens)) / MINUTE) * MINUTE
}

function pick<T>(list: readonly T[], weight: (each: T) => number, random: () => number): T {
  let left = random() * list.reduce((sum, each) => sum + weight(each), 0)
  for (const each of list) {
    left -= weight(each)
    if (left < 0) return each
  }
  return list.at(-1)!
}
