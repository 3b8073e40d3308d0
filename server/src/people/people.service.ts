import { randomUUID } from 'node:crypto'
import { Inject, Injectable, Logger } from '@nestjs/common'
import type { Person, PersonOnList } from '@yentrik/contract'
import type { Role } from '@yentrik/core'
import { DataSource, type EntityManager, IsNull } from 'typeorm'
import { PersonRow, SessionRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { FirstStartCode } from './first-start-code.ts'
import { fits, hashed, isOld, mustBeGood } from './passphrase.ts'
import { SignInWait } from './sign-in-wait.ts'

/** Who works here. What is done to an account is in the log with who and from where. */
@Injectable()
export class PeopleService {
  private readonly logger = new Logger('people')

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly wait: SignInWait,
    private readonly code: FirstStartCode,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  /** Those who work here, by name. */
  async all(): Promise<Person[]> {
    const where = { retiredAt: IsNull() }
    const rows = await this.dataSource.getRepository(PersonRow).find({ where, order: { name: 'ASC' } })
    return rows.map(toPerson)
  }

  /** Everybody who ever worked here: those who are gone last. */
  async list(): Promise<PersonOnList[]> {
    const rows = await this.dataSource.getRepository(PersonRow).find({ order: { name: 'ASC' } })
    return rows
      .map((row) => ({ ...toPerson(row), retiredAt: row.retiredAt }))
      .sort((a, b) => Number(a.retiredAt !== null) - Number(b.retiredAt !== null))
  }

  /** Nobody has an account yet. */
  async isFirstStart(manager: EntityManager = this.dataSource.manager): Promise<boolean> {
    return !(await manager.exists(PersonRow))
  }

  /**
   * The first person of an empty lab leads it; of several at once, one.
   * @param code as the server printed it at its start; needed from another machine
   * @throws {Refusal} `not-the-first`, `first-start-code`, as `mustBeGood`
   */
  async addFirst(
    name: string,
    passphrase: string,
    code: string | undefined,
    address: string,
  ): Promise<Person> {
    mustBeGood(passphrase, name)
    this.code.mustFit(code, address)
    const secret = await hashed(passphrase)
    return this.queue.write(async (manager) => {
      if (!(await this.isFirstStart(manager)))
        throw new Refusal(409, 'not-the-first', 'Somebody leads this lab already.', 'Ask them to add you.')
      this.logger.log(`${name} leads the lab, from ${address}`)
      return this.insert(manager, name, 'lead', secret)
    })
  }

  /** @throws {Refusal} `name-taken`, as `mustBeGood` */
  async add(name: string, role: Role, passphrase: string, by: string): Promise<Person> {
    mustBeGood(passphrase, name)
    const secret = await hashed(passphrase)
    const person = await this.queue.write((manager) => this.insert(manager, name, role, secret))
    this.logger.log(`${by} added ${name} as ${role}`)
    return person
  }

  /** Somebody of the demo, who signs in by name alone. */
  async addToDemo(name: string, role: Role): Promise<Person> {
    return this.queue.write((manager) => this.insert(manager, name, role, ''))
  }

  private async insert(manager: EntityManager, name: string, role: Role, secret: string): Promise<Person> {
    // Of one who is gone too: their name stands on records.
    if (await manager.existsBy(PersonRow, { name }))
      throw new Refusal(409, 'name-taken', `There is a ${name} already.`, 'Choose another name.', {
        field: 'name',
      })
    const row = manager.create(PersonRow, { personId: randomUUID(), name, role, secret, retiredAt: null })
    await manager.insert(PersonRow, row)
    return toPerson(row)
  }

  /** @throws {Refusal} `sign-in-refused`, `too-many-tries` */
  async signIn(name: string, passphrase: string, address: string): Promise<Person> {
    this.wait.mustNotWait(name, address)
    const row = await this.dataSource.getRepository(PersonRow).findOneBy({ name, retiredAt: IsNull() })
    const right =
      row?.secret === '' ? this.settings.demo : (await fits(passphrase, row?.secret)) && row !== null
    if (!row || !right) {
      this.wait.failed(name, address)
      this.logger.warn(`A sign-in was refused, from ${address}`)
      throw signInRefused()
    }
    this.wait.succeeded(name)
    if (row.secret !== '' && isOld(row.secret)) await this.setSecret(row.personId, await hashed(passphrase))
    return toPerson(row)
  }

  /** As they are now. @throws {Refusal} `sign-in-refused` when they are gone */
  async mustWorkHere(personId: string): Promise<Person> {
    const row = await this.dataSource.getRepository(PersonRow).findOneBy({ personId, retiredAt: IsNull() })
    if (!row) throw signInRefused()
    return toPerson(row)
  }

  /** Of one's own. @throws {Refusal} `sign-in-refused`, `too-many-tries`, as `mustBeGood` */
  async changePassphrase(me: Person, old: string, next: string, address: string): Promise<void> {
    await this.signIn(me.name, old, address)
    mustBeGood(next, me.name)
    await this.setSecret(me.personId, await hashed(next))
    this.logger.log(`${me.name} changed the passphrase, from ${address}`)
  }

  private async setSecret(personId: string, secret: string): Promise<void> {
    await this.queue.write((manager) => manager.update(PersonRow, { personId }, { secret }))
  }

  /**
   * Somebody is gone: they sign in no more, and their sessions end. Their name stays on the record.
   * @throws {Refusal} `no-such-person`, `last-lead`
   */
  async retire(personId: string, at: string, by: string): Promise<void> {
    const name = await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(PersonRow, { personId, retiredAt: IsNull() })
      if (!row)
        throw new Refusal(
          404,
          'no-such-person',
          'There is nobody like that here.',
          'Look at the list of people.',
        )
      const leads = await manager.countBy(PersonRow, { role: 'lead', retiredAt: IsNull() })
      if (row.role === 'lead' && leads === 1)
        throw new Refusal(422, 'last-lead', `${row.name} is the only lead.`, 'Add another lead first.')
      await manager.update(PersonRow, { personId }, { retiredAt: at })
      await manager.delete(SessionRow, { personId })
      return row.name
    })
    this.logger.log(`${by} retired ${name}`)
  }
}

export function toPerson({ personId, name, role }: PersonRow): Person {
  return { personId, name, role: role as Role }
}

const signInRefused = () =>
  new Refusal(
    401,
    'sign-in-refused',
    'Name and passphrase do not go together.',
    'Type both again, or ask the lab lead.',
  )
