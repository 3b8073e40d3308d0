import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const main = fileURLToPath(new URL('../../server/dist/main.js', import.meta.url))
const TICKS_PER_SECOND = 100

/** The built server in a process and a folder of its own, on loopback alone; to be stopped, killed and started again. */
export class LabServer {
  folder = mkdtempSync(join(tmpdir(), 'yentrik-trust-'))
  dataFile = join(this.folder, 'lab.sqlite')
  output = ''
  #port = 0
  #child

  constructor(env = { YENTRIK_DEMO: '1' }) {
    this.env = env
  }

  get api() {
    return `http://127.0.0.1:${this.#port}/api`
  }

  /** @param limitBlocks the largest file that it may write, in blocks of 1024 bytes, as a disk that is full */
  async start(limitBlocks) {
    const env = { ...process.env, PORT: String(this.#port), YENTRIK_DATA: this.dataFile, ...this.env }
    const [command, args] =
      limitBlocks === undefined
        ? [process.execPath, [main]]
        : ['bash', ['-c', `ulimit -f ${limitBlocks}; exec "$0" "$1"`, process.execPath, main]]
    const child = spawn(command, args, { env, stdio: ['ignore', 'pipe', 'pipe'] })
    this.#child = child
    this.output = ''
    await new Promise((resolve, reject) => {
      const hear = (bytes) => {
        this.output += bytes
        const address = /https?:\/\/127\.0\.0\.1:(\d+)/.exec(this.output)
        if (!address) return
        this.#port = Number(address[1])
        resolve()
      }
      child.stdout.on('data', hear)
      child.stderr.on('data', hear)
      child.once('exit', (code) => reject(new Error(`The server ended with ${code}: ${this.output}`)))
    })
    return this
  }

  async stop(signal = 'SIGTERM') {
    const child = this.#child
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = once(child, 'exit')
    child.kill(signal)
    await gone
  }

  async remove() {
    await this.stop('SIGKILL')
    rmSync(this.folder, { recursive: true, force: true })
  }

  /** Seconds of processor that it has used. */
  cpuSeconds() {
    const fields = readFileSync(`/proc/${this.#child.pid}/stat`, 'utf8').split(') ')[1].split(' ')
    return (Number(fields[11]) + Number(fields[12])) / TICKS_PER_SECOND
  }

  /** Megabytes that it has in memory. */
  megabytes() {
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${this.#child.pid}/status`, 'utf8'))[1]) / 1024
  }
}

/** Asks a lab over HTTP. @returns status, what was answered and how long it took; status 0: no answer */
export async function ask(api, path, { method, body, cookie, signal } = {}) {
  const begun = performance.now()
  try {
    const answer = await fetch(api + path, {
      method: method ?? (body === undefined ? 'GET' : 'POST'),
      signal,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(cookie ? { cookie } : {}),
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const text = await answer.text()
    const millis = performance.now() - begun
    const isJson = answer.headers.get('content-type')?.includes('json')
    return {
      status: answer.status,
      body: isJson && text !== '' ? JSON.parse(text) : text,
      cookie: answer.headers.get('set-cookie')?.split(';')[0],
      millis,
    }
  } catch (error) {
    return { status: 0, body: String(error), millis: performance.now() - begun }
  }
}

/** A case of the simplest kind. */
export const intake = (docket) => ({
  docket,
  authorisation: {
    clinic: 'Mill Lane',
    prescriber: 'Dr. Orla',
    patientCode: `P-${docket}`,
    wanted: 'Study cast',
    teeth: [],
    dueAt: new Date(Date.now() + 30 * 24 * 3_600_000).toISOString(),
    enclosures: [],
  },
  jobs: [{ templateId: 'study-cast', choices: { arch: 'upper' } }],
})

export const quantile = (values, share) => {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0
}

export const pause = (millis) => new Promise((resolve) => setTimeout(resolve, millis))
