import { Injectable, Logger } from '@nestjs/common'
import { DataSource, EntityManager, QueryFailedError, type QueryRunner } from 'typeorm'
import { Refusal } from '../errors/problem.filter.ts'

/** What better-sqlite3 says of its connection. */
interface SqliteConnection {
  readonly inTransaction: boolean
  exec(sql: string): void
}

/**
 * The one way to write. TypeORM runs all transactions on one SQLite connection, so a second one that begins while the
 * first still awaits becomes a savepoint inside it, and is lost when the first rolls back, though it was answered.
 * One after the other, that cannot happen. Await nothing but the database inside `work`.
 *
 * When a write fails for want of disk, SQLite may roll back by itself. TypeORM's own ROLLBACK then fails unheard and its
 * depth stays up, so that every later commit is only the release of a savepoint: acknowledged, and stored nowhere.
 * So the connection is looked at before and after each write, and set right on any doubt.
 */
@Injectable()
export class WriteQueue {
  private readonly logger = new Logger('write')
  private last: Promise<unknown> = Promise.resolve()
  private failing?: string

  constructor(private readonly dataSource: DataSource) {}

  /** Why the last write could not be stored; undefined while writing works. */
  get fault(): string | undefined {
    return this.failing
  }

  /** @throws {Refusal} `not-stored` when the file cannot be written; whatever `work` throws */
  write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    const next = this.last.then(() => this.oneWrite(work))
    // A refusal is the caller's; it does not stop the queue.
    this.last = next.catch(() => undefined)
    return next
  }

  private async oneWrite<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    this.setRight()
    let answer: T
    try {
      answer = await this.dataSource.transaction(work)
    } catch (error) {
      this.setRight()
      const fault = storageFault(error)
      throw fault ? this.notStored(fault) : error
    }
    if (this.setRight()) throw this.notStored('the commit was not taken')
    this.failing = undefined
    return answer
  }

  private notStored(fault: string): Refusal {
    // Once in the log, however often it is tried.
    if (this.failing !== fault) this.logger.error(`A write was not stored: ${fault}`)
    this.failing = fault
    return new Refusal(
      503,
      'not-stored',
      `It could not be stored: ${fault}. Nothing of it is on record.`,
      'Free space on the disk of the server or look at its data file, then do it again.',
    )
  }

  /**
   * Rolls back whatever is still open; ends the process where even that fails, since nothing it answers could be trusted.
   * @returns whether anything had to be set right
   */
  private setRight(): boolean {
    const runner = this.dataSource.createQueryRunner() as unknown as Depth
    const connection = (this.dataSource.driver as unknown as { databaseConnection: SqliteConnection })
      .databaseConnection
    if (!connection.inTransaction && runner.transactionDepth === 0 && !runner.isTransactionActive)
      return false
    try {
      if (connection.inTransaction) connection.exec('ROLLBACK')
      if (connection.inTransaction) throw new Error('it stays open')
    } catch (error) {
      console.error(`The data file cannot be rolled back (${error}). Yentrik ends; nothing more is answered.`)
      process.exit(70)
    }
    runner.transactionDepth = 0
    runner.isTransactionActive = false
    return true
  }
}

/** What TypeORM keeps of a transaction; better-sqlite3 has one runner for all. */
type Depth = Pick<QueryRunner, 'release'> & { transactionDepth: number; isTransactionActive: boolean }

/** In words, where it was the file and not what was asked: a full disk, a file that cannot be read or written. */
function storageFault(error: unknown): string | undefined {
  if (!(error instanceof QueryFailedError)) return undefined
  const { code = '', message } = error.driverError as { code?: string; message: string }
  return /^SQLITE_(FULL|IOERR|READONLY|CANTOPEN|CORRUPT|NOTADB|PROTOCOL|BUSY|NOMEM)/.test(code)
    ? message
    : undefined
}
