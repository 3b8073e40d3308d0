import { Controller, Inject, Req, Res } from '@nestjs/common'
import type { Session } from '@yentrik/contract'
import type { Request, Response } from 'express'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { PeopleService } from './people.service.ts'
import { SESSION_COOKIE, tokenOf } from './session.guard.ts'

@Controller()
export class PeopleController {
  constructor(
    private readonly people: PeopleService,
    @Inject(SETTINGS) private readonly settings: ServerSettings,
  ) {}

  @Handles('GET /session')
  async session({ me }: Call<'GET /session'>): Promise<Session> {
    const people = await this.people.all()
    return {
      person: me ?? null,
      firstStart: people.length === 0,
      demo: this.settings.demo,
      names: me ? people.map(({ name }) => name) : [],
    }
  }

  @Handles('POST /session')
  async signIn({ body }: Call<'POST /session'>, @Res({ passthrough: true }) response: Response) {
    const { token, person } = await this.people.signIn(body.name, body.passphrase)
    response.cookie(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
      maxAge: 30 * 24 * 3600 * 1000,
    })
    return person
  }

  @Handles('DELETE /session')
  async signOut(
    _: Call<'DELETE /session'>,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ) {
    const token = tokenOf(request)
    if (token) await this.people.signOut(token)
    response.clearCookie(SESSION_COOKIE, { path: '/' })
  }

  @Handles('POST /people')
  async add({ body: { name, role, passphrase }, me }: Call<'POST /people'>) {
    const first = (await this.people.all()).length === 0
    if (!first && me?.role !== 'lead')
      throw new Refusal(403, 'lead-only', 'Only the lab lead adds people.', 'Ask the lab lead.')
    return this.people.add(name.trim(), first ? 'lead' : role, passphrase)
  }
}
