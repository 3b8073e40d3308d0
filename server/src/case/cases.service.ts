import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { Body, CaseRecord, Chain } from '@yentrik/contract'
import {
  type CaseCommand,
  type CaseEvent,
  type CaseSummary,
  fittingChoices,
  instantMillis,
  type LabProduct,
  looseLink,
  mustBeKnownCause,
  namedRoutes,
  obey,
  receiveCase,
  routeTemplates,
  takeBack,
  type WorkingCase,
} from '@yentrik/core'
import { EntityManager, In } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { CaseSummaryRow, CommandKeyRow, LabProductRow, LabSettingRow, LotRow } from '../database/entities.ts'
import { eventHash } from '../database/event-hash.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { CaseStore, touchesShelf } from './case-store.ts'
import { house } from './house.ts'

@Injectable()
export class CasesService {
  constructor(
    private readonly store: CaseStore,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  summaries(which: 'live' | 'closed' | 'all'): Promise<CaseSummary[]> {
    return this.store.summaries(which)
  }

  /** What follows a committed change: lists in memory, then every screen. */
  async committed(summary: CaseSummary, added: readonly CaseEvent[]): Promise<void> {
    await this.store.remember(summary)
    this.live.announce({ kind: 'case', caseId: summary.caseId, sequence: summary.sequence, summary })
    if (touchesShelf(added)) this.live.announce({ kind: 'lots' })
    if (added.some(({ type }) => type === 'causeFound')) this.live.announce({ kind: 'quality' })
  }

  /** @throws {Refusal} `no-such-case` */
  async summary(caseId: string): Promise<CaseSummary> {
    const summary = await this.store.summary(caseId)
    if (!summary) throw noSuchCase(caseId)
    return summary
  }

  /** A case, or what came on it after an event. @throws {Refusal} `no-such-case` */
  async record(caseId: string, after = 0): Promise<CaseRecord> {
    const working = await this.store.load(caseId)
    if (!working) throw noSuchCase(caseId)
    return toRecord(caseId, working, after)
  }

  /** Whether every event still fits the one before it, and the hash of the newest. @throws {Refusal} `no-such-case` */
  async chain(caseId: string): Promise<Chain> {
    const { events } = await this.record(caseId)
    return {
      events: events.length,
      newest: eventHash(events.at(-1)!),
      looseAt: looseLink(events, eventHash) ?? null,
    }
  }

  /** @throws {Refusal} `no-such-docket` */
  async byDocket(docket: string): Promise<{ caseId: string }> {
    const caseId = await this.store.caseIdOf(docket.toUpperCase())
    if (!caseId)
      throw new Refusal(
        404,
        'no-such-docket',
        `There is no case ${docket}.`,
        'Check the code, or take it in as a new case.',
      )
    return { caseId }
  }

  /** Takes a case in, with the lab's variants where the intake makes no choice and they go with those it makes. @throws {Refusal} `docket-taken` */
  async receive(intake: Body<'POST /cases'>, by: string): Promise<CaseRecord> {
    const { calendar, variants } = await this.settings.lab()
    const jobs = intake.jobs.map((job) => {
      const template = routeTemplates.get(job.templateId)
      const wished = { ...variants[job.templateId], ...job.choices }
      return {
        ...job,
        choices: template ? { ...fittingChoices(template, wished), ...job.choices } : wished,
      }
    })
    const caseId = randomUUID()
    const { working, summary } = await this.queue.write(async (manager) => {
      const docket = await freeDocket(manager, intake.docket)
      const { authorisation } = intake
      const now = this.clock.now()
      const taken = receiveCase({ authorisation, docket, jobs }, now, by, house)
      const { dueAt } = taken.state.authorisation
      const chance = intake.promisedChance
      const received =
        chance === undefined ? taken : obey(taken, { type: 'promise', dueAt, chance }, now, by, house)
      const added = await this.store.append(manager, caseId, received, received.events, calendar)
      return { working: received, summary: added }
    })
    if (summary) await this.committed(summary, working.events)
    return toRecord(caseId, working)
  }

  /**
   * Takes a delivered case back: the new case, and where it went on the record of the first, both or neither.
   * @throws {Refusal} `no-such-case`, `docket-taken`; {DomainError} as the core's `takeBack`
   */
  async takeBack(
    firstId: string,
    returned: Body<'POST /cases/:caseId/return'>,
    by: string,
  ): Promise<CaseRecord> {
    const { calendar } = await this.settings.lab()
    const caseId = randomUUID()
    const { taken, summaries } = await this.writeOn(firstId, async (manager) => {
      const first = await this.store.load(firstId, manager)
      if (!first) throw noSuchCase(firstId)
      const docket = await freeDocket(manager, returned.docket)
      const taken = takeBack(first, firstId, { ...returned, docket, caseId }, this.clock.now(), by, house)
      const came = taken.first.events.slice(-1)
      return {
        taken,
        summaries: [
          await this.store.append(manager, caseId, taken.back, taken.back.events, calendar),
          await this.store.append(manager, firstId, taken.first, came, calendar),
        ],
      }
    })
    this.store.keepAtHand(firstId, taken.first)
    for (const summary of summaries) if (summary) await this.committed(summary, [])
    return toRecord(caseId, taken.back)
  }

  /**
   * Gives a command to a case.
   * @param seen the last event the person had seen
   * @param sent `key`: one for each command, sent again with the same it is done once; `doneAt`: where a bench has kept it
   * @returns the new event, or the one that the same command became before
   * @throws {Refusal} `no-such-case`; `stale` with what came since; {DomainError} as the core's `decide`
   */
  async command(
    caseId: string,
    seen: number,
    command: CaseCommand,
    by: string,
    { key, doneAt }: Pick<Body<'POST /cases/:caseId/events'>, 'key' | 'doneAt'>,
  ): Promise<CaseEvent> {
    const { calendar } = await this.settings.lab()
    const done = await this.writeOn(caseId, async (manager) => {
      const working = await this.store.load(caseId, manager)
      if (!working) throw noSuchCase(caseId)
      const before = key && (await eventOfKey(manager, key, caseId, working))
      if (before) return { event: before }
      if (working.state.sequence !== seen) throw stale(working, seen)
      if (command.type === 'recordMix') await lotsMustBeUsable(manager, command.lots)
      // What was really taken is told, even of a lot that nobody may take any more.
      if (command.type === 'correct') await lotsOf(manager, command.lots ?? [])
      if (command.type === 'recordSheet' && command.sheet.kind === 'charge')
        await lotsMustBeUsable(
          manager,
          command.sheet.pieces.flatMap(({ lots }) => lots.map(({ lotId }) => lotId)),
        )
      const sheet = command.type === 'recordSheet' || command.type === 'correct' ? command.sheet : undefined
      if (sheet?.kind === 'burnout' && sheet.run.hotEntry)
        await mustBeMarkedForHotEntry(manager, working.state.lots)
      if (command.type === 'findCause') mustBeKnownCause(command)
      const done = doneAt === undefined ? undefined : instantMillis(doneAt, 'doneAt')
      const following = obey(working, command, this.clock.now(), by, house, done, this.clock.speed)
      const added = following.events.at(-1)!
      const appended = await this.store.append(manager, caseId, following, [added], calendar)
      if (!appended) throw stale((await this.store.load(caseId, manager))!, seen)
      if (key)
        await manager.insert(CommandKeyRow, {
          key,
          caseId,
          sequence: added.sequence,
          at: new Date().toISOString(),
        })
      return { event: added, summary: appended, next: following }
    })
    if (done.summary) {
      this.store.keepAtHand(caseId, done.next)
      await this.committed(done.summary, [done.event])
    }
    return done.event
  }

  /** A write on a case; after one that failed, what is remembered of it is not trusted. */
  private async writeOn<T>(caseId: string, work: (manager: EntityManager) => Promise<T>): Promise<T> {
    try {
      return await this.queue.write(work)
    } catch (error) {
      this.store.dropFromHand(caseId)
      throw error
    }
  }
}

/** What came on a case after an event, and the routes that it names. */
export function toRecord(caseId: string, working: WorkingCase, after = 0): CaseRecord {
  const events = after === 0 ? working.events : working.events.filter(({ sequence }) => sequence > after)
  const routes = namedRoutes(events).map((routeId) => [routeId, working.routes.get(routeId)!] as const)
  return { caseId, events, routes: Object.fromEntries(routes) }
}

function noSuchCase(caseId: string): Refusal {
  return new Refusal(404, 'no-such-case', `There is no case ${caseId}.`, 'Go back to the list of cases.')
}

function stale(working: WorkingCase, seen: number): Refusal {
  const since = working.events.filter((e) => e.sequence > seen)
  const last = since.at(-1)
  const who = last ? `${last.by} has` : 'Somebody has'
  return new Refusal(
    409,
    'stale',
    `${who} worked on this case in the meantime.`,
    'Look at what was done, then do it again if it still holds.',
    { since },
  )
}

/** The event that a command with this key became before. @throws {Refusal} `key-of-another-case` */
async function eventOfKey(
  manager: EntityManager,
  key: string,
  caseId: string,
  { events }: WorkingCase,
): Promise<CaseEvent | undefined> {
  const known = await manager.findOneBy(CommandKeyRow, { key })
  if (!known) return undefined
  if (known.caseId !== caseId)
    throw new Refusal(
      409,
      'key-of-another-case',
      'This key was given to a command on another case.',
      'Give each command a key of its own.',
      { field: 'key' },
    )
  return events[known.sequence - 1]
}

async function lotsMustBeUsable(manager: EntityManager, lotIds: readonly string[]): Promise<void> {
  for (const lot of await lotsOf(manager, lotIds)) {
    if (lot.quarantine)
      throw new Refusal(
        422,
        'lot-in-quarantine',
        `Lot ${lot.number} is in quarantine: ${lot.quarantine}.`,
        'Take another lot, or ask the lead to release it.',
        { field: 'lots' },
      )
  }
}

/** @throws {Refusal} `no-such-lot` */
async function lotsOf(manager: EntityManager, lotIds: readonly string[]): Promise<readonly LotRow[]> {
  const found: LotRow[] = []
  for (const lotId of lotIds) {
    const lot = await manager.findOneBy(LotRow, { lotId })
    if (!lot)
      throw new Refusal(422, 'no-such-lot', `There is no lot ${lotId}.`, 'Choose a lot from the shelf.', {
        field: 'lots',
      })
    found.push(lot)
  }
  return found
}

/** What a burnout says of its product must be so on the shelf. @throws {Refusal} `not-marked-for-hot-entry` */
async function mustBeMarkedForHotEntry(manager: EntityManager, lotIds: readonly string[]): Promise<void> {
  const lots = await manager.findBy(LotRow, { lotId: In([...lotIds]) })
  const products = await manager.findBy(LabProductRow, {
    productId: In(lots.flatMap(({ productId }) => productId ?? [])),
  })
  if (!products.some(({ product }) => (product as LabProduct).hotEntry))
    throw new Refusal(
      422,
      'not-marked-for-hot-entry',
      'No product of this case is marked for a hot furnace.',
      'Record its lot with the mix, and mark the product on the shelf where its sheet says so.',
      { field: 'sheet.run.hotEntry' },
    )
}

/** The docket that was given, or the lab's next number. @throws {Refusal} `docket-taken` */
async function freeDocket(manager: EntityManager, given: string | undefined): Promise<string> {
  const docket = given?.toUpperCase() ?? (await nextDocket(manager))
  if (await manager.existsBy(CaseSummaryRow, { docket }))
    throw new Refusal(
      409,
      'docket-taken',
      `Docket ${docket} is in use.`,
      'Open that case, or use another code.',
      { field: 'docket' },
    )
  return docket
}

/** The lab's running number. */
async function nextDocket(manager: EntityManager): Promise<string> {
  const key = 'next-docket'
  const row = await manager.findOneBy(LabSettingRow, { key })
  let next = (row?.value as number | undefined) ?? 1
  while (await manager.existsBy(CaseSummaryRow, { docket: docketOf(next) })) next++
  await manager.upsert(LabSettingRow, { key, value: (next + 1) as unknown as object }, ['key'])
  return docketOf(next)
}

function docketOf(number: number): string {
  return `K-${String(number).padStart(4, '0')}`
}
