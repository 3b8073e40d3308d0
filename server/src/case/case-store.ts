import { Injectable } from '@nestjs/common'
import {
  type CaseEvent,
  type CaseEventData,
  type CaseSummary,
  caseSummary,
  type LabCalendar,
  lotShares,
  meltedCharges,
  namedRoutes,
  type Route,
  type RouteLookup,
  readRoute,
  routeTemplates,
  sheetsOfStock,
  standingMixes,
  type WorkingCase,
  workingCase,
} from '@yentrik/core'
import { DataSource, type EntityManager, LessThan, QueryFailedError } from 'typeorm'
import { writeAlloyPieces } from '../casting/alloy-pieces.ts'
import {
  CaseDigestRow,
  CaseEventRow,
  CaseSummaryRow,
  CommandKeyRow,
  LabSettingRow,
  LotUseRow,
  RouteCopyRow,
} from '../database/entities.ts'
import { eventHash } from '../database/event-hash.ts'
import { eventOf } from '../database/event-rows.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { letOthersIn } from './in-pieces.ts'

/** Cases kept in memory: what a lab has in work, a few kB each. */
const MOST_KEPT = 300

/** Goes up whenever `CaseSummary` gains or changes a field, so that kept summaries are made again. */
const SUMMARY_VERSION = 4

/** As many as are written in a few milliseconds (choice). */
const EVENTS_AT_ONCE = 100

const KEYS_KEPT_MILLIS = 30 * 24 * 3_600_000

