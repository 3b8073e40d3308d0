import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { Inject, Injectable, Logger } from '@nestjs/common'
import type { Person, SessionOnList } from '@yentrik/contract'
import { DataSource, In, LessThan } from 'typeorm'
import { PersonRow, SessionRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { PeopleService, toPerson } from './people.service.ts'

const HOUR = 3_600_000
/** A bench that nobody works at for so long is locked. */
export const IDLE_MILLIS = 12 * HOUR
export const LONGEST_MILLIS = 30 * 24 * HOUR
/** When a session was used is written down no more often than this. */
const NOTED_EVERY_MILLIS = 5 * 60_000

/** Who is at which bench. By the clock of the machine, not of the lab. */
@Injectable()
export class Sessions {
  private readonly logger = new Logger('people')

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly people: PeopleService,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  /** @returns the token for the cookie */
  async open(person: Person, address: string, now = Date.now()): Promise<string> {
    const token = randomBytes(32).toString('base64url')
    const at = new Date(now).toISOString()
    const row = {
      tokenHash: digest(token),
      sessionId: randomUUID(),
      personId: person.personId,
      createdAt: at,
      usedAt: at,
      address,
    }
    await this.queue.write(async (manager) => {
      await manager.delete(SessionRow, { usedAt: LessThan(new Date(now - IDLE_MILLIS).toISOString()) })
      await manager.insert(SessionRow, row)
    })
    this.logger.log(`${person.name} signed in, from ${address}`)
    return token
  }

  async close(token: string): Promise<void> {
    await this.queue.write((manager) => manager.delete(SessionRow, { tokenHash: digest(token) }))
  }

  /** Whose session it is; in the demo, without one, the first person of the lab. */
  async whoIs(token: string | undefined, now = Date.now()): Promise<Person | undefined> {
    const session =
      token && (await this.dataSource.manager.findOneBy(SessionRow, { tokenHash: digest(token) }))
    if (session && isOpen(session, now)) {
      const row = await this.dataSource.manager.findOneBy(PersonRow, { personId: session.personId })
      if (row && row.retiredAt === null) {
        await this.note(session, now)
        return toPerson(row)
      }
    }
    return this.settings.demo ? (await this.people.all())[0] : undefined
  }

  private async note({ tokenHash, usedAt }: SessionRow, now: number): Promise<void> {
    if (now - Date.parse(usedAt) < NOTED_EVERY_MILLIS) return
    await this.queue.write((manager) =>
      manager.update(SessionRow, { tokenHash }, { usedAt: new Date(now).toISOString() }),
    )
  }

  /** The open ones of a person; for the lead those of everybody. The newest first. */
  async list(me: Person, token: string | undefined, now = Date.now()): Promise<SessionOnList[]> {
    const where = me.role === 'lead' ? {} : { personId: me.personId }
    const rows = (await this.dataSource.manager.find(SessionRow, { where })).filter((row) => isOpen(row, now))
    const people = await this.dataSource.manager.findBy(PersonRow, {
      personId: In(rows.map((row) => row.personId)),
    })
    const names = new Map(people.map(({ personId, name }) => [personId, name]))
    return rows
      .map(({ sessionId, personId, createdAt, usedAt, address, tokenHash }) => ({
        sessionId,
        name: names.get(personId) ?? '',
        createdAt,
        usedAt,
        address,
        mine: token !== undefined && tokenHash === digest(token),
      }))
      .sort((a, b) => b.usedAt.localeCompare(a.usedAt))
  }

  /** One's own; by the lead any. @returns whose it was @throws {Refusal} `no-such-session` */
  async end(sessionId: string, me: Person): Promise<string> {
    const personId = await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(SessionRow, { sessionId })
      if (!row || (row.personId !== me.personId && me.role !== 'lead'))
        throw new Refusal(404, 'no-such-session', 'There is no such session.', 'Look at the list again.')
      await manager.delete(SessionRow, { sessionId })
      return row.personId
    })
    this.logger.log(`${me.name} ended a session`)
    return personId
  }

  /** All others of a person, after the passphrase was changed. */
  async endOthers(me: Person, token: string | undefined): Promise<void> {
    await this.queue.write(async (manager) => {
      for (const { tokenHash } of await manager.findBy(SessionRow, { personId: me.personId }))
        if (token === undefined || tokenHash !== digest(token))
          await manager.delete(SessionRow, { tokenHash })
    })
  }
}

function isOpen({ createdAt, usedAt }: SessionRow, now: number): boolean {
  return now - Date.parse(usedAt) < IDLE_MILLIS && now - Date.parse(createdAt) < LONGEST_MILLIS
}

function digest(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}
