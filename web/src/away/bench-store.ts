import type { CaseCommand, Saying } from '@yentrik/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** What was done at this bench and is not on record yet. */
export interface KeptEntry {
  /** Its place in the order in which it was done. */
  readonly id: number
  /** The server does a command once under it, however often it is sent. */
  readonly key: string
  readonly caseId: string
  readonly docket: string
  readonly command: CaseCommand
  /** Sequence of the last stored event that was seen. */
  readonly seen: number
  /** The number that it would have on record, if nobody else does anything. */
  readonly sequence: number
  /** Lab time, ms since 1970. */
  readonly doneAt: number
  readonly personId: string
  readonly by: string
  /** The attempt of its step, where it is on one. */
  readonly attempt?: number
  /** Why it cannot be put on record as it is; somebody is asked. */
  readonly unfit?: { readonly code: string; readonly said: Saying }
}

/** An answer of the server as it was last held. */
interface LastAnswer {
  readonly hash: string
  readonly at: number
  readonly query: unknown
}

interface BenchDatabase extends DBSchema {
  kept: { key: number; value: KeptEntry }
  answers: { key: string; value: LastAnswer; indexes: { at: number } }
}

let opened: Promise<IDBPDatabase<BenchDatabase>> | undefined

/** What this browser keeps of its own; it outlives the page and the machine's sleep. @throws where a browser keeps nothing */
export function benchStore(): Promise<IDBPDatabase<BenchDatabase>> {
  opened ??= openDB<BenchDatabase>('yentrik-bench', 1, {
    upgrade: (database) => {
      database.createObjectStore('kept', { keyPath: 'id', autoIncrement: true })
      database.createObjectStore('answers', { keyPath: 'hash' }).createIndex('at', 'at')
    },
  }).catch((error: unknown) => {
    opened = undefined
    throw error
  })
  return opened
}
