import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../../../', import.meta.url))

/**
 * The built server as a process of its own, to be stopped, killed and started again on the same file and port. The system
 * chooses the port; the server prints it. Build first: what is stale is not noticed here.
 */
export class ChildServer {
  readonly folder = mkdtempSync(join(tmpdir(), 'yentrik-child-'))
  readonly dataFile = join(this.folder, 'lab.sqlite')
  private child?: ChildProcess
  private port = 0
  private said = ''

  /** @param limitBlocks the largest file that the process may write, in blocks of 1024 bytes, as a disk that is full */
  constructor(
    private readonly env: Readonly<Record<string, string>>,
    private readonly limitBlocks?: number,
  ) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }
  get output(): string {
    return this.said
  }

  async start(): Promise<void> {
    const main = join(root, 'server/dist/main.js')
    const env = { ...process.env, PORT: String(this.port), YENTRIK_DATA: this.dataFile, ...this.env }
    const [command, args] =
      this.limitBlocks === undefined
        ? [process.execPath, [main]]
        : ['bash', ['-c', `ulimit -f ${this.limitBlocks}; exec "$0" "$1"`, process.execPath, main]]
    const child = spawn(command, args, { env, stdio: ['ignore', 'pipe', 'pipe'] })
    this.child = child
    this.said = ''
    await new Promise<void>((resolve, reject) => {
      const heard = (bytes: Buffer) => {
        this.said += bytes
        const address = /http:\/\/127\.0\.0\.1:(\d+)/.exec(this.said)
        if (!address) return
        this.port = Number(address[1])
        resolve()
      }
      child.stdout.on('data', heard)
      child.stderr.on('data', heard)
      child.once('exit', (code) => reject(new Error(`The server ended with ${code}: ${this.said}`)))
    })
  }

  /** Waits until it has really ended. */
  async stop(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    const { child } = this
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill(signal)
    await gone
  }

  /** Waits until it ends by itself or by another's hand. */
  async ended(): Promise<void> {
    const { child } = this
    if (child && child.exitCode === null && child.signalCode === null)
      await new Promise((resolve) => child.once('exit', resolve))
  }

  async remove(): Promise<void> {
    await this.stop('SIGKILL')
    rmSync(this.folder, { recursive: true, force: true })
  }
}
