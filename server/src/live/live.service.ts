import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { LiveChange } from '@yentrik/contract'
import { concat, defer, interval, map, merge, type Observable, of, Subject } from 'rxjs'

@Injectable()
export class LiveService {
  private readonly changes = new Subject<LiveChange>()
  /** Marks of another run of the server are never taken for those of this one. */
  private readonly run = randomUUID().slice(0, 8)
  private count = 0

  /** How far the changes have come: whoever holds an answer with this mark has missed nothing before it. */
  get mark(): string {
    return `${this.run}-${this.count}`
  }

  /** Changes as they happen, for those in the house that follow from them. */
  get heard(): Observable<LiveChange> {
    return this.changes
  }

  announce(change: Omit<LiveChange, 'mark'>): void {
    this.count++
    this.changes.next({ ...change, mark: this.mark })
  }

  /** How far they have come, then changes as they happen, with a heartbeat so that a dead connection is noticed. */
  stream(): Observable<{ type: string; data: object }> {
    return merge(
      concat(
        defer(() => of({ type: 'hello', data: { mark: this.mark } })),
        this.changes.pipe(map((data) => ({ type: 'change', data }))),
      ),
      interval(15_000).pipe(map((beat) => ({ type: 'beat', data: { beat } }))),
    )
  }
}