/** Reads and writes cases: events, route copies and the summary that lists are made of. */
@Injectable()
export class CaseStore {
  /**
   * Cases as last read or committed, the longest unused first. Looked at against the record at every use: the last event names
   * the one before by its hash and so all of them, so that nothing is believed which was rolled back meanwhile.
   */
  private readonly kept = new Map<string, WorkingCase>()
  /** Route copies never change, so each is read once. */
  private readonly routes = new Map<string, Route>()
  /** The live cases in short as last committed: the bench asks for all of them at every change. */
  private live?: Promise<Map<string, CaseSummary>>

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
  ) {}

  /** @returns undefined when there is no such case @throws {Refusal} `case-damaged` */
  async load(
    caseId: string,
    manager: EntityManager = this.dataSource.manager,
  ): Promise<WorkingCase | undefined> {
    const known = this.kept.get(caseId)
    try {
      const last = await this.lastEvent(caseId, manager)
      if (last === undefined) return undefined
      if (known && eventHash(known.events.at(-1)!) === eventHash(last)) return known
      const working = await this.replayed(caseId, manager)
      this.keepAtHand(caseId, working)
      return working
    } catch (error) {
      throw damaged(error)
    }
  }

  private async replayed(caseId: string, manager: EntityManager): Promise<WorkingCase> {
    const events = await this.eventsOf(caseId, manager)
    const routes = new Map<string, Route>()
    for (const routeId of namedRoutes(events)) routes.set(routeId, await this.route(routeId, manager))
    return workingCase(events, routes, routeTemplates)
  }

  /** A case as its record has it, for whoever goes through all of them: nothing is kept at hand. @throws {Error} when it is damaged */
  async recordOf(
    caseId: string,
    manager: EntityManager = this.dataSource.manager,
  ): Promise<{ readonly events: readonly CaseEvent[]; readonly routeOf: RouteLookup }> {
    const events = await this.eventsOf(caseId, manager)
    const routes = new Map<string, Route>()
    for (const routeId of namedRoutes(events))
      routes.set(routeId, readRoute(await this.route(routeId, manager), routeTemplates))
    return { events, routeOf: (routeId) => routes.get(routeId)! }
  }

  private async lastEvent(caseId: string, manager: EntityManager): Promise<CaseEvent | undefined> {
    const row = await manager.findOne(CaseEventRow, { where: { caseId }, order: { sequence: 'DESC' } })
    return row ? eventOf(row, row.data) : undefined
  }

  private async eventsOf(caseId: string, manager: EntityManager): Promise<CaseEvent[]> {
    const rows = await manager.find(CaseEventRow, { where: { caseId }, order: { sequence: 'ASC' } })
    return rows.map((row) => eventOf(row, row.data))
  }

  /** Keeps a case as it stands, so that its next event costs no replay; the longest unused goes. */
  keepAtHand(caseId: string, working: WorkingCase): void {
    this.kept.delete(caseId)
    this.kept.set(caseId, working)
    const [oldest] = this.kept.keys()
    if (this.kept.size > MOST_KEPT && oldest !== undefined) this.kept.delete(oldest)
  }

  /** On any doubt: the next look reads the record. */
  dropFromHand(caseId: string): void {
    this.kept.delete(caseId)
  }

  private async route(routeId: string, manager: EntityManager): Promise<Route> {
    const known = this.routes.get(routeId)
    if (known) return known
    const row = await manager.findOneByOrFail(RouteCopyRow, { routeId })
    this.routes.set(routeId, row.route as Route)
    return row.route as Route
  }

  /**
   * Puts new events of a case on record, with the routes they name and the summary, inside the caller's transaction.
   * @returns the new summary, to be remembered once committed; undefined when another writer came first
   */
  async append(
    manager: EntityManager,
    caseId: string,
    working: WorkingCase,
    added: readonly CaseEvent[],
    calendar: LabCalendar,
  ): Promise<CaseSummary | undefined> {
    // Those that were named before are there already.
    for (const routeId of namedRoutes(added))
      await manager
        .createQueryBuilder()
        .insert()
        .into(RouteCopyRow)
        .values({ routeId, route: working.routes.get(routeId) as object })
        .orIgnore()
        .execute()
    try {
      for (let from = 0; from < added.length; from += EVENTS_AT_ONCE) {
        // A case from elsewhere brings thousands: whoever reads something else is answered in between.
        if (from > 0) await letOthersIn()
        await manager.insert(
          CaseEventRow,
          added.slice(from, from + EVENTS_AT_ONCE).map((event) => toRow(caseId, event)),
        )
      }
    } catch (error) {
      if (isTaken(error)) return undefined
      throw error
    }
    // What quality has worked out of it holds no more.
    await manager.delete(CaseDigestRow, { caseId })
    const summary = caseSummary(caseId, working.state, calendar)
    const closed = isClosed(summary)
    await manager.upsert(
      CaseSummaryRow,
      { caseId, docket: summary.docket, closed, summary: summary as object },
      ['caseId'],
    )
    if (touchesShelf(added)) await writeLotUses(manager, caseId, working)
    if (added.some(melts)) await writeAlloyPieces(manager, caseId, working)
    return summary
  }

  /** Takes a committed summary into memory; an older one never replaces a newer. */
  async remember(summary: CaseSummary): Promise<void> {
    const live = await this.liveSummaries()
    if ((live.get(summary.caseId)?.sequence ?? 0) > summary.sequence) return
    if (isClosed(summary)) live.delete(summary.caseId)
    else live.set(summary.caseId, summary)
  }

  async summaries(which: 'live' | 'closed' | 'all'): Promise<CaseSummary[]> {
    if (which === 'live') return [...(await this.liveSummaries()).values()]
    return this.read(this.dataSource.manager, which === 'closed' ? { closed: true } : {})
  }

  /** @returns undefined when there is no such case */
  async summary(caseId: string): Promise<CaseSummary | undefined> {
    const row = await this.dataSource.manager.findOneBy(CaseSummaryRow, { caseId })
    return row?.summary as CaseSummary | undefined
  }

  /** Read once, through the queue, so that nothing uncommitted is ever kept. */
  private liveSummaries(): Promise<Map<string, CaseSummary>> {
    this.live ??= this.queue.write(
      async (manager) =>
        new Map((await this.read(manager, { closed: false })).map((each) => [each.caseId, each])),
    )
    return this.live
  }

  private async read(manager: EntityManager, where: { readonly closed?: boolean }): Promise<CaseSummary[]> {
    const rows = await manager.find(CaseSummaryRow, { where })
    return rows.map((row) => row.summary as CaseSummary)
  }

  /** Nobody sends a command again after a month. */
  async forgetOldKeys(now = Date.now()): Promise<void> {
    const before = new Date(now - KEYS_KEPT_MILLIS).toISOString()
    await this.queue.write((manager) => manager.delete(CommandKeyRow, { at: LessThan(before) }))
  }

  /** Sums every case up again where the shape of a summary has changed since the file was last opened. */
  async renewSummaries(calendar: LabCalendar): Promise<void> {
    await this.queue.write(async (manager) => {
      const key = 'summary-version'
      const known = await manager.findOneBy(LabSettingRow, { key })
      if (known?.value === SUMMARY_VERSION) return
      for (const { caseId, docket } of await manager.find(CaseSummaryRow)) {
        // A damaged case keeps the summary that it has.
        const working = await this.load(caseId, manager).catch(() => undefined)
        if (!working) continue
        const summary = caseSummary(caseId, working.state, calendar)
        await manager.upsert(
          CaseSummaryRow,
          { caseId, docket, closed: isClosed(summary), summary: summary as object },
          ['caseId'],
        )
      }
      await manager.upsert(LabSettingRow, { key, value: SUMMARY_VERSION as unknown as object }, ['key'])
    })
  }

  async caseIdOf(docket: string): Promise<string | undefined> {
    return (await this.dataSource.manager.findOneBy(CaseSummaryRow, { docket }))?.caseId
  }
}

