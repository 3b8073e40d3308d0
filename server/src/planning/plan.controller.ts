import { Controller, Header } from '@nestjs/common'
import type { PlanDocument, PlanShown, Promised } from '@yentrik/contract'
import {
  buildRoute,
  type CaseState,
  caseToCome,
  checkPlanPerson,
  DomainError,
  fittingChoices,
  instantMillis,
  labInstance,
  NOT_YET,
  type Pin,
  routeTemplates,
  taskName,
  usualPerson,
} from '@yentrik/core'
import { LabClock } from '../clock/lab-clock.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { PeopleService } from '../people/people.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { calendarFile, holidaysOf, spellsOf } from './calendar-files.ts'
import { PlanFeeds } from './feeds.service.ts'
import { PlanService } from './plan.service.ts'
import { planCsv } from './plan-csv.ts'
import { PlanSettingsService } from './plan-settings.service.ts'
import { casePlan, shownPlan } from './shown.ts'

const MINUTE = 60_000

@Controller()
export class PlanController {
  constructor(
    private readonly plans: PlanService,
    private readonly settings: PlanSettingsService,
    private readonly feeds: PlanFeeds,
    private readonly people: PeopleService,
    private readonly labSettings: LabSettingsService,
    private readonly clock: LabClock,
  ) {}

  @Handles('GET /plan')
  async plan({ query }: Call<'GET /plan'>): Promise<PlanShown> {
    const made = await this.plans.current()
    // What has changed since is planned again in a moment.
    const toPlan = made
      ? { ...made.toPlan, now: this.clock.now(), settings: await this.settings.forPlan() }
      : (await this.plans.lab()).toPlan
    return shownPlan(made, toPlan, Number(query.days ?? 3), this.plans)
  }

  @Handles('GET /plan/cases/:caseId')
  async ofCase({ path: { caseId } }: Call<'GET /plan/cases/:caseId'>) {
    const made = await this.plans.current()
    return { plan: (made && casePlan(made, caseId, await this.nameOf())) ?? null }
  }

  @Handles('GET /plan/document')
  async document(): Promise<PlanDocument> {
    const made = await this.mustBeMade()
    const { toPlan } = made
    const names = Object.fromEntries([
      ...toPlan.people.map(({ id, name }) => [id, name] as const),
      ...[...made.lab.tasks.values()].map((task) => [task.id, taskName(task)] as const),
    ])
    return { base: made.lab.base, instance: made.lab.instance, plan: made.desk.plan, names }
  }

  @Handles('GET /plan/csv')
  @Header('content-type', 'text/csv; charset=utf-8')
  async csv(): Promise<string> {
    const made = await this.mustBeMade()
    return planCsv(made, await this.nameOf(), (await this.labSettings.lab()).calendar.timeZone)
  }

  @Handles('POST /plan/anew')
  anew(): void {
    this.plans.anew()
  }

  @Handles('POST /plan/promise')
  async promise({ body }: Call<'POST /plan/promise'>): Promise<Promised> {
    const template = routeTemplates.get(body.templateId)
    if (!template)
      throw new Refusal(
        422,
        'no-such-job',
        `There is no job ${body.templateId}.`,
        'Choose one of the list.',
        {
          field: 'templateId',
        },
      )
    await this.mustBeMade()
    const { toPlan } = await this.plans.lab()
    const { variants } = await this.labSettings.lab()
    const choices = fittingChoices(template, { ...variants[body.templateId], ...body.choices })
    const due = body.dueAt === undefined ? undefined : instantMillis(body.dueAt, 'dueAt')
    // Without a date it is to be ready as soon as it can without making others late: as if due far off.
    const state = caseToCome(
      buildRoute(template, choices),
      toPlan.now,
      due ?? toPlan.now + 30 * 24 * 60 * MINUTE,
    )
    const made = await this.mustBeMade()
    const lab = labInstance({
      ...toPlan,
      ...made.relaxed,
      cases: [...toPlan.cases, { caseId: NOT_YET, state }],
      settings: {
        ...toPlan.settings,
        priorities: { ...toPlan.settings.priorities, [NOT_YET]: body.priority ?? 1 },
      },
    })
    const clock = (minute: number) => lab.base + minute * MINUTE
    const found = await this.plans.put<'promise'>({
      kind: 'promise',
      instance: lab.instance,
      caseId: state.docket,
      ...(due === undefined ? {} : { dueMinute: Math.floor((due - lab.base) / MINUTE) }),
    })
    return {
      endsAt: clock(found.endMinute),
      by80: clock(found.by80),
      by95: clock(found.by95),
      ...(found.chance === undefined ? {} : { chance: found.chance }),
      pushes: found.pushes.map(({ caseId, laterMinutes, isLate }) => ({
        docket: caseId,
        laterMinutes,
        isLate,
      })),
    }
  }

