/** What the server speaks of on its own: changes of the lab, and the devices of a bench. */
export type Topic = 'changes' | 'devices'

/** What a listener hears: something that was said, or whether the server is reached. */
export type Heard =
  | { readonly topic: Topic; readonly name: string; readonly data: unknown }
  | { readonly topic: Topic; readonly reached: boolean }
export type Listener = (heard: Heard) => void

const topics = {
  changes: { address: '/api/live', names: ['hello', 'change'] },
  devices: { address: '/api/devices/live', names: ['devices'] },
} as const satisfies Readonly<Record<Topic, { address: string; names: readonly string[] }>>

interface Open {
  readonly source: EventSource
  readonly listeners: Set<Listener>
  reached: boolean | undefined
  /** How far the changes have come, for those who join later. */
  mark: string | undefined
}

/**
 * One connection for each topic, however many listen: a browser opens only six to a server. It is closed once nobody
 * listens.
 */
export class StreamHub {
  private readonly open = new Map<Topic, Open>()

  listen(topic: Topic, listener: Listener): void {
    const open = this.open.get(topic) ?? this.connect(topic)
    open.listeners.add(listener)
    if (open.reached !== undefined) listener({ topic, reached: open.reached })
    if (open.mark !== undefined) listener({ topic, name: 'hello', data: { mark: open.mark } })
  }

  leave(topic: Topic, listener: Listener): void {
    const open = this.open.get(topic)
    open?.listeners.delete(listener)
    if (open?.listeners.size !== 0) return
    open.source.close()
    this.open.delete(topic)
  }

  leaveAll(listener: Listener): void {
    for (const topic of [...this.open.keys()]) this.leave(topic, listener)
  }

  private connect(topic: Topic): Open {
    const { address, names } = topics[topic]
    const open: Open = {
      source: new EventSource(address),
      listeners: new Set(),
      reached: undefined,
      mark: undefined,
    }
    const tell = (heard: Heard) => {
      for (const listener of open.listeners) listener(heard)
    }
    for (const name of names)
      open.source.addEventListener(name, (message) => {
        const data = JSON.parse(message.data as string) as { readonly mark?: string }
        open.mark = data.mark
        tell({ topic, name, data })
      })
    const standing = (reached: boolean) => () => {
      open.reached = reached
      tell({ topic, reached })
    }
    open.source.onopen = standing(true)
    open.source.onerror = standing(false)
    this.open.set(topic, open)
    return open
  }
}