/** What may move the stock of alloy: a charge, a button, or that one of them was withdrawn. */
const melts = (event: CaseEvent) =>
  event.type === 'withdrawn' || (event.type === 'sheetRecorded' && sheetsOfStock.includes(event.sheet.kind))

/** Whether something was taken from the shelf, or given back to it. */
export function touchesShelf(events: readonly CaseEvent[]): boolean {
  return events.some(
    (event) => ['mixRecorded', 'corrected', 'withdrawn'].includes(event.type) || melts(event),
  )
}

function isClosed({ status }: CaseSummary): boolean {
  return status === 'ended' || status === 'delivered'
}

/** What the case has used of each lot, from its events: also what a remake used up counts. */
async function writeLotUses(
  manager: EntityManager,
  caseId: string,
  { events, routes }: WorkingCase,
): Promise<void> {
  const uses = new Map<string, LotUseRow>()
  const use = (lotId: string, grams: number, lastAt: string) => {
    const before = uses.get(lotId) ?? { lotId, caseId, powderGrams: 0, mixes: 0, lastAt }
    uses.set(lotId, { ...before, powderGrams: before.powderGrams + grams, mixes: before.mixes + 1, lastAt })
  }
  for (const mix of standingMixes(events)) {
    const shares = lotShares(mix)
    for (const [index, lotId] of mix.lots.entries())
      use(lotId, (mix.powderGrams ?? 0) * shares[index]!, mix.at)
  }
  for (const { lots, grams, at } of meltedCharges(events, (id) => routes.get(id)!))
    for (const { lotId, share } of lots) use(lotId, grams * share, at)
  await manager.delete(LotUseRow, { caseId })
  if (uses.size > 0) await manager.insert(LotUseRow, [...uses.values()])
}

/** One case that cannot be read is said of that case; the others work on. */
function damaged(error: unknown): Refusal {
  const fault = error instanceof Error ? error.message.replace(/\.$/, '') : String(error)
  return new Refusal(
    500,
    'case-damaged',
    `The record of this case is damaged: ${fault}.`,
    'The other cases work on. Settings names the last good backup: stop the server and restore it.',
  )
}

function toRow(caseId: string, event: CaseEvent): CaseEventRow {
  const { sequence, at, by, type, ...data } = event as CaseEvent & CaseEventData
  return { caseId, sequence, at, by, type, data }
}

/** Whether SQLite refused because the key is taken. */
export function isTaken(error: unknown): boolean {
  return (
    error instanceof QueryFailedError &&
    /^SQLITE_CONSTRAINT_(UNIQUE|PRIMARYKEY)$/.test(String((error.driverError as { code?: string }).code))
  )
}
