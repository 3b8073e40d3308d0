import { randomInt, randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type {
  Body,
  Person,
  PracticeCase,
  PracticeDebrief,
  PracticeRoom,
  PracticeShort,
  PracticeStanding,
  PracticeStep,
} from '@yentrik/contract'
import {
  actsBefore,
  beginPractice,
  debriefOf,
  hintOf,
  kindsToPractise,
  knownKinds,
  LARGEST_SEED,
  mondayBefore,
  PRACTICE_VERSION,
  type PracticeAct,
  type PracticeSetup,
  playedOn,
  routeTemplates,
  sensitivity,
  showAll,
  type World,
} from '@yentrik/core'
import { DataSource, type EntityManager } from 'typeorm'
import { toRecord } from '../case/cases.service.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { PracticeActRow, PracticeCaseRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { PeopleService } from '../people/people.service.ts'
import { addedUp, metBy, outcomeOf, type PracticeOutcome } from './practice-outcome.ts'

/** Worlds kept in memory; any other is played again from its acts. */
const KEPT_WORLDS = 30
/** Of a list, the last ones. */
const MOST_LISTED = 100
/** Faults that a focused case is chosen from. */
const FOCUS_KINDS = 8
const EIGHT_HOURS_MILLIS = 8 * 60 * 60_000

/** A practice case in memory. */
interface Kept {
  readonly row: PracticeCaseRow
  readonly world: World
  readonly acts: number
}

/**
 * Practice: its own tables, its own clock, nothing of the lab. The truth of a case leaves the server with its debrief alone;
 * what is kept is how the case began and what was done, so that it can always be played again.
 */
@Injectable()
export class PracticeService {
  private readonly kept = new Map<string, Kept>()

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly settings: LabSettingsService,
    private readonly people: PeopleService,
  ) {}

  async room(me: Person): Promise<PracticeRoom> {
    const rows = await this.rowsOf(me)
    const outcomes = rows
      .filter(({ personId }) => personId === me.personId)
      .flatMap(({ outcome }) => (outcome ? [outcome as PracticeOutcome] : []))
    const counts = addedUp(outcomes)
    const told = sensitivity(counts.found, counts.defects, counts.falseAlarms, counts.cleanLooks)
    const names = await this.names()
    return {
      cases: rows.map((row) => shortOf(row, names)),
      met: metBy(outcomes),
      counts,
      ...(told ? { sensitivity: told } : {}),
    }
  }

  /** @throws {Refusal}, {DomainError} as the core's `beginPractice` */
  async begin(
    { templateId, choices = {}, level, seed, missedMost }: Body<'POST /practice'>,
    me: Person,
  ): Promise<PracticeCase> {
    const { calendar, variants } = await this.settings.lab()
    const drawn = seed ?? randomInt(LARGEST_SEED + 1)
    const setup: PracticeSetup = {
      templateId,
      choices: { ...variants[templateId], ...choices },
      level,
      seed: drawn,
      ...(missedMost ? { focus: await this.focusOf(me, templateId, drawn) } : {}),
    }
    return this.store(setup, beganOn(this.clock.now(), calendar.timeZone), [], me)
  }

  /** @throws {Refusal} `no-such-practice` */
  async open(practiceId: string, me: Person): Promise<PracticeCase> {
    return this.caseOf(await this.load(practiceId, me))
  }

  /** @throws {Refusal} `no-such-practice`, `stale`; {DomainError} as the core's `practise` */
  async act(
    practiceId: string,
    { seen, acts }: Body<'POST /practice/:practiceId/acts'>,
    me: Person,
  ): Promise<PracticeStep> {
    const { before, after } = await this.queue.write(async (manager) => {
      const before = await this.load(practiceId, me, manager)
      mustBeOwn(before.row, me)
      if (before.acts !== seen) throw stale()
      const world = playedOn(before.world, acts, me.name)
      await manager.insert(
        PracticeActRow,
        acts.map((act, index) => ({ practiceId, sequence: before.acts + index + 1, act })),
      )
      const row: PracticeCaseRow = world.closed
        ? { ...before.row, closed: world.closed, outcome: outcomeOf(world) }
        : before.row
      if (world.closed) await manager.upsert(PracticeCaseRow, row, ['practiceId'])
      return { before, after: { row, world, acts: before.acts + acts.length } }
    })
    this.keep(after)
    return { ...standing(after), record: recordOf(after, before.world.working.events.length) }
  }

  /** @throws {Refusal} `no-such-practice`; {DomainError} `practice-open` */
  async debrief(practiceId: string, me: Person): Promise<PracticeDebrief> {
    return this.debriefOf(await this.load(practiceId, me))
  }

  /** @throws {Refusal} `no-such-practice`; {DomainError} `practice-open`: while it goes on nobody begins it twice */
  async again(practiceId: string, stepId: string, me: Person): Promise<PracticeCase> {
    const { row, world } = await this.load(practiceId, me)
    debriefOf(world)
    const acts = await this.actsOf(practiceId)
    return this.store(row.setup as PracticeSetup, row.beganAt, actsBefore(acts, stepId), me)
  }

  /** @throws {Refusal} `no-such-practice`, `no-exam`; {DomainError} `practice-open` */
  async sign(practiceId: string, me: Person): Promise<PracticeDebrief> {
    const loaded = await this.load(practiceId, me)
    debriefOf(loaded.world)
    if ((loaded.row.setup as PracticeSetup).level !== 'exam')
      throw new Refusal(
        409,
        'no-exam',
        'This was no exam.',
        'Sign the result of an exam; practice is not signed.',
      )
    const row: PracticeCaseRow = {
      ...loaded.row,
      signed: loaded.row.signed ?? { by: me.name, at: new Date(this.clock.now()).toISOString() },
    }
    await this.queue.write((manager) => manager.upsert(PracticeCaseRow, row, ['practiceId']))
    const signed = { ...loaded, row }
    this.keep(signed)
    return this.debriefOf(signed)
  }

  private async store(
    setup: PracticeSetup,
    beganAt: number,
    acts: readonly PracticeAct[],
    me: Person,
  ): Promise<PracticeCase> {
    const practiceId = `practice-${randomUUID()}`
    const kept = await this.queue.write(async (manager) => {
      const docket = await nextDocket(manager)
      const begun = beginPractice(setup, beganAt, docket, me.name)
      const world = playedOn(begun, acts, me.name)
      const row: PracticeCaseRow = {
        practiceId,
        docket,
        personId: me.personId,
        setup,
        beganAt,
        begunAt: new Date(this.clock.now()).toISOString(),
        closed: null,
        outcome: null,
        signed: null,
      }
      await manager.insert(PracticeCaseRow, row)
      for (const [index, act] of acts.entries())
        await manager.insert(PracticeActRow, { practiceId, sequence: index + 1, act })
      return { row, world, acts: acts.length }
    })
    this.keep(kept)
    return this.caseOf(kept)
  }

  private async caseOf(kept: Kept): Promise<PracticeCase> {
    return {
      ...standing(kept),
      record: recordOf(kept, 0),
      short: shortOf(kept.row, await this.names()),
      version: PRACTICE_VERSION,
    }
  }

  private async debriefOf({ row, world }: Kept): Promise<PracticeDebrief> {
    return {
      debrief: debriefOf(world),
      short: shortOf(row, await this.names()),
      version: PRACTICE_VERSION,
      ...(row.signed ? { signed: row.signed } : {}),
    }
  }

  /** One's own; a lead sees those of all. @throws {Refusal} `no-such-practice` */
  private async load(practiceId: string, me: Person, manager?: EntityManager): Promise<Kept> {
    const known = this.kept.get(practiceId)
    const row =
      known?.row ?? (await (manager ?? this.dataSource.manager).findOneBy(PracticeCaseRow, { practiceId }))
    if (!row || (row.personId !== me.personId && me.role !== 'lead'))
      throw new Refusal(
        404,
        'no-such-practice',
        'There is no such practice case of yours.',
        'Choose one on Practise.',
      )
    if (known) return known
    const acts = await this.actsOf(practiceId, manager)
    const names = await this.names()
    const by = names.get(row.personId) ?? me.name
    const world = playedOn(beginPractice(row.setup as PracticeSetup, row.beganAt, row.docket, by), acts, by)
    const loaded = { row, world, acts: acts.length }
    this.keep(loaded)
    return loaded
  }

  private keep(kept: Kept): void {
    const { practiceId } = kept.row
    this.kept.delete(practiceId)
    this.kept.set(practiceId, kept)
    const [oldest] = this.kept.keys()
    if (this.kept.size > KEPT_WORLDS && oldest !== undefined) this.kept.delete(oldest)
  }

  private async actsOf(
    practiceId: string,
    manager: EntityManager = this.dataSource.manager,
  ): Promise<readonly PracticeAct[]> {
    const rows = await manager.find(PracticeActRow, { where: { practiceId }, order: { sequence: 'ASC' } })
    return rows.map(({ act }) => act as PracticeAct)
  }

  private rowsOf(me: Person): Promise<PracticeCaseRow[]> {
    return this.dataSource.manager.find(PracticeCaseRow, {
      where: me.role === 'lead' ? {} : { personId: me.personId },
      order: { begunAt: 'DESC' },
      take: MOST_LISTED,
    })
  }

  private async focusOf(me: Person, templateId: string, seed: number): Promise<string[]> {
    const rows = await this.dataSource.manager.findBy(PracticeCaseRow, { personId: me.personId })
    const met = metBy(rows.flatMap(({ outcome }) => (outcome ? [outcome as PracticeOutcome] : [])))
    return kindsToPractise([...knownKinds(templateId)], met, seed).slice(0, FOCUS_KINDS)
  }

  private async names(): Promise<ReadonlyMap<string, string>> {
    return new Map((await this.people.all()).map(({ personId, name }) => [personId, name]))
  }
}

