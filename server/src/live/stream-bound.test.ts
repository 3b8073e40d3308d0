import { describe, expect, it } from '@jest/globals'
import { NEVER } from 'rxjs'
import { MOST_STREAMS, StreamBound } from './stream-bound.ts'

describe('the streams of one person', () => {
  it('are bounded, those of others are not touched, and one that ends makes room', () => {
    const bound = new StreamBound()
    const listening = Array.from({ length: MOST_STREAMS }, () => bound.of('ada', NEVER).subscribe())
    expect(() => bound.of('ada', NEVER)).toThrow(expect.objectContaining({ code: 'too-many-streams' }))
    expect(() => bound.of('ben', NEVER)).not.toThrow()
    listening[0]!.unsubscribe()
    const again = bound.of('ada', NEVER).subscribe()
    expect(() => bound.of('ada', NEVER)).toThrow(expect.objectContaining({ code: 'too-many-streams' }))
    for (const each of [...listening, again]) each.unsubscribe()
    expect(() => bound.of('ada', NEVER)).not.toThrow()
  })
  it('that nobody listens to are not counted', () => {
    const bound = new StreamBound()
    for (let n = 0; n < 2 * MOST_STREAMS; n++) bound.of('ada', NEVER)
    expect(() => bound.of('ada', NEVER)).not.toThrow()
  })
})
