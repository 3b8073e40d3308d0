import { createConnection, type Socket } from 'node:net'
import { createInterface } from 'node:readline'
import { Subject } from 'rxjs'
import type { DeviceLink } from './device-link.ts'

/** After a broken connection it tries again so soon, ms. */
const AGAIN_MILLIS = 2000

/** A device that speaks the line protocol over TCP, as a serial-to-network adapter makes it do. */
export class NetworkLink implements DeviceLink {
  readonly lines = new Subject<string>()
  private socket?: Socket
  private again?: NodeJS.Timeout
  private closed = false

  constructor(
    readonly name: string,
    private readonly host: string,
    private readonly port: number,
  ) {
    this.connect()
  }

  private connect(): void {
    const socket = createConnection({ host: this.host, port: this.port })
    this.socket = socket
    // An error is followed by close; the missing lines tell the screens. The reader of lines passes it on, and would end the server.
    const nothing = () => undefined
    createInterface({ input: socket })
      .on('line', (line) => this.lines.next(line))
      .on('error', nothing)
    socket.on('error', nothing)
    socket.on('close', () => {
      if (this.closed) return
      this.again = setTimeout(() => this.connect(), AGAIN_MILLIS)
      this.again.unref()
    })
  }

  send(line: string): void {
    this.socket?.write(`${line}\n`)
  }

  close(): void {
    this.closed = true
    clearTimeout(this.again)
    this.socket?.destroy()
    this.lines.complete()
  }
}