const standing = ({ row, world, acts }: Kept): PracticeStanding => {
  const hint = hintOf(world)
  return {
    practiceId: row.practiceId,
    acts,
    now: world.now,
    handsMinutes: world.handsMinutes,
    seen: showAll(world),
    ...(hint === undefined ? {} : { hint }),
    closed: world.closed ?? null,
  }
}

/** Its events are numbered like any other's: the last one seen is how many there were. */
const recordOf = ({ row, world }: Kept, after: number) => toRecord(row.practiceId, world.working, after)

function shortOf(row: PracticeCaseRow, names: ReadonlyMap<string, string>): PracticeShort {
  const { templateId, level, seed } = row.setup as PracticeSetup
  const outcome = row.outcome as PracticeOutcome | null
  return {
    practiceId: row.practiceId,
    docket: row.docket,
    templateId,
    jobName: routeTemplates.get(templateId)?.name ?? templateId,
    level,
    seed,
    person: names.get(row.personId) ?? '',
    begunAt: Date.parse(row.begunAt),
    closed: row.closed,
    ...(outcome ? { total: outcome.total } : {}),
  }
}

/** Its week begins on the Monday of this one, at eight. */
const beganOn = (now: number, timeZone: string): number => mondayBefore(now, timeZone) + EIGHT_HOURS_MILLIS

async function nextDocket(manager: EntityManager): Promise<string> {
  const taken = await manager.count(PracticeCaseRow)
  return `P-${String(taken + 1).padStart(4, '0')}`
}

function mustBeOwn(row: PracticeCaseRow, me: Person): void {
  if (row.personId !== me.personId)
    throw new Refusal(
      403,
      'not-your-practice',
      'This is the practice of somebody else.',
      'Begin one of your own; its seed may be the same.',
    )
}

const stale = () =>
  new Refusal(
    409,
    'stale',
    'Another screen has worked on this practice case.',
    'Look at how it stands, then do it again if it still holds.',
  )