  @Handles('POST /plan/latest-load')
  async latestLoad({ body }: Call<'POST /plan/latest-load'>) {
    const made = await this.mustBeMade()
    const task = [...made.lab.tasks.values()].find(
      ({ part, caseId, jobId, steps, begun }) =>
        part === 'run' &&
        !begun &&
        caseId === body.caseId &&
        jobId === body.jobId &&
        steps.some(({ stepId }) => stepId === body.stepId),
    )
    if (!task)
      throw new Refusal(
        422,
        'not-in-a-machine',
        'This step is not put into a machine any more.',
        'Choose a step that is still to come.',
        {
          field: 'stepId',
        },
      )
    const by = instantMillis(body.outBy, 'outBy')
    const found = await this.plans.put<'load'>({
      kind: 'load',
      programStep: task.id,
      outByMinute: Math.floor((by - made.lab.base) / MINUTE),
    })
    const clock = (minute: number) => made.lab.base + minute * MINUTE
    return {
      loadAt: clock(found.loadMinute),
      startsAt: clock(found.programMinute),
      outAt: clock(found.outMinute),
      ...(found.isTooLate ? { isTooLate: true } : {}),
    }
  }

  @Handles('GET /plan/settings')
  all() {
    return this.settings.all()
  }

  @Handles('PUT /plan/people/:personId')
  async person({ path: { personId }, body }: Call<'PUT /plan/people/:personId'>) {
    checkPlanPerson(body)
    await this.people.mustWorkHere(personId)
    await this.settings.change((before) => ({ ...before, people: { ...before.people, [personId]: body } }))
    return body
  }

  @Handles('POST /plan/calendar')
  async calendar({ body: { personId, calendar } }: Call<'POST /plan/calendar'>) {
    const now = this.clock.now()
    if (personId === undefined) {
      const days = holidaysOf(calendar, now)
      await this.settings.change((before) => ({
        ...before,
        holidays: [...before.holidays.filter(({ day }) => days.every((each) => each.day !== day)), ...days]
          .sort((a, b) => (a.day < b.day ? -1 : 1))
          .slice(0, 400),
      }))
      return { taken: days.length }
    }
    await this.people.mustWorkHere(personId)
    const taken = spellsOf(calendar, now)
    await this.settings.change((before) => {
      const person = before.people[personId] ?? usualPerson
      const isThere = (from: string, until: string) =>
        person.away.some((each) => each.from === from && each.until === until)
      const away = [...person.away, ...taken.filter(({ from, until }) => !isThere(from, until))].slice(-400)
      return { ...before, people: { ...before.people, [personId]: { ...person, away } } }
    })
    return { taken: taken.length }
  }

  @Handles('PUT /plan/holidays')
  holidays({ body: { holidays } }: Call<'PUT /plan/holidays'>) {
    return this.settings.change((before) => ({ ...before, holidays }))
  }

  @Handles('PUT /plan/minutes')
  minutes({ body: { templateId, stepId, hands, wait } }: Call<'PUT /plan/minutes'>) {
    if (!routeTemplates.get(templateId)?.steps.some(({ id }) => id === stepId))
      throw new Refusal(
        422,
        'no-such-step',
        `${templateId} has no step ${stepId}.`,
        'Choose a step of the route.',
        {
          field: 'stepId',
        },
      )
    return this.settings.change((before) => {
      const { [`${templateId}/${stepId}`]: _, ...others } = before.minutes
      const own = { ...(hands === undefined ? {} : { hands }), ...(wait === undefined ? {} : { wait }) }
      return {
        ...before,
        minutes: Object.keys(own).length === 0 ? others : { ...others, [`${templateId}/${stepId}`]: own },
      }
    })
  }

  @Handles('PUT /plan/priority/:caseId')
  async priority({ path: { caseId }, body: { priority } }: Call<'PUT /plan/priority/:caseId'>) {
    await this.mustBeLive(caseId)
    return this.settings.change((before) => ({
      ...before,
      priorities: { ...before.priorities, [caseId]: priority },
    }))
  }

