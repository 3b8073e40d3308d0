import { createHash } from 'node:crypto'
import type { CaseEvent } from '@yentrik/core'
import canonicalize from 'canonicalize'

/** SHA-256 over the canonical JSON of an event (RFC 8785), so that anybody can work it out again from a document. */
export function eventHash(event: CaseEvent): string {
  return createHash('sha256').update(canonicalize(event)!).digest('hex')
}
