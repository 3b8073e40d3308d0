import { Controller, Inject, Req, Res } from '@nestjs/common'
import type { Person, Session } from '@yentrik/contract'
import type { CookieOptions, Request, Response } from 'express'
import { isThisMachine } from '../network/this-machine.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { BenchPins, UNLOCKED_MILLIS } from './bench-pins.ts'
import { PeopleService } from './people.service.ts'
import { benchCookie, benchOf, sessionCookie, tokenOf } from './session.guard.ts'
import { LONGEST_MILLIS, Sessions } from './sessions.service.ts'

@Controller()
export class PeopleController {
  constructor(
    private readonly people: PeopleService,
    private readonly sessions: Sessions,
    private readonly pins: BenchPins,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  @Handles('GET /session')
  async session({ me }: Call<'GET /session'>, @Req() request: Request): Promise<Session> {
    const firstStart = await this.people.isFirstStart()
    return {
      person: me ?? null,
      firstStart,
      codeNeeded: firstStart && !isThisMachine(addressOf(request)),
      readable: !this.settings.tls && !isThisMachine(addressOf(request)),
      demo: this.settings.demo,
      names: me ? (await this.people.all()).map(({ name }) => name) : [],
      pins: me ? [] : this.pins.names(benchOf(request)),
    }
  }

  @Handles('POST /session')
  async signIn(
    { body }: Call<'POST /session'>,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ) {
    const address = addressOf(request)
    const person = await this.people.signIn(body.name, body.passphrase, address)
    await this.letIn(person, address, response)
    const bench = this.pins.unlock(benchOf(request), person)
    response.cookie(benchCookie(this.settings), bench, this.cookie(UNLOCKED_MILLIS))
    return person
  }

  @Handles('POST /session/pin')
  async comeBack(
    { body }: Call<'POST /session/pin'>,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ) {
    const { personId } = await this.pins.open(benchOf(request), body.name, body.pin)
    const person = await this.people.mustWorkHere(personId)
    return this.letIn(person, addressOf(request), response)
  }

  @Handles('PUT /session/pin')
  async choosePin({ body, me }: Call<'PUT /session/pin'>, @Req() request: Request) {
    const until = await this.pins.choose(benchOf(request), me, body.pin)
    return { until: new Date(until).toISOString() }
  }

  private async letIn(person: Person, address: string, response: Response): Promise<Person> {
    const token = await this.sessions.open(person, address)
    response.cookie(sessionCookie(this.settings), token, this.cookie(LONGEST_MILLIS))
    return person
  }

  private cookie(maxAge: number): CookieOptions {
    const secure = this.settings.tls !== undefined
    return { httpOnly: true, secure, sameSite: 'strict', path: '/', maxAge }
  }

  @Handles('DELETE /session')
  async signOut(
    _: Call<'DELETE /session'>,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ) {
    const token = tokenOf(request)
    if (token) await this.sessions.close(token)
    response.clearCookie(sessionCookie(this.settings), { path: '/', secure: this.settings.tls !== undefined })
  }

  @Handles('PUT /session/passphrase')
  async changePassphrase({ body, me }: Call<'PUT /session/passphrase'>, @Req() request: Request) {
    await this.people.changePassphrase(me, body.old, body.passphrase, addressOf(request))
    await this.sessions.endOthers(me, tokenOf(request))
    this.pins.forget(me.personId)
  }

  @Handles('GET /sessions')
  list({ me }: Call<'GET /sessions'>, @Req() request: Request) {
    return this.sessions.list(me, tokenOf(request))
  }

  @Handles('DELETE /sessions/:sessionId')
  async end({ path, me }: Call<'DELETE /sessions/:sessionId'>) {
    this.pins.forget(await this.sessions.end(path.sessionId, me))
  }

  @Handles('POST /first-start')
  first({ body }: Call<'POST /first-start'>, @Req() request: Request) {
    return this.people.addFirst(body.name.trim(), body.passphrase, body.code, addressOf(request))
  }

  @Handles('GET /people')
  all() {
    return this.people.list()
  }

  @Handles('POST /people')
  add({ body: { name, role, passphrase }, me }: Call<'POST /people'>) {
    return this.people.add(name.trim(), role, passphrase, me.name)
  }

  @Handles('POST /people/:personId/retire')
  async retire({ path, me }: Call<'POST /people/:personId/retire'>) {
    await this.people.retire(path.personId, new Date().toISOString(), me.name)
    this.pins.forget(path.personId)
  }
}

/** From where a request came. A proxy on this machine is not this machine: it says for whom it asks. */
function addressOf(request: Request): string {
  const forwarded = request.headers['x-forwarded-for']
  return forwarded === undefined
    ? (request.socket.remoteAddress ?? '')
    : `for ${String(forwarded).slice(0, 80)}`
}
