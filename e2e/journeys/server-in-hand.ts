import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** A server of its own, to be stopped, killed and started again on the same file and port. */
export class ServerInHand {
  private child?: ChildProcess
  private readonly folder = mkdtempSync(join(tmpdir(), 'yentrik-own-'))
  private static started = 0
  /** A few ports for each process of the tests, so that two at once never meet. */
  readonly port = 20_000 + (process.pid % 5000) * 8 + (ServerInHand.started++ % 8)
  readonly url = `http://127.0.0.1:${this.port}`

  constructor(
    private readonly demo: boolean,
    private readonly more: Readonly<Record<string, string>> = {},
  ) {}

  async start(): Promise<void> {
    const main = new URL('../../server/dist/main.js', import.meta.url).pathname
    const env = {
      ...process.env,
      PORT: String(this.port),
      YENTRIK_DATA: join(this.folder, 'lab.sqlite'),
      YENTRIK_CLOCK_CONTROL: '1',
      YENTRIK_DEMO: this.demo ? '1' : '0',
      ...this.more,
    }
    this.child = spawn(process.execPath, [main], { env, stdio: 'ignore' })
    for (let tries = 0; tries < 200; tries++) {
      const healthy = await fetch(`${this.url}/api/health`).then(
        (r) => r.ok,
        () => false,
      )
      if (healthy) return
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    throw new Error('The server did not come up within 20 s.')
  }

  async stop(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    const { child } = this
    if (!child || child.exitCode !== null) return
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill(signal)
    await gone
  }

  async remove(): Promise<void> {
    await this.stop('SIGKILL')
    rmSync(this.folder, { recursive: true, force: true })
  }
}
