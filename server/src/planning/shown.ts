import type {
  CasePlan,
  PlanBar,
  PlanCause,
  PlanLate,
  PlanRow,
  PlanShown,
  PlanTonight,
} from '@yentrik/contract'
import {
  type ChainLink,
  type Change,
  type LabEquipment,
  type LabToPlan,
  labHours,
  personHours,
  placesIn,
  type Skill,
  skillNames,
  stepKey,
  usualPerson,
  without,
} from '@yentrik/core'
import type { MadePlan, PlanService } from './plan.service.ts'

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
type Lab = LabToPlan

/** What screens see of the plan: from the morning of today on, so many days. */
export function shownPlan(made: MadePlan | undefined, lab: Lab, days: number, plans: PlanService): PlanShown {
  const { now, calendar, settings } = lab
  const { from, until } = span(lab, days)
  const open = labHours(calendar, settings.holidays, from, until)
  const common = {
    makesPlans: plans.isOn,
    now,
    from,
    until,
    open,
    people: people(lab, from, until),
    machines: machines(lab.equipment, from, until),
  }
  if (!made)
    return {
      ...common,
      madeAt: null,
      isSearching: false,
      bars: [],
      loads: [],
      cases: [],
      late: [],
      tonight: [],
      notPlanned: [],
      rounds: 0,
      worth: null,
    }
  const { board, desk } = made
  const isIn = ({ at, until: ends }: { at: number; until: number }) => ends >= from && at < until
  const pins = new Set(settings.pins.map(({ caseId, jobId, stepId }) => `${caseId}/${jobId}/${stepId}`))
  return {
    ...common,
    madeAt: made.madeAt,
    isSearching: desk.isSearching,
    bars: together(
      board.bars.filter(isIn).map((bar) => {
        const isPinned = bar.steps.some(({ stepId }) => pins.has(`${bar.caseId}/${bar.jobId}/${stepId}`))
        return isPinned ? { ...bar, pinned: true } : bar
      }),
    ),
    loads: loads(made).filter(isIn),
    cases: cases(made, lab),
    late: late(made, lab),
    tonight: tonight(made, lab),
    notPlanned: [
      ...lab.cases
        .filter(({ state }) => state.held)
        .map(({ caseId, state }) => ({ caseId, docket: state.docket, why: 'held' as const })),
      ...[...(made.relaxed.leaveOut ?? [])].map((caseId) => ({
        caseId,
        docket: made.live.find((each) => each.caseId === caseId)?.state.docket ?? caseId,
        why: 'noPlace' as const,
      })),
      ...plans.unreadable.map((caseId) => ({ caseId, docket: caseId, why: 'damaged' as const })),
    ],
    rounds: desk.rounds,
    worth: desk.worth,
  }
}

/** What the same hands do on a case without a pause is one bar. What is pinned, and what runs by itself, stays apart. */
function together(bars: PlanShown['bars']): PlanShown['bars'] {
  const shown: PlanBar[] = []
  const sorted = [...bars].sort((a, b) => (a.personId ?? '').localeCompare(b.personId ?? '') || a.at - b.at)
  for (const bar of sorted) {
    const before = shown.at(-1)
    const goesOn =
      before?.personId !== undefined &&
      before.personId === bar.personId &&
      before.caseId === bar.caseId &&
      before.jobId === bar.jobId &&
      before.until === bar.at &&
      !before.begun &&
      !before.pinned &&
      !bar.pinned
    if (goesOn)
      shown[shown.length - 1] = { ...before, until: bar.until, steps: [...before.steps, ...bar.steps] }
    else shown.push(bar)
  }
  return shown
}

function span({ now, calendar, settings }: Lab, days: number): { from: number; until: number } {
  const open = labHours(calendar, settings.holidays, now - DAY, now + (days + 14) * DAY)
  const today = open.findIndex(([, closes]) => closes > now)
  const first = open[today]
  const last = open[today + days - 1] ?? open.at(-1)
  if (!first || !last) return { from: now, until: now + days * DAY }
  // The last two hours are enough of the past.
  const from = Math.min(now - 30 * MINUTE, Math.max(first[0] - 30 * MINUTE, now - 120 * MINUTE))
  return { from, until: last[1] + 60 * MINUTE }
}