  @Handles('POST /plan/pins')
  async pin({ body }: Call<'POST /plan/pins'>) {
    const pin: Pin = body
    if (pin.at === undefined && pin.personId === undefined)
      throw new Refusal(
        422,
        'pin-empty',
        'The pin says neither when nor who.',
        'Choose a time or a person.',
        { field: 'at' },
      )
    if (pin.at !== undefined && instantMillis(pin.at, 'at') < this.clock.now() - MINUTE)
      throw new Refusal(422, 'pin-past', 'That time is past.', 'Choose a time that is still to come.', {
        field: 'at',
      })
    if (pin.personId !== undefined) await this.people.mustWorkHere(pin.personId)
    const state = await this.mustBeLive(pin.caseId)
    if (
      !state.jobs.some(
        (job) => job.jobId === pin.jobId && job.route.steps.some(({ id }) => id === pin.stepId),
      )
    )
      throw new Refusal(
        422,
        'no-such-step',
        `The case has no step ${pin.stepId}.`,
        'Choose a step of its route.',
        {
          field: 'stepId',
        },
      )
    const { pins } = await this.settings.change((before) => ({
      ...before,
      pins: [...before.pins.filter((each) => !isSame(each, pin)), pin].slice(-500),
    }))
    return pins
  }

  @Handles('POST /plan/unpin')
  async unpin({ body }: Call<'POST /plan/unpin'>) {
    const { pins } = await this.settings.change((before) => ({
      ...before,
      pins: before.pins.filter((each) => !isSame(each, body)),
    }))
    return pins
  }

  @Handles('GET /plan/feeds')
  allFeeds() {
    return this.feeds.all()
  }

  @Handles('POST /plan/feeds')
  async give({ body: { personId } }: Call<'POST /plan/feeds'>) {
    if (personId !== undefined) await this.people.mustWorkHere(personId)
    return this.feeds.give(personId ?? null, new Date(this.clock.now()).toISOString())
  }

  @Handles('DELETE /plan/feeds/:feedId')
  async takeBack({ path: { feedId } }: Call<'DELETE /plan/feeds/:feedId'>): Promise<void> {
    await this.feeds.take(feedId)
  }

  @Handles('GET /calendar/:secret')
  @Header('content-type', 'text/calendar; charset=utf-8')
  @Header('cache-control', 'no-store')
  async feed({ path: { secret } }: Call<'GET /calendar/:secret'>): Promise<string> {
    const feed = await this.feeds.bySecret(secret.replace(/\.ics$/, ''))
    if (!feed)
      throw new Refusal(
        404,
        'no-such-feed',
        'This calendar address is not given out.',
        'Ask the lab for another one.',
      )
    const made = await this.plans.current()
    const nameOf = await this.nameOf()
    const { labName } = await this.labSettings.lab()
    const bars = (made?.board.bars ?? []).filter(({ personId }) =>
      feed.personId === null ? true : personId === feed.personId,
    )
    return calendarFile(
      feed.personId === null ? labName : `${nameOf(feed.personId)}, ${labName}`,
      bars,
      nameOf,
    )
  }

  private async nameOf(): Promise<(personId?: string) => string> {
    const names = new Map((await this.people.all()).map(({ personId, name }) => [personId, name]))
    return (personId) => (personId === undefined ? '' : (names.get(personId) ?? ''))
  }

  private async mustBeMade() {
    const made = await this.plans.settled()
    if (!made)
      throw new DomainError(
        'no-plan-yet',
        'There is no plan.',
        'Take a case in, or switch planning on for this server.',
      )
    return made
  }

  /** @throws {Refusal} `not-planned` */
  private async mustBeLive(caseId: string): Promise<CaseState> {
    const { toPlan } = await this.plans.lab()
    const found = toPlan.cases.find((each) => each.caseId === caseId)
    if (!found)
      throw new Refusal(
        404,
        'not-planned',
        'This case is not in work.',
        'Choose a case that is still to be finished.',
      )
    return found.state
  }
}

const isSame = (a: Pick<Pin, 'caseId' | 'jobId' | 'stepId'>, b: Pick<Pin, 'caseId' | 'jobId' | 'stepId'>) =>
  a.caseId === b.caseId && a.jobId === b.jobId && a.stepId === b.stepId
