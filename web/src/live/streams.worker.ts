import { type Heard, StreamHub, type Topic } from './stream-hub.ts'

/** What a page asks of the worker that all pages of a browser share. */
export type StreamWish =
  | { readonly topic: Topic; readonly wanted: boolean }
  /** The page goes, or is put away. */
  | 'leave'

const hub = new StreamHub()

addEventListener('connect', (event) => {
  const port = (event as MessageEvent).ports[0]!
  const listener = (heard: Heard) => port.postMessage(heard)
  port.onmessage = ({ data }: MessageEvent<StreamWish>) => {
    if (data === 'leave') hub.leaveAll(listener)
    else if (data.wanted) hub.listen(data.topic, listener)
    else hub.leave(data.topic, listener)
  }
})
