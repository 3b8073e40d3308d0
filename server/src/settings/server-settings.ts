import { join, parse, resolve } from 'node:path'

/** What the server is told from outside, once, at its start. */
export interface ServerSettings {
  readonly port: number
  /** Only this machine, unless told otherwise. */
  readonly host: string
  /** Names under which it may be called besides its own and its machine's. */
  readonly names?: readonly string[]
  /** A certificate: files, or one that the server makes; none: plain http. */
  readonly tls?: 'own' | { readonly cert: string; readonly key: string }
  /** The one SQLite file. */
  readonly dataFile: string
  /** Where backups are kept; beside the data file when not given. */
  readonly backupFolder?: string
  /** Where the log is kept; none: what needs somebody is only printed. */
  readonly logFolder?: string
  /** A second folder for them, on another disk. */
  readonly secondBackupFolder?: string
  /** When a backup is made each night, HH:MM of the server's own time zone; none: only when it is asked for. */
  readonly backupAt?: string
  /** A new, empty lab is wanted, although there was one before. */
  readonly newLab?: boolean
  /** Fills an empty file with the demo lab, and signs in by itself. */
  readonly demo: boolean
  /** Lets a signed-in person move the clock of the lab: for demos and tests only. */
  readonly clockControl: boolean
  /** The balance, the water dispenser and the press of the bench; none: everything is typed. */
  readonly balance?: DeviceSetting
  readonly dispenser?: DeviceSetting
  readonly press?: DeviceSetting
  /** Burnout furnace and curing bath: a stand-in, or the thermometer of a real one; none: what is read is typed. */
  readonly furnace?: DeviceSetting
  readonly bath?: DeviceSetting
  /** Ceramic furnace and sintering furnace, likewise. */
  readonly kiln?: DeviceSetting
  readonly sinter?: DeviceSetting
  readonly spectrophotometer?: DeviceSetting
  /** How much faster than real the stand-ins run; 1 when not given. */
  readonly deviceSpeed?: number
  /** The clock of a new demo lab begins at this time of its next working day, HH:MM; none: at the real time. */
  readonly demoClock?: string
  /** The demo lab has an invented year behind it. */
  readonly demoYear?: boolean
  /** How long the planner looks for a better plan after every change, in rounds of its search; 0 or none: it makes no plan. */
  readonly planRounds?: number
  /** The built screens; none while they are served by Vite. */
  readonly webFolder?: string
}

/** A stand-in that ships with the server, or a device that speaks the line protocol over the network. */
export type DeviceSetting = 'stand-in' | { readonly host: string; readonly port: number }

/**
 * Reads the environment: PORT, HOST, YENTRIK_NAMES, YENTRIK_TLS, YENTRIK_TLS_CERT, YENTRIK_TLS_KEY, YENTRIK_DATA, YENTRIK_LOG, YENTRIK_BACKUPS, YENTRIK_SECOND_BACKUPS, YENTRIK_BACKUP_AT, YENTRIK_NEW_LAB, YENTRIK_DEMO, YENTRIK_CLOCK_CONTROL, YENTRIK_WEB,
 * YENTRIK_BALANCE, YENTRIK_DISPENSER, YENTRIK_PRESS, YENTRIK_FURNACE, YENTRIK_BATH, YENTRIK_KILN, YENTRIK_SINTER and YENTRIK_SPECTROPHOTOMETER (`stand-in`, `none` or HOST:PORT),
 * YENTRIK_DEVICE_SPEED, YENTRIK_PLAN_ROUNDS, YENTRIK_DEMO_YEAR.
 * @throws {Error} when one of them makes no sense: a server on a port that nobody expects is of no use
 */