function people({ people: all, settings, calendar }: Lab, from: number, until: number): PlanRow[] {
  return all.map(({ id, name }) => ({
    id,
    name,
    open: personHours(settings.people[id] ?? usualPerson, calendar, settings.holidays, from, until),
  }))
}

function machines(equipment: readonly LabEquipment[], from: number, until: number): PlanRow[] {
  return equipment.flatMap((each) => {
    const places = placesIn(each)
    if (places === undefined) return []
    const spells = 'outOfOrder' in each ? (each.outOfOrder ?? []) : []
    const gone = spells.map((spell) => [Date.parse(spell.from), Date.parse(spell.until)] as const)
    return [
      {
        id: each.name,
        name: each.name,
        open: without([[from, until]], gone),
        places,
        kind: each.kind === 'station' ? each.what : each.kind,
        batch: each.kind !== 'station',
      },
    ]
  })
}
/** The plan of one case. @returns undefined when it is in no plan */
export function casePlan(
  made: MadePlan,
  caseId: string,
  nameOf: (personId?: string) => string,
): CasePlan | undefined {
  const { board, live, lab } = made
  const state = live.find((each) => each.caseId === caseId)?.state
  const endsAt = board.ends.get(caseId)
  if (!state || endsAt === undefined) return undefined
  const who = (personId: string | undefined) => (personId === undefined ? {} : { person: nameOf(personId) })
  return {
    endsAt,
    dueAt: Date.parse(state.authorisation.dueAt),
    steps: state.jobs.flatMap((job) =>
      job.route.steps.flatMap(({ id }) => {
        const planned = board.steps.get(stepKey(caseId, job.jobId, id))
        return planned
          ? [{ jobId: job.jobId, stepId: id, at: planned.at, until: planned.until, ...who(planned.personId) }]
          : []
      }),
    ),
    bars: together(board.bars.filter((bar) => bar.caseId === caseId))
      .map((bar) => ({ ...bar, ...who(bar.personId) }))
      .sort((a, b) => a.at - b.at),
    loads: loads(made).filter((load) => load.caseId === caseId),
    broken: lab.broken.filter((each) => each.caseId === caseId).map(({ stepId }) => stepId),
  }
}

/** Places and machines that cases take, with the program that runs in them. */
function loads({ lab, desk, board }: MadePlan): PlanShown['loads'] {
  const clock = (minute: number) => lab.base + minute * MINUTE
  const step = new Map(desk.plan.steps.map((each) => [each.id, each]))
  const hold = new Map(lab.instance.holds.map((each) => [each.id, each]))
  const kinds = new Map(lab.instance.steps.map((each) => [each.id, each]))
  const dockets = new Map(board.bars.map(({ caseId, docket }) => [caseId, docket]))
  return desk.plan.holds.flatMap(({ id, machineId }) => {
    const { fromStep, toStep, toEvent, programStep } = hold.get(id)!
    const [begins, ends] = [step.get(fromStep)!, step.get(toStep)!]
    const runs = programStep === undefined ? undefined : step.get(programStep)!
    const task = lab.tasks.get(fromStep)!
    const program = programStep === undefined ? undefined : kinds.get(programStep)
    return [
      {
        id,
        machine: machineId,
        caseId: task.caseId,
        docket: dockets.get(task.caseId) ?? task.caseId,
        at: clock(begins.startMinute),
        until: clock(toEvent === 'end' ? ends.endMinute : ends.startMinute),
        ...(runs
          ? {
              runs: {
                at: clock(runs.startMinute),
                until: clock(runs.endMinute),
                program: program?.kind === 'program' ? program.program : '',
              },
            }
          : {}),
      },
    ]
  })
}

