import { createHash } from 'node:crypto'
import { Inject, Injectable, Logger, type OnApplicationBootstrap } from '@nestjs/common'
import { Interval } from '@nestjs/schedule'
import {
  type CaseDigest,
  checkLabDeed,
  DIGEST_VERSION,
  digestCase,
  type LabDeed,
  type LabEvent,
  type LabHours,
  type PlanSettings,
  type QualityInput,
  qualityFigures,
  routeTemplates,
} from '@yentrik/core'
import { DataSource, type EntityManager } from 'typeorm'
import { CaseStore } from '../case/case-store.ts'
import { letOthersIn } from '../case/in-pieces.ts'
import { LabClock } from '../clock/lab-clock.ts'
import { CaseDigestRow, LabEventRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { PlanSettingsService } from '../planning/plan-settings.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'

const DAY = 24 * 60 * 60_000
/** So many cases are digested before others are let in. */
const AT_ONCE = 20

/** Hands of a step by its route, min; undefined where nobody is at it. */
export function planOf(template: string, stepId: string): number | undefined {
  const step = routeTemplates.get(template)?.steps.find(({ id }) => id === stepId)
  return step?.kind === 'attended' ? step.handsOnMinutes : undefined
}

/** The digests of all cases, kept; one is made again only when its case has changed. */
@Injectable()
export class QualityRecord implements OnApplicationBootstrap {
  private readonly logger = new Logger(QualityRecord.name)
  private readonly kept = new Map<string, CaseDigest | null>()
  private made = ''
  private refreshing?: Promise<void>

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly store: CaseStore,
    private readonly settings: LabSettingsService,
    private readonly plans: PlanSettingsService,
    private readonly clock: LabClock,
    private readonly live: LiveService,
    @Inject(SETTINGS) private readonly server: ServerSettings,
  ) {}

  /** Whoever asks first does not wait for what can be made ready before. */
  onApplicationBootstrap(): void {
    void this.learn()
  }

  /** Once a day the plan takes what the lab has timed. */
  @Interval(DAY)
  async learn(): Promise<void> {
    try {
      const input = await this.input()
      const minutes: Record<string, PlanSettings['minutes'][string]> = {}
      const { times } = qualityFigures(input, { from: input.now - 30 * DAY, until: input.now }, planOf)
      for (const { template, step, takenMinutes, learned } of times)
        if (takenMinutes !== undefined)
          minutes[`${template}/${step}`] = { hands: takenMinutes, spread: learned.cv }
      this.plans.learn(minutes)
    } catch (error) {
      this.logger.error(`The lab's own times were not read: ${String(error)}`)
    }
  }

  /** Everything that the figures are made of. */
  async input(): Promise<QualityInput> {
    const hours = await this.hours()
    this.refreshing ??= this.refresh(hours).finally(() => {
      this.refreshing = undefined
    })
    await this.refreshing
    const digests: CaseDigest[] = []
    const damaged: string[] = []
    for (const [caseId, digest] of this.kept)
      if (digest) digests.push(digest)
      else damaged.push(caseId)
    return {
      digests,
      damaged,
      hours,
      now: this.clock.now(),
      said: await this.said(),
      isDemo: this.server.demo,
    }
  }

  async said(): Promise<readonly LabEvent[]> {
    const rows = await this.dataSource.manager.find(LabEventRow, { order: { sequence: 'ASC' } })
    return rows.map(toEvent)
  }

  /** @throws {DomainError} as `checkLabDeed` */
  async say(deed: LabDeed, by: string): Promise<LabEvent> {
    checkLabDeed(deed)
    const said = { at: new Date(this.clock.now()).toISOString(), by, deed }
    const sequence = await this.queue.write(async (manager) => {
      const { identifiers } = await manager.insert(LabEventRow, said)
      return (identifiers[0] as Pick<LabEventRow, 'sequence'>).sequence
    })
    this.live.announce({ kind: 'quality' })
    if (deed.type === 'learnedTimeRefused') await this.learn()
    return toEvent({ ...said, sequence })
  }

  private async hours(): Promise<LabHours> {
    const { calendar } = await this.settings.lab()
    const { holidays } = await this.plans.all()
    return { calendar, holidays: holidays.map(({ day }) => day) }
  }

  /** Reads what is kept once, then only what is missing: a case that changes loses its digest in the same transaction. */
  private async refresh(hours: LabHours): Promise<void> {
    const made = `${DIGEST_VERSION} ${createHash('sha256').update(JSON.stringify(hours)).digest('hex').slice(0, 16)}`
    const { manager } = this.dataSource
    if (made !== this.made) {
      this.kept.clear()
      for (const { caseId, digest } of await manager.findBy(CaseDigestRow, { made }))
        this.kept.set(caseId, digest as CaseDigest | null)
      this.made = made
    }
    const missing: { readonly caseId: string }[] = await manager.query(
      `SELECT s.case_id AS caseId FROM case_summaries s LEFT JOIN case_digests d ON d.case_id = s.case_id AND d.made = ?
       WHERE d.case_id IS NULL`,
      [made],
    )
    for (let from = 0; from < missing.length; from += AT_ONCE) {
      if (from > 0) await letOthersIn()
      const some = missing.slice(from, from + AT_ONCE)
      // In the queue, so that no event comes in between what is read and what is kept.
      await this.queue.write(async (inQueue) => {
        for (const { caseId } of some) this.kept.set(caseId, await this.digest(inQueue, caseId, hours, made))
      })
    }
  }

  private async digest(
    manager: EntityManager,
    caseId: string,
    hours: LabHours,
    made: string,
  ): Promise<CaseDigest | null> {
    const digest = await this.store
      .recordOf(caseId, manager)
      .then(({ events, routeOf }) => digestCase(caseId, events, routeOf, hours))
      .catch((error: unknown) => {
        this.logger.error(String(error))
        return null
      })
    await manager.upsert(CaseDigestRow, { caseId, made, digest }, ['caseId'])
    return digest
  }
}

function toEvent({ sequence, at, by, deed }: LabEventRow): LabEvent {
  return { ...(deed as LabDeed), sequence, at, by }
}
