import { Injectable } from '@nestjs/common'
import type { LiveChange } from '@yentrik/contract'
import { interval, map, merge, type Observable, Subject } from 'rxjs'

@Injectable()
export class LiveService {
  private readonly changes = new Subject<LiveChange>()

  announce(change: LiveChange): void {
    this.changes.next(change)
  }

  /** Changes as they happen, with a heartbeat so that a dead connection is noticed. */
  stream(): Observable<{ type: string; data: object }> {
    return merge(
      this.changes.pipe(map((data) => ({ type: 'change', data }))),
      interval(15_000).pipe(map((beat) => ({ type: 'beat', data: { beat } }))),
    )
  }
}
