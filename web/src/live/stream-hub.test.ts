import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { type Heard, StreamHub } from './stream-hub.ts'

/** A stream of the server, as a test lets it speak. */
class Stream {
  static all: Stream[] = []
  closed = false
  onopen: () => void = () => undefined
  onerror: () => void = () => undefined
  private readonly named = new Map<string, (message: { readonly data: string }) => void>()
  constructor(readonly address: string) {
    Stream.all.push(this)
  }
  addEventListener(name: string, listener: (message: { readonly data: string }) => void): void {
    this.named.set(name, listener)
  }
  close(): void {
    this.closed = true
  }
  say(name: string, data: object): void {
    this.named.get(name)?.({ data: JSON.stringify(data) })
  }
}
const heard = () => jest.fn<(what: Heard) => void>()
const stream = (index = 0) => Stream.all[index]!

beforeEach(() => {
  Stream.all = []
  globalThis.EventSource = Stream as never
})

describe('the streams of a browser', () => {
  it('are one for each topic, however many listen', () => {
    const hub = new StreamHub()
    const [a, b] = [heard(), heard()]
    hub.listen('changes', a)
    hub.listen('changes', b)
    hub.listen('devices', a)
    expect(Stream.all.map(({ address }) => address)).toEqual(['/api/live', '/api/devices/live'])
    stream().say('change', { kind: 'lots', mark: 'm-1' })
    const change: Heard = { topic: 'changes', name: 'change', data: { kind: 'lots', mark: 'm-1' } }
    expect(a).toHaveBeenCalledWith(change)
    expect(b).toHaveBeenCalledWith(change)
    stream(1).say('devices', { weights: [] })
    expect(a).toHaveBeenLastCalledWith({ topic: 'devices', name: 'devices', data: { weights: [] } })
    expect(b).toHaveBeenCalledTimes(1)
  })
  it('are closed once nobody listens, and opened again by the next who does', () => {
    const hub = new StreamHub()
    const [a, b] = [heard(), heard()]
    hub.listen('changes', a)
    hub.listen('changes', b)
    hub.leave('changes', a)
    expect(stream().closed).toBe(false)
    hub.leave('changes', b)
    expect(stream().closed).toBe(true)
    hub.listen('changes', a)
    expect(Stream.all).toHaveLength(2)
    expect(a).not.toHaveBeenCalled()
  })
  it('tell who comes later how it stands and how far the changes have come', () => {
    const hub = new StreamHub()
    hub.listen('changes', heard())
    stream().onopen()
    stream().say('hello', { mark: 'm-3' })
    stream().say('change', { kind: 'lab', mark: 'm-4' })
    const late = heard()
    hub.listen('changes', late)
    expect(late.mock.calls).toEqual([
      [{ topic: 'changes', reached: true }],
      [{ topic: 'changes', name: 'hello', data: { mark: 'm-4' } }],
    ])
  })
  it('tell when the server is not reached any more, and when it is again', () => {
    const hub = new StreamHub()
    const a = heard()
    hub.listen('changes', a)
    stream().onopen()
    stream().onerror()
    stream().onopen()
    expect(a.mock.calls.map(([what]) => 'reached' in what && what.reached)).toEqual([true, false, true])
  })
  it('are left by a page that goes, for all it listened to and for nobody else', () => {
    const hub = new StreamHub()
    const [a, b] = [heard(), heard()]
    hub.listen('changes', a)
    hub.listen('devices', a)
    hub.listen('devices', b)
    hub.leaveAll(a)
    expect(Stream.all.map(({ closed }) => closed)).toEqual([true, false])
    stream(1).say('devices', {})
    expect(a).not.toHaveBeenCalled()
    expect(b).toHaveBeenCalledTimes(1)
  })
  it('may be left by who never listened', () => {
    const hub = new StreamHub()
    hub.leave('changes', heard())
    hub.leaveAll(heard())
    expect(Stream.all).toEqual([])
  })
})
