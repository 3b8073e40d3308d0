import { join } from 'node:path'
import type { LoggerService } from '@nestjs/common'
import { type Logger, multistream, pino, stdTimeFunctions } from 'pino'
import roll from 'pino-roll'

/** A new file each day or 10 MB; so many are kept. */
const KEPT_FILES = 30

/** What Nest says of itself at every start. */
const ofTheFrame = new Set([
  'InstanceLoader',
  'NestApplication',
  'NestFactory',
  'RouterExplorer',
  'RoutesResolver',
])

/** What happened, a line of JSON each, in files that are kept for a month; what needs somebody is printed as well. */
export class LabLog implements LoggerService {
  private constructor(private readonly lines: Logger) {}

  /** @param folder is made where it is not there */
  static async in(folder: string): Promise<LabLog> {
    const file = await roll({
      file: join(folder, 'yentrik'),
      extension: '.log',
      frequency: 'daily',
      size: '10m',
      limit: { count: KEPT_FILES },
      mkdir: true,
      sync: true,
    })
    const streams = multistream([
      { level: 'info', stream: file },
      { level: 'warn', stream: process.stdout },
    ])
    return new LabLog(pino({ base: null, timestamp: stdTimeFunctions.isoTime }, streams))
  }

  // Nest gives the room that speaks as the last of what is said.
  log(words: unknown, ...more: unknown[]): void {
    if (ofTheFrame.has(String(more.at(-1)))) return
    this.lines.info({ room: more.at(-1) }, String(words))
  }
  warn(words: unknown, ...more: unknown[]): void {
    this.lines.warn({ room: more.at(-1) }, String(words))
  }
  error(words: unknown, ...more: unknown[]): void {
    this.lines.error({ room: more.at(-1) }, String(words))
  }
  fatal(words: unknown, ...more: unknown[]): void {
    this.lines.fatal({ room: more.at(-1) }, String(words))
  }
}
