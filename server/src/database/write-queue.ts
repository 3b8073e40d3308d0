import { Injectable } from '@nestjs/common'
import { DataSource, EntityManager } from 'typeorm'

/**
 * The one way to write. TypeORM runs all transactions on one SQLite connection, so a second one that begins while the
 * first still awaits becomes a savepoint inside it, and is lost when the first rolls back, though it was answered.
 * One after the other, that cannot happen. Await nothing but the database inside `work`.
 */
@Injectable()
export class WriteQueue {
  private last: Promise<unknown> = Promise.resolve()

  constructor(private readonly dataSource: DataSource) {}

  write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    const next = this.last.then(() => this.dataSource.transaction(work))
    // A refusal is the caller's; it does not stop the queue.
    this.last = next.catch(() => undefined)
    return next
  }
}
