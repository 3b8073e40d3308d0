import {
  amountsIn,
  type CaseCommand,
  carefulWork,
  currentStep,
  type JobState,
  type LabCalendar,
  latestStart,
  obey,
  type RouteSource,
  type RouteStep,
  receiveCase,
  seededRandom,
  stepWindow,
  teethOf,
  type WorkingCase,
} from '@yentrik/core'
import type { DemoCase } from './demo-lab.ts'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
const JOB = 'job-1'

/** A command and the minutes that pass before it. Bound: the clock runs through, night or not. */
interface Planned {
  readonly command: CaseCommand
  readonly by: string
  readonly gapMinutes: number
  readonly bound: boolean
}

interface HistoryContext {
  readonly now: number
  readonly calendar: LabCalendar
  readonly people: readonly string[]
  readonly lotOf: (materialId: string) => string | undefined
  readonly house: RouteSource
  /** The lab with its address, as it stands on papers. */
  readonly lab: string
}

/** The invented past of a demo case: a careful technician works it up to where the demo wants it, ending `minutesAgo`. */
export function demoHistory(demo: DemoCase, context: HistoryContext): WorkingCase {
  const plan = planHistory(demo, context)
  const end = context.now - demo.minutesAgo * MINUTE
  const times = placeBackwards(plan, end, context)
  let working = receiveDemo(demo, (times[0] ?? end) - 10 * MINUTE, context)
  for (const [index, { command, by }] of plan.entries())
    working = obey(working, dated(command, times[index]!), times[index]!, by, context.house)
  return working
}

/** A case that leaves for its try-in is due back two days later, whenever that turns out to be. */
function dated(command: CaseCommand, at: number): CaseCommand {
  if (command.type !== 'recordSheet' || command.sheet.kind !== 'dispatch') return command
  return {
    ...command,
    sheet: { ...command.sheet, dueBackAt: new Date(at + 48 * HOUR).toISOString() },
  }
}

function receiveDemo(demo: DemoCase, at: number, { now, people, house }: HistoryContext): WorkingCase {
  const { docket, clinic, prescriber, patientCode, patientAge, wanted, teeth = [], shade, enclosures } = demo
  const dueAt = new Date(
    Math.round((now + demo.dueInHours * HOUR) / (30 * MINUTE)) * 30 * MINUTE,
  ).toISOString()
  const authorisation = {
    clinic,
    prescriber,
    patientCode,
    patientAge,
    wanted,
    teeth,
    shade,
    dueAt,
    enclosures,
  }
  return receiveCase(
    { docket, mark: 'demo', authorisation, jobs: [{ templateId: demo.job, choices: demo.choices }] },
    at,
    people[0]!,
    house,
  )
}

