import { Inject, Injectable, Logger, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import {
  type CaseState,
  checkInstance,
  type DeskPlan,
  DomainError,
  type LabEquipment,
  type LabInstance,
  type LabToPlan,
  type LiveCase,
  labHours,
  labInstance,
  type Plan,
  type PlanBoard,
  type PlannedWorkOf,
  planBoard,
  routeTemplates,
  stepKey,
} from '@yentrik/core'
import type { Subscription } from 'rxjs'
import { CaseStore } from '../case/case-store.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { PeopleService } from '../people/people.service.ts'
import { MachineRuns } from '../program/machine-runs.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { PlanSettingsService } from './plan-settings.service.ts'
import { PlanThread, type Question } from './plan-thread.ts'

const MINUTE = 60_000
/** Changes so close together make one plan. */
const QUIET_MILLIS = 30
/** The clock goes on: what should have begun meanwhile is laid again. */
const STALE_MINUTES = 5
/** A start that moves by less is the same for whoever looks. */
const SAME_MINUTES = 10
/** Cases that are planned; of more those due first. */
const MOST_PLANNED = 400
const SEED = 1
const LONGEST_WAIT_MILLIS = 10_000
/** Plans that overtake one another while somebody waits. */
const MOST_TRIES = 5
/** Let go one after the other: pins that cannot be kept, longest waits that cannot, then the case. */
type Relaxed = Pick<LabToPlan, 'letPinsGo' | 'letWaitsGo' | 'leaveOut'>

/** What is planned, and of which lab. */
export interface MadePlan {
  readonly lab: LabInstance
  readonly live: readonly LiveCase[]
  readonly desk: DeskPlan
  readonly madeAt: number
  /** The lab as it stood. */
  readonly toPlan: LabToPlan
  readonly relaxed: Relaxed
  readonly board: PlanBoard
}

/** The plan of the lab: made when somebody looks at it first, again after every change, with as little moved as can be. */
@Injectable()
export class PlanService implements OnModuleInit, OnApplicationShutdown {
  private readonly logger = new Logger('plan')
  private readonly thread = new PlanThread((plan) => this.heard(plan))
  private made: MadePlan | undefined
  private asked:
    | {
        readonly lab: LabInstance
        readonly live: readonly LiveCase[]
        readonly relaxed: Relaxed
        readonly madeAt: number
        readonly toPlan: LabToPlan
      }
    | undefined
  private turn = 0
  private mark = ''
  private isAnew = false
  private damaged: readonly string[] = []
  private timer?: NodeJS.Timeout
  private making: Promise<void> = Promise.resolve()
  private isWanted = false
  private readonly first: (() => void)[] = []
  private changes?: Subscription

  constructor(
    private readonly store: CaseStore,
    private readonly settings: LabSettingsService,
    private readonly plans: PlanSettingsService,
    private readonly people: PeopleService,
    private readonly machines: MachineRuns,
    private readonly clock: LabClock,
    private readonly live: LiveService,
    @Inject(SETTINGS) private readonly server: ServerSettings,
  ) {}

  onModuleInit(): void {
    this.changes = this.live.heard.subscribe(({ kind }) => {
      if (kind === 'plan' || kind === 'case' || kind === 'lab' || kind === 'machines' || kind === 'clock')
        this.changed()
    })
  }

  async onApplicationShutdown(): Promise<void> {
    clearTimeout(this.timer)
    this.changes?.unsubscribe()
    await this.thread.close()
  }

  get isOn(): boolean {
    return (this.server.planRounds ?? 0) > 0
  }

  /** Cases that are damaged: their record cannot be read. */
  get unreadable(): readonly string[] {
    return this.damaged
  }

  /** The plan that there is; the first time it is waited for. */
  async current(): Promise<MadePlan | undefined> {
    if (!this.isOn) return undefined
    const isFirst = !this.isWanted
    this.isWanted = true
    if (isFirst || (this.made && this.clock.now() - this.made.madeAt > STALE_MINUTES * MINUTE)) this.make()
    if (!this.made) await this.nextPlan()
    return this.made
  }
  /** The plan that there is, without waiting. */
  now(): MadePlan | undefined {
    if (this.isOn && !this.isWanted) void this.current()
    return this.made
  }

  /** Once all that is asked for is planned: for those who have just changed something. */
  async settled(): Promise<MadePlan | undefined> {
    if (!this.isOn) return undefined
    await this.current()
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      if (this.timer) this.make()
      await this.making
      if (!this.timer && this.made?.desk.turn === this.turn) break
      await this.nextPlan()
    }
    return this.made
  }

  /** The next plan that comes, or some seconds. */
  private nextPlan(): Promise<void> {
    return new Promise((resolve) => {
      this.first.push(resolve)
      setTimeout(resolve, LONGEST_WAIT_MILLIS).unref()
    })
  }

  /** Without regard to the plan that there is. */
  anew(): void {
    this.isAnew = true
    this.make()
  }

  private changed(): void {
    if (!this.isOn || !this.isWanted) return
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.make(), QUIET_MILLIS)
    this.timer.unref()
  }

  private make(): void {
    clearTimeout(this.timer)
    this.timer = undefined
    this.making = this.making
      .then(() => this.ask({}, this.isAnew ? undefined : this.made?.desk.plan))
      .catch((error: unknown) => this.logger.error(`The lab was not planned: ${String(error)}`))
    this.isAnew = false
  }

  private async ask(relaxed: Relaxed, from: Plan | undefined): Promise<void> {
    const { toPlan, calendar } = await this.lab()
    const lab = labInstance({ ...toPlan, ...relaxed, ...(from ? { previous: from } : {}) })
    this.turn++
    this.asked = { lab, live: toPlan.cases, relaxed, madeAt: toPlan.now, toPlan }
    this.send(lab, calendar, from, toPlan.now)
  }

  private send(lab: LabInstance, calendar: LabToPlan['calendar'], from: Plan | undefined, now: number): void {
    checkInstance(lab.instance)
    const minute = (ms: number) => Math.round((ms - lab.base) / MINUTE)
    const open = labHours(calendar, [], now, now + 14 * 24 * 60 * MINUTE)
    const today = open.find(([, closes]) => closes > now)
    const next = open.find(([opens]) => today !== undefined && opens >= today[1])
    this.thread.plan({
      kind: 'plan',
      turn: this.turn,
      instance: lab.instance,
      ...(from ? { from } : {}),
      seed: SEED,
      rounds: this.server.planRounds ?? 0,
      night: [minute(today?.[1] ?? now), minute(next?.[0] ?? now)],
    })
  }

  /** The lab as it stands, to be planned. */
  async lab(): Promise<{ toPlan: LabToPlan; calendar: LabToPlan['calendar'] }> {
    const [{ calendar }, plans, everybody, equipment, runningIn, summaries] = await Promise.all([
      this.settings.lab(),
      this.plans.forPlan(),
      this.people.all(),
      this.settings.list<LabEquipment>('equipment'),
      this.machines.runningWork(),
      this.store.summaries('live'),
    ])
    const cases: LiveCase[] = []
    const damaged: string[] = []
    const first = [...summaries].sort((a, b) => a.dueAt - b.dueAt).slice(0, MOST_PLANNED)
    for (const { caseId } of first) {
      const state = await this.stateOf(caseId)
      if (state) cases.push({ caseId, state })
      else damaged.push(caseId)
    }
    this.damaged = damaged
    return {
      calendar,
      toPlan: {
        now: this.clock.now(),
        calendar,
        people: everybody
          .filter(({ role }) => role !== 'reader')
          .map(({ personId, name }) => ({ id: personId, name })),
        equipment,
        settings: plans,
        cases,
        templates: routeTemplates,
        runningIn,
      },
    }
  }

  private async stateOf(caseId: string): Promise<CaseState | undefined> {
    try {
      return (await this.store.load(caseId))?.state
    } catch {
      // The record says itself that it is damaged; the others are planned.
      return undefined
    }
  }

  private heard(desk: DeskPlan): void {
    const { asked } = this
    if (!asked || desk.turn !== this.turn) return
    if (desk.unplaced.length > 0) {
      this.making = this.making
        .then(() => this.ask(this.relaxedFor(asked, desk.unplaced), desk.plan))
        .catch((error: unknown) => this.logger.error(`The lab was not planned: ${String(error)}`))
      return
    }
    const board = planBoard(asked.lab, asked.live, desk.plan)
    const mark = markOf(board)
    const isNew = mark !== this.mark
    this.mark = mark
    this.made = { ...asked, desk, board }
    for (const done of this.first.splice(0)) done()
    // Screens ask again only where somebody would do something else, or at another time.
    if (isNew) this.live.announce({ kind: 'planned' })
  }

  /** Something of those without a place is let go, one thing after the other. */
  private relaxedFor(
    { lab, relaxed }: NonNullable<PlanService['asked']>,
    unplaced: readonly string[],
  ): Relaxed {
    const {
      letPinsGo = new Set<string>(),
      letWaitsGo = new Set<string>(),
      leaveOut = new Set<string>(),
    } = relaxed
    const ids = unplaced.map((docket) => lab.caseIds.get(docket)!)
    const withPins = ids.filter((id) => !letPinsGo.has(id) && lab.pinned.has(id))
    const withWaits = ids.filter((id) => !withPins.includes(id) && !letWaitsGo.has(id))
    const others = ids.filter((id) => !withPins.includes(id) && !withWaits.includes(id))
    return {
      letPinsGo: new Set([...letPinsGo, ...withPins]),
      letWaitsGo: new Set([...letWaitsGo, ...withWaits]),
      leaveOut: new Set([...leaveOut, ...others]),
    }
  }

  /** When each step is planned, by the plan that there is; without waiting for one. */
  async plannedWork(): Promise<PlannedWorkOf> {
    const made = this.now()
    if (!made) return () => undefined
    const names = new Map((await this.people.all()).map(({ personId, name }) => [personId, name]))
    const due = new Map(made.live.map(({ caseId, state }) => [caseId, Date.parse(state.authorisation.dueAt)]))
    return (caseId, jobId, stepId) => {
      const step = made.board.steps.get(stepKey(caseId, jobId, stepId))
      if (!step) return undefined
      const person = step.personId === undefined ? undefined : names.get(step.personId)
      return {
        at: step.at,
        slackMillis: Math.max(0, (due.get(caseId) ?? 0) - (made.board.ends.get(caseId) ?? 0)),
        ...(step.personId === undefined ? {} : { personId: step.personId }),
        ...(person === undefined ? {} : { person }),
      }
    }
  }

  /** A question to the planner about the plan that there is. @throws {DomainError} `no-plan` */
  async put<K extends Question['kind']>(question: Omit<Extract<Question, { kind: K }>, 'ask'>) {
    await this.settled()
    const answer = await this.thread.ask<K>(question)
    if (!answer)
      throw new DomainError(
        'no-plan',
        'There is no place for it within the time that is planned.',
        'Look at the plan: is there somebody who can do it, and a machine for it?',
      )
    return answer
  }
}

/** What a plan says, to some minutes: what goes on meanwhile moves it by seconds at every look. */
function markOf({ steps, ends }: PlanBoard): string {
  const near = (at: number) => Math.round(at / (SAME_MINUTES * MINUTE))
  return JSON.stringify([
    [...steps].map(([key, { at, personId }]) => [key, near(at), personId]),
    [...ends].map(([caseId, at]) => [caseId, near(at)]),
  ])
}
