import { Injectable } from '@nestjs/common'
import { defer, finalize, type Observable } from 'rxjs'
import { Refusal } from '../errors/problem.filter.ts'

/** A request of somebody who is signed in, as the guard leaves it. */
export interface WithPerson {
  readonly person: { readonly personId: string }
}

/** Streams that one person may hold at once: two for each browser, and a demo is one person at every bench (choice). */
export const MOST_STREAMS = 200

/** Keeps the open streams of each person within bounds: one that is left open costs a little, thousands stop the lab. */
@Injectable()
export class StreamBound {
  private readonly open = new Map<string, number>()

  /** The stream for a person, counted for as long as it is listened to. @throws {Refusal} `too-many-streams` */
  of<T>(personId: string, stream: Observable<T>): Observable<T> {
    const count = (by: number) => {
      const now = (this.open.get(personId) ?? 0) + by
      if (now > 0) this.open.set(personId, now)
      else this.open.delete(personId)
    }
    if ((this.open.get(personId) ?? 0) >= MOST_STREAMS)
      throw new Refusal(
        429,
        'too-many-streams',
        `${MOST_STREAMS} streams of changes are open for this person already.`,
        'Close pages that nobody looks at.',
      )
    return defer(() => {
      count(1)
      return stream.pipe(finalize(() => count(-1)))
    })
  }
}