function cases({ lab, board, desk, live, relaxed }: MadePlan, { settings }: Lab): PlanShown['cases'] {
  return live.flatMap(({ caseId, state }) => {
    const endsAt = board.ends.get(caseId)
    if (endsAt === undefined) return []
    const broken = lab.broken
      .filter((each) => each.caseId === caseId)
      .map(({ jobId, stepId }) => ({
        stepId,
        name:
          state.jobs.find((job) => job.jobId === jobId)?.route.steps.find(({ id }) => id === stepId)?.name ??
          stepId,
      }))
    const chance = desk.chances?.[state.docket]
    return [
      {
        caseId,
        docket: state.docket,
        jobName: state.jobs.map((job) => job.route.name).join(', '),
        clinic: state.authorisation.clinic,
        dueAt: Date.parse(state.authorisation.dueAt),
        endsAt,
        priority: settings.priorities[caseId] ?? 1,
        ...(chance === undefined ? {} : { chance }),
        ...(broken.length > 0 ? { broken } : {}),
        ...(relaxed.letPinsGo?.has(caseId) ? { pinLost: true as const } : {}),
      },
    ]
  })
}

function late(made: MadePlan, lab: Lab): PlanLate[] {
  const { desk, lab: instance, live } = made
  const clock = (minute: number) => instance.base + minute * MINUTE
  const names = new Map(lab.people.map(({ id, name }) => [id, name]))
  const stepName = (id: string) =>
    instance.tasks
      .get(id)
      ?.steps.map(({ name }) => name)
      .at(0) ?? ''
  const ends = new Map(desk.plan.steps.map(({ id, endMinute }) => [id, endMinute]))
  return desk.late.map(({ caseId: docket, chain, advice }) => {
    const caseId = instance.caseIds.get(docket)!
    const due = Date.parse(live.find((each) => each.caseId === caseId)!.state.authorisation.dueAt)
    const endsAt = clock(Math.max(...chain.map(({ stepId }) => ends.get(stepId) ?? 0)))
    return {
      caseId,
      docket,
      lateMinutes: Math.max(0, Math.round((endsAt - due) / MINUTE)),
      chain: chain.flatMap((link: ChainLink) => {
        const task = instance.tasks.get(link.stepId)!
        if (task.part === 'been') return []
        return [
          {
            barId: link.stepId,
            stepName: stepName(link.stepId),
            readyAt: clock(link.readyMinute),
            at: clock(link.startMinute),
            until: clock(link.endMinute),
            ...(link.cause ? { cause: causeOf(link.cause) } : {}),
          },
        ]
      }),
      advice: advice.map(({ change, soonerMinutes, endMinute }) => ({
        kind: change.kind,
        name: nameOf(change),
        soonerMinutes,
        onTime: clock(endMinute) <= due,
      })),
    }
  })

  function causeOf(cause: NonNullable<ChainLink['cause']>): PlanCause {
    if (cause.kind === 'heldBack')
      return { kind: 'heldBack', stepName: stepName(cause.stepId), withinMinutes: cause.withinMinutes }
    if (cause.kind === 'together')
      return { kind: 'together', dockets: cause.stepIds.map((id) => id.split('/')[0] ?? id) }
    if (cause.kind !== 'people' && cause.kind !== 'machine') return { kind: cause.kind }
    return {
      kind: cause.kind,
      by: cause.by.map(({ id, stepId, caseId, fromMinute, untilMinute }) => ({
        who: names.get(id) ?? id,
        at: clock(fromMinute),
        until: clock(untilMinute),
        ...(caseId === undefined ? {} : { docket: caseId }),
        ...(stepId === undefined ? {} : { stepName: stepName(stepId) }),
      })),
    }
  }
}

const nameOf = (change: Change): string =>
  change.kind === 'person' ? (skillNames[change.skill as Skill] ?? change.skill) : change.id

function tonight({ desk, lab: { base, tasks } }: MadePlan, lab: Lab): PlanTonight[] {
  const clock = (minute: number) => base + minute * MINUTE
  return desk.tonight.map((load) => {
    const card = lab.equipment.find(({ name }) => name === load.machineId)
    return {
      machine: load.machineId,
      kind: card?.kind ?? 'station',
      dockets: [...new Set(load.programs.map((id) => id.split('/')[0] ?? id))].sort(),
      loadBy: clock(load.loadByMinute),
      startsAt: clock(load.startMinute),
      runsMinutes: load.endMinute - load.startMinute,
      outAt: clock(load.outMinute),
      limit: load.limit,
      startsByTimer: card !== undefined && 'startsByTimer' in card && card.startsByTimer === true,
      caseIds: [...new Set(load.programs.flatMap((id) => tasks.get(id)?.caseId ?? []))],
    }
  })
}
