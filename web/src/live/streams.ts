import { type Heard, type Listener, StreamHub, type Topic } from './stream-hub.ts'
import type { StreamWish } from './streams.worker.ts'

/** The streams as this page reaches them. */
interface Streams {
  readonly want: (topic: Topic, wanted: boolean) => void
  readonly leave: () => void
}

const listeners = new Map<Topic, Set<Listener>>()
const hear = (heard: Heard) => {
  for (const listener of listeners.get(heard.topic) ?? []) listener(heard)
}

/** Through a worker that all pages of this browser share; where there is none, this page listens alone. */
function openStreams(): Streams {
  if (typeof SharedWorker === 'undefined') {
    const hub = new StreamHub()
    return {
      want: (topic, wanted) => (wanted ? hub.listen(topic, hear) : hub.leave(topic, hear)),
      leave: () => hub.leaveAll(hear),
    }
  }
  const { port } = new SharedWorker(new URL('./streams.worker.ts', import.meta.url), { type: 'module' })
  port.onmessage = ({ data }: MessageEvent<Heard>) => hear(data)
  const send = (wish: StreamWish) => port.postMessage(wish)
  return { want: (topic, wanted) => send({ topic, wanted }), leave: () => send('leave') }
}

let streams: Streams | undefined

function reach(): Streams {
  if (!streams) {
    streams = openStreams()
    // A page that is put away to come back as it was must not hold a connection meanwhile.
    addEventListener('pagehide', () => streams?.leave())
    addEventListener('pageshow', ({ persisted }) => {
      if (persisted) for (const topic of listeners.keys()) streams?.want(topic, true)
    })
  }
  return streams
}

/** Listens to a topic. @returns stops listening */
export function listenTo(topic: Topic, listener: Listener): () => void {
  const known = listeners.get(topic)
  if (known) known.add(listener)
  else listeners.set(topic, new Set([listener]))
  // Said again to each new listener: whoever comes late hears at once whether the server is reached.
  reach().want(topic, true)
  return () => {
    const left = listeners.get(topic)
    left?.delete(listener)
    if (left?.size !== 0) return
    listeners.delete(topic)
    reach().want(topic, false)
  }
}
