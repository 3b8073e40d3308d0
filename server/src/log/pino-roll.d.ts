declare module 'pino-roll' {
  import type { DestinationStream } from 'pino'

  /** A file that is begun anew by day and size, the oldest taken away. */
  export default function roll(options: {
    readonly file: string
    readonly extension: string
    readonly frequency: 'daily'
    readonly size: string
    readonly limit: { readonly count: number }
    readonly mkdir: boolean
    readonly sync: boolean
  }): Promise<DestinationStream>
}
