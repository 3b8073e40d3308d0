import { createHash, randomBytes, randomUUID, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import { Inject, Injectable } from '@nestjs/common'
import type { Person, Role } from '@yentrik/contract'
import { DataSource } from 'typeorm'
import { PersonRow, SessionRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'

const scryptAsync = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>

@Injectable()
export class PeopleService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  async all(): Promise<Person[]> {
    const rows = await this.dataSource.getRepository(PersonRow).find({ order: { name: 'ASC' } })
    return rows.map(toPerson)
  }

  /** @throws {Refusal} `name-taken` */
  async add(name: string, role: Role, passphrase: string): Promise<Person> {
    const secret = passphrase === '' ? '' : await hash(passphrase)
    return this.queue.write(async (manager) => {
      if (await manager.existsBy(PersonRow, { name }))
        throw new Refusal(409, 'name-taken', `There is a ${name} already.`, 'Choose another name.', {
          field: 'name',
        })
      const row = manager.create(PersonRow, { personId: randomUUID(), name, role, secret })
      await manager.insert(PersonRow, row)
      return toPerson(row)
    })
  }

  /** Opens a session. @returns the token for the cookie @throws {Refusal} `sign-in-refused` */
  async signIn(name: string, passphrase: string): Promise<{ token: string; person: Person }> {
    const row = await this.dataSource.getRepository(PersonRow).findOneBy({ name })
    const known = row && (row.secret === '' ? this.settings.demo : await matches(passphrase, row.secret))
    if (!row || !known)
      throw new Refusal(
        401,
        'sign-in-refused',
        'Name and passphrase do not go together.',
        'Type both again, or ask the lab lead.',
      )
    const token = randomBytes(32).toString('base64url')
    const createdAt = new Date().toISOString()
    await this.queue.write((manager) =>
      manager.insert(SessionRow, { tokenHash: digest(token), personId: row.personId, createdAt }),
    )
    return { token, person: toPerson(row) }
  }

  async signOut(token: string): Promise<void> {
    await this.queue.write((manager) => manager.delete(SessionRow, { tokenHash: digest(token) }))
  }

  /** Whose session it is; in the demo, without one, the first person of the lab. */
  async whoIs(token: string | undefined): Promise<Person | undefined> {
    if (token) {
      const session = await this.dataSource.getRepository(SessionRow).findOneBy({ tokenHash: digest(token) })
      const row =
        session && (await this.dataSource.getRepository(PersonRow).findOneBy({ personId: session.personId }))
      if (row) return toPerson(row)
    }
    return this.settings.demo ? (await this.all())[0] : undefined
  }
}

function toPerson({ personId, name, role }: PersonRow): Person {
  return { personId, name, role: role as Role }
}

function digest(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

async function hash(passphrase: string): Promise<string> {
  const salt = randomBytes(16)
  return `${salt.toString('hex')}:${(await scryptAsync(passphrase, salt, 32)).toString('hex')}`
}

async function matches(passphrase: string, secret: string): Promise<boolean> {
  const [salt = '', wanted = ''] = secret.split(':')
  const given = await scryptAsync(passphrase, Buffer.from(salt, 'hex'), 32)
  return timingSafeEqual(given, Buffer.from(wanted, 'hex'))
}
