import { createHash } from 'node:crypto'
import { describe, expect, it } from '@jest/globals'
import type { CaseEvent } from '@yentrik/core'
import { eventHash } from './event-hash.ts'

const event: CaseEvent = {
  type: 'noted',
  text: 'first é\n"x"',
  by: 'Ada',
  at: '2026-03-02T08:00:00.000Z',
  sequence: 2,
}

describe('the hash of an event', () => {
  it('is SHA-256 over JSON with sorted names and no blanks (RFC 8785), written out by hand', () => {
    const canonical =
      '{"at":"2026-03-02T08:00:00.000Z","by":"Ada","sequence":2,"text":"first é\\n\\"x\\"","type":"noted"}'
    expect(eventHash(event)).toBe(createHash('sha256').update(canonical, 'utf8').digest('hex'))
  })
  it('does not depend on the order in which an event was written', () => {
    const turned = Object.fromEntries(Object.entries(event).reverse()) as unknown as CaseEvent
    expect(eventHash(turned)).toBe(eventHash(event))
    expect(eventHash({ ...event, text: 'first' })).not.toBe(eventHash(event))
  })
  it('writes numbers as RFC 8785 does (appendix B of it: 1E30, 4.50, 2e-3)', () => {
    const numbers = { ...event, numbers: [1e30, 4.5, 2e-3] } as unknown as CaseEvent
    const canonical =
      '{"at":"2026-03-02T08:00:00.000Z","by":"Ada","numbers":[1e+30,4.5,0.002],"sequence":2,"text":"first é\\n\\"x\\"","type":"noted"}'
    expect(eventHash(numbers)).toBe(createHash('sha256').update(canonical, 'utf8').digest('hex'))
  })
})
