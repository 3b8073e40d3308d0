import type { Observable } from 'rxjs'

/** A device that speaks lines of text, whether a stand-in or one on the network. docs/devices.md has the lines. */
export interface DeviceLink {
  readonly name: string
  readonly lines: Observable<string>
  send(line: string): void
  close(): void
}
