import { resolve } from 'node:path'

/** What the server is told from outside, once, at its start. */
export interface ServerSettings {
  readonly port: number
  /** Only this machine, unless told otherwise. */
  readonly host: string
  /** The one SQLite file. */
  readonly dataFile: string
  /** Fills an empty file with the demo lab, and signs in by itself. */
  readonly demo: boolean
  /** Lets a signed-in person move the clock of the lab: for demos and tests only. */
  readonly clockControl: boolean
  /** The built screens; none while they are served by Vite. */
  readonly webFolder?: string
}

/**
 * Reads the environment: PORT, HOST, YENTRIK_DATA, YENTRIK_DEMO, YENTRIK_CLOCK_CONTROL, YENTRIK_WEB.
 * @throws {Error} when PORT is no port: a server on a port that nobody expects is of no use
 */
export function settingsFrom(env: Readonly<Record<string, string | undefined>>): ServerSettings {
  const port = Number(env.PORT ?? 4310)
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is "${env.PORT}". Set a whole number from 0 to 65535, or leave it out for 4310.`)
  const demo = env.YENTRIK_DEMO === '1'
  return {
    port,
    host: env.HOST ?? '127.0.0.1',
    dataFile: resolve(env.YENTRIK_DATA ?? 'data/yentrik.sqlite'),
    demo,
    clockControl: demo || env.YENTRIK_CLOCK_CONTROL === '1',
    ...(env.YENTRIK_WEB ? { webFolder: resolve(env.YENTRIK_WEB) } : {}),
  }
}

/** Token under which the settings are injected. */
export const SETTINGS = 'yentrik-settings'
