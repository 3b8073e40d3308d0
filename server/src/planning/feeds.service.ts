import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { PlanFeed } from '@yentrik/contract'
import { LabSettingRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'

const KEY = 'plan-feeds'
const MOST_FEEDS = 100
interface KeptFeed {
  readonly feedId: string
  readonly personId: string | null
  readonly madeAt: string
  /** Of the secret in its address: a stolen file opens no calendar. */
  readonly hash: string
}
const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex')

/** Calendar addresses that were given out. Each has its own secret, which is said once and kept as its hash. */
@Injectable()
export class PlanFeeds {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly queue: WriteQueue,
  ) {}

  async all(): Promise<PlanFeed[]> {
    return (await this.kept()).map(({ hash: _, ...feed }) => ({ ...feed, address: '' }))
  }

  async give(personId: string | null, at: string): Promise<PlanFeed> {
    const secret = randomBytes(24).toString('base64url')
    const feed = { feedId: randomUUID(), personId, madeAt: at, hash: hashOf(secret) }
    await this.change((all) => [...all, feed].slice(-MOST_FEEDS))
    const { hash: _, ...shown } = feed
    return { ...shown, address: `/api/calendar/${secret}.ics` }
  }

  /** @throws {Refusal} `no-such-feed` */
  async take(feedId: string): Promise<void> {
    let found = false
    await this.change((all) => {
      found = all.some((each) => each.feedId === feedId)
      return all.filter((each) => each.feedId !== feedId)
    })
    if (!found)
      throw new Refusal(404, 'no-such-feed', 'This address is given back already.', 'Reload the list.')
  }

  async bySecret(secret: string): Promise<{ readonly personId: string | null } | undefined> {
    const hash = hashOf(secret)
    return (await this.kept()).find((each) => each.hash === hash)
  }

  private async kept(): Promise<readonly KeptFeed[]> {
    return (await this.settings.get<KeptFeed[]>(KEY)) ?? []
  }
  private async change(to: (all: readonly KeptFeed[]) => readonly KeptFeed[]): Promise<void> {
    await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(LabSettingRow, { key: KEY })
      const value = to((row?.value as KeptFeed[] | undefined) ?? []) as object
      await manager.upsert(LabSettingRow, { key: KEY, value }, ['key'])
    })
  }
}
