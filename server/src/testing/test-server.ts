import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { NestExpressApplication } from '@nestjs/platform-express'
import type { CaseRecord } from '@yentrik/contract'
import type { CaseEvent } from '@yentrik/core'
import request from 'supertest'
import { createApp } from '../create-app.ts'
import type { ServerSettings } from '../settings/server-settings.ts'

/** A whole server on a real SQLite file in a folder of its own, spoken to over HTTP as somebody who is signed in. */
export class TestServer {
  readonly folder = mkdtempSync(join(tmpdir(), 'yentrik-test-'))
  app: NestExpressApplication
  cookie = ''

  static async open(settings: Partial<ServerSettings> = {}): Promise<TestServer> {
    const server = new TestServer()
    await server.start(settings)
    if (settings.demo) return server
    await server.post('/first-start', { name: 'Ada', passphrase: 'plaster before noon' }).expect(201)
    const answer = await server
      .post('/session', { name: 'Ada', passphrase: 'plaster before noon' })
      .expect(201)
    server.cookie = String(answer.headers['set-cookie']).split(';')[0] ?? ''
    return server
  }

  async start(settings: Partial<ServerSettings> = {}): Promise<void> {
    const dataFile = join(this.folder, 'lab.sqlite')
    this.app = await createApp(
      { port: 0, host: '127.0.0.1', dataFile, demo: false, clockControl: true, ...settings },
      true,
    )
    await this.app.listen(0, '127.0.0.1')
  }

  /** Stops and starts on the same file: what it answers afterwards is what the file holds. */
  async restart(settings: Partial<ServerSettings> = {}): Promise<void> {
    await this.app.close()
    await this.start(settings)
  }

  /** A request with nothing in it yet, as somebody who is signed in. */
  request(verb: 'get' | 'post' | 'put' | 'delete', path: string) {
    return request(this.app.getHttpServer())[verb](`/api${path}`).set('cookie', this.cookie)
  }
  get(path: string) {
    return request(this.app.getHttpServer()).get(`/api${path}`).set('cookie', this.cookie)
  }
  post(path: string, body: object) {
    return request(this.app.getHttpServer()).post(`/api${path}`).set('cookie', this.cookie).send(body)
  }
  delete(path: string) {
    return request(this.app.getHttpServer()).delete(`/api${path}`).set('cookie', this.cookie)
  }
  put(path: string, body: object) {
    return request(this.app.getHttpServer()).put(`/api${path}`).set('cookie', this.cookie).send(body)
  }

  /** Takes in a study cast that is due in three days. */
  async receive(change: object = {}): Promise<CaseRecord> {
    return (await this.post('/cases', { ...intake(), ...change }).expect(201)).body as CaseRecord
  }
  /** A study cast that has come to its pour, and the sequence it stands at. */
  async atThePour(change: object = {}): Promise<{ caseId: string; docket: string; seen: number }> {
    const record = await this.receive(change)
    const first = record.events[0]
    let seen = 1
    const give = async (command: object) => {
      await this.command(record.caseId, seen, { jobId: 'job-1', ...command }).expect(201)
      seen++
    }
    const looks: Readonly<Record<string, object>> = {
      'work-authorisation': { checkId: 'authorisation-complete', answer: 'Complete' },
      'inspect-impression': { checkId: 'impression-whole', answer: 'Whole' },
    }
    for (const stepId of ['work-authorisation', 'disinfect-impression', 'inspect-impression', 'wrap']) {
      await give({ type: 'startStep', stepId })
      if (looks[stepId]) await give({ type: 'recordCheck', stepId, ...looks[stepId] })
      await give({ type: 'finishStep', stepId })
    }
    await give({ type: 'startStep', stepId: 'pour-anatomy' })
    return { caseId: record.caseId, docket: first?.type === 'caseReceived' ? first.docket : '', seen }
  }
  command(caseId: string, seen: number, command: object) {
    return this.post(`/cases/${caseId}/events`, { seen, command })
  }
  async events(caseId: string): Promise<CaseEvent[]> {
    return ((await this.get(`/cases/${caseId}`).expect(200)).body as CaseRecord).events as CaseEvent[]
  }

  async close(): Promise<void> {
    await this.app.close()
    rmSync(this.folder, { recursive: true, force: true })
  }
}

/** What a clinic sends with a study cast. */
export function intake() {
  return {
    authorisation: {
      clinic: 'Mill Lane',
      prescriber: 'Dr. Orla',
      patientCode: 'P-7',
      wanted: 'Study cast',
      teeth: [11, 21],
      dueAt: new Date(Date.now() + 3 * 86_400_000).toISOString(),
      enclosures: ['Tray'],
    },
    jobs: [{ templateId: 'study-cast', choices: { arch: 'upper' } }],
  }
}

/** Stone of a lot for that pour. */
export const mixOf = (lotId: string, powderGrams = 100) => ({
  type: 'recordMix',
  jobId: 'job-1',
  stepId: 'pour-anatomy',
  amountId: 'stone',
  materialId: 'high-strength-stone',
  powderGrams,
  liquidMillilitres: 0.23 * powderGrams,
  powderFrom: 'balance',
  liquidFrom: 'dispenser',
  lots: [lotId],
})
