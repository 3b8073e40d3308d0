import type { CaseEvent } from '@yentrik/core'

/** An event as its row holds it: the stamp in columns, the rest as one value. */
export interface EventColumns {
  readonly sequence: number
  readonly at: string
  readonly by: string
  readonly type: string
}

/** @param data what the event holds besides its stamp: read, or as the JSON that lies in the file */
export function eventOf({ sequence, at, by, type }: EventColumns, data: object | string): CaseEvent {
  const rest: object = typeof data === 'string' ? JSON.parse(data) : data
  return { ...rest, sequence, at, by, type } as unknown as CaseEvent
}