export function settingsFrom(env: Readonly<Record<string, string | undefined>>): ServerSettings {
  const port = Number(env.PORT ?? 4310)
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is "${env.PORT}". Set a whole number from 0 to 65535, or leave it out for 4310.`)
  const demo = env.YENTRIK_DEMO === '1'
  const host = env.HOST ?? '127.0.0.1'
  if (demo && !isLoopback(host) && env.YENTRIK_DEMO_OPEN !== '1')
    throw new Error(
      `The demo lets everybody in, and HOST=${host} opens it to the network. Leave HOST out, or set YENTRIK_DEMO_OPEN=1 as well.`,
    )
  const dataFile = resolve(env.YENTRIK_DATA ?? 'data/yentrik.sqlite')
  return {
    port,
    host,
    ...tlsFrom(env),
    ...(env.YENTRIK_NAMES ? { names: env.YENTRIK_NAMES.split(',').map((name) => name.trim()) } : {}),
    dataFile,
    logFolder: resolve(env.YENTRIK_LOG ?? folderBeside(dataFile, 'log')),
    ...(env.YENTRIK_BACKUPS ? { backupFolder: resolve(env.YENTRIK_BACKUPS) } : {}),
    ...(env.YENTRIK_SECOND_BACKUPS ? { secondBackupFolder: resolve(env.YENTRIK_SECOND_BACKUPS) } : {}),
    backupAt: timeFrom(env.YENTRIK_BACKUP_AT),
    // The demo lab may be thrown away by removing its file.
    newLab: demo || env.YENTRIK_NEW_LAB === '1',
    demo,
    clockControl: demo || env.YENTRIK_CLOCK_CONTROL === '1',
    ...devicesFrom(env, demo ? 'stand-in' : 'none'),
    deviceSpeed: speedFrom(env.YENTRIK_DEVICE_SPEED),
    ...(env.YENTRIK_DEMO_CLOCK ? { demoClock: timeFrom(env.YENTRIK_DEMO_CLOCK, 'YENTRIK_DEMO_CLOCK') } : {}),
    demoYear: demo && env.YENTRIK_DEMO_YEAR === '1',
    planRounds: roundsFrom(env.YENTRIK_PLAN_ROUNDS),
    ...(env.YENTRIK_WEB ? { webFolder: resolve(env.YENTRIK_WEB) } : {}),
  }
}

/** Whether a host is reached from its own machine alone. */
export const isLoopback = (host: string): boolean => /^(localhost|127\.\d+\.\d+\.\d+|::1)$/.test(host)

/** `data/yentrik.sqlite` has its backups in `data/yentrik-backups`. */
export function backupFolderOf({ dataFile, backupFolder }: ServerSettings): string {
  return backupFolder ?? folderBeside(dataFile, 'backups')
}

function folderBeside(dataFile: string, what: string): string {
  const { dir, name } = parse(dataFile)
  return join(dir, `${name}-${what}`)
}

function tlsFrom(env: Readonly<Record<string, string | undefined>>): Pick<ServerSettings, 'tls'> {
  const { YENTRIK_TLS: tls, YENTRIK_TLS_CERT: cert, YENTRIK_TLS_KEY: key } = env
  if (cert && key) return { tls: { cert: resolve(cert), key: resolve(key) } }
  if (cert || key) throw new Error('A certificate takes both: YENTRIK_TLS_CERT and YENTRIK_TLS_KEY.')
  if (tls !== undefined && tls !== 'own' && tls !== 'none')
    throw new Error(`YENTRIK_TLS is "${tls}". Set own or none.`)
  return tls === 'own' ? { tls } : {}
}

function roundsFrom(text = '2000'): number {
  const rounds = Number(text)
  if (!Number.isInteger(rounds) || rounds < 0 || rounds > 1_000_000)
    throw new Error(`YENTRIK_PLAN_ROUNDS is "${text}". Set a whole number from 0 to 1000000.`)
  return rounds
}

function timeFrom(text = '02:30', variable = 'YENTRIK_BACKUP_AT'): string {
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(text))
    throw new Error(`${variable} is "${text}". Set a time of the day as 02:30.`)
  return text
}

const devices = [
  'balance',
  'dispenser',
  'press',
  'furnace',
  'bath',
  'kiln',
  'sinter',
  'spectrophotometer',
] as const

function devicesFrom(
  env: Readonly<Record<string, string | undefined>>,
  usual: string,
): Partial<Record<(typeof devices)[number], DeviceSetting>> {
  return Object.fromEntries(
    devices.flatMap((device) => {
      const variable = `YENTRIK_${device.toUpperCase()}`
      const setting = deviceFrom(variable, env[variable] ?? usual)
      return setting ? [[device, setting]] : []
    }),
  )
}

function deviceFrom(variable: string, text: string): DeviceSetting | undefined {
  if (text === 'none') return undefined
  if (text === 'stand-in') return text
  const address = /^([\w.-]+):(\d{1,5})$/.exec(text)
  if (!address) throw new Error(`${variable} is "${text}". Set stand-in, none, or the HOST:PORT of a device.`)
  return { host: address[1]!, port: Number(address[2]) }
}

function speedFrom(text: string | undefined): number {
  const speed = Number(text ?? 1)
  if (!(speed >= 1 && speed <= 100))
    throw new Error(`YENTRIK_DEVICE_SPEED is "${text}". Set a number from 1 to 100.`)
  return speed
}

/** Token under which the settings are injected. */
export const SETTINGS = 'yentrik-settings'