/** Works through the route on a clock that never sleeps, to learn what is done and how long it takes. */
function planHistory(demo: DemoCase, context: HistoryContext): Planned[] {
  const random = seededRandom([...demo.docket].reduce((sum, c) => sum * 31 + c.charCodeAt(0), 7))
  let clock = context.now - demo.minutesAgo * MINUTE - 60 * 24 * HOUR
  let working = receiveDemo(demo, clock, context)
  const plan: Planned[] = []
  const incidents = [...(demo.incidents ?? [])]
  const person = () => context.people[Math.floor(random() * context.people.length)]!
  const add = (command: CaseCommand, gapMinutes: number, bound: boolean, by: string) => {
    clock += gapMinutes * MINUTE
    working = obey(working, command, clock, by, context.house)
    plan.push({ command, by, gapMinutes, bound })
  }
  let by = person()
  if (demo.promisedChance !== undefined) {
    const { dueAt } = working.state.authorisation
    add({ type: 'promise', dueAt, chance: demo.promisedChance }, 0, true, by)
  }
  const setting = new Set<string>()
  for (;;) {
    const step = currentStep(working.state.jobs[0]!)
    if (!step) return plan
    const on = { jobId: JOB, stepId: step.id }
    const last = step.id === demo.upTo && incidents.length === 0
    if (last && !demo.start) break
    if (step.stage !== 'receive' && random() < 0.3) by = person()
    add({ type: 'startStep', ...on }, pause(step, random), isBound(step) || setting.size > 0, by)
    if (demo.note?.step === step.id) add({ type: 'note', ...on, text: demo.note.text }, 1, true, by)
    if (last) {
      if (demo.finally)
        add(
          {
            type: 'recordCheck',
            ...on,
            checkId: demo.finally.check,
            value: demo.finally.value,
            answer: demo.finally.answer,
          },
          3,
          true,
          by,
        )
      break
    }
    const hands = Math.max(
      1,
      Math.round(step.handsOnMinutes * (demo.paceOf?.(step.id) ?? 1) * (0.9 + 0.4 * random())),
    )
    const incident = incidents[0]?.step === step.id ? incidents.shift() : undefined
    if (incident) {
      const check = step.checks?.find(({ id }) => id === incident.check)
      const [tooth] = check ? teethOf(check, working.state.authorisation.teeth) : []
      const seen = { checkId: incident.check, answer: incident.answer, ...(tooth ? { tooth } : {}) }
      add({ type: 'recordCheck', ...on, ...seen } as CaseCommand, hands, true, by)
      add(
        {
          type: 'goBack',
          jobId: JOB,
          toStepId: incident.goBackTo,
          remake: incident.remake ?? false,
          reason: incident.reason,
        },
        1,
        true,
        by,
      )
      if (incident.cause) {
        const wentBack = working.state.sequence
        add({ type: 'findCause', jobId: JOB, wentBack, ...incident.cause }, 2, true, by)
      }
      continue
    }
    const entries: readonly CaseCommand[] = carefulWork(
      JOB,
      { ...step, amounts: amountsIn(working.state.jobs[0]!, step) },
      random,
      context.lotOf,
      working.state.authorisation,
    ).map((entry) =>
      entry.type === 'recordSheet' && entry.sheet.kind === 'release'
        ? { ...entry, sheet: { ...entry.sheet, places: [context.lab] } }
        : entry,
    )
    if (step.startWindow) setting.delete(`after ${step.startWindow.afterStepId}`)
    // What a clock counts from comes before the waiting.
    const mixes = entries.filter(setsClock)
    const begun = clock
    // Nobody goes home between a mix and what counts from it.
    if (mixes.length > 0 && countedFrom(working.state.jobs[0]!, step.id)) setting.add(step.id)
    const bound = () => setting.size > 0 || isBound(step) || step.wait !== undefined
    for (const [index, mix] of mixes.entries()) add(mix, index === 0 ? hands / 2 : 0, bound(), by)
    const opens = stepWindow(working.state.jobs[0]!, step)?.goodFrom ?? begun
    const usual = step.wait ? 0 : (step.waitMinutes ?? 0)
    const done = Math.max(begun + (step.wait ? 0 : hands + usual) * MINUTE, opens, clock)
    for (const entry of entries)
      if (!setsClock(entry)) add(entry, Math.max(0, Math.ceil((done - clock) / MINUTE)), bound(), by)
    add({ type: 'finishStep', ...on }, Math.max(0, Math.ceil((done - clock) / MINUTE)), bound(), by)
    if (step.wait?.ofMix) setting.delete(step.wait.ofMix.stepId)
    // Nor between a step and what must be begun soon after it.
    if (mustFollow(working.state.jobs[0]!, step.id)) setting.add(`after ${step.id}`)
  }
  if (demo.hold) add({ type: 'hold', reason: demo.hold }, 2, true, by)
  return plan
}

const setsClock = (entry: CaseCommand) =>
  entry.type === 'recordMix' || (entry.type === 'recordSheet' && entry.sheet.kind === 'disinfection')

/** Whether something on the route waits for what is mixed in a step. */
function countedFrom({ route }: JobState, stepId: string): boolean {
  return route.steps.some(({ wait }) => wait?.ofMix?.stepId === stepId)
}

/** Whether something on the route must be begun within minutes of a step. */
function mustFollow({ route }: JobState, stepId: string): boolean {
  return route.steps.some(
    ({ startWindow }) => startWindow?.afterStepId === stepId && startWindow.latestMinutes !== undefined,
  )
}

function pause(step: RouteStep, random: () => number): number {
  return isBound(step) ? 1 : 1 + Math.floor(random() * 9)
}

/** Receiving and whatever has a starting window follow at once. */
function isBound(step: RouteStep): boolean {
  return step.stage === 'receive' || step.startWindow !== undefined || step.pours !== undefined
}

/** Minutes before now that count as this shift, whatever the hour: the demo is always in mid-work. */
const THIS_SHIFT = 9 * 60

/** Clock times from the last one backwards: hands in opening hours, waits through the night. */
function placeBackwards(plan: readonly Planned[], end: number, { now, calendar }: HistoryContext): number[] {
  const times: number[] = []
  let cursor = end
  for (const { gapMinutes, bound } of [...plan].reverse()) {
    times.push(cursor)
    const pure = cursor - gapMinutes * MINUTE
    const thisShift = pure > now - THIS_SHIFT * MINUTE
    cursor =
      bound || thisShift
        ? pure
        : latestStart([{ handsOnMinutes: gapMinutes, waitMinutes: 0 }], cursor, calendar)
  }
  return times.reverse()
}
