import { type CanActivate, type ExecutionContext, Injectable, SetMetadata } from '@nestjs/common'
import { Reflector } from '@nestjs/core'
import type { Person } from '@yentrik/contract'
import type { Request } from 'express'
import { Refusal } from '../errors/problem.filter.ts'
import { declaredRoute } from '../shapes/handles.ts'
import { PeopleService } from './people.service.ts'

export const SESSION_COOKIE = 'yentrik_session'
const PUBLIC = 'yentrik-public'
/** Answers without a session, where no route of the contract says so. */
export const Public = () => SetMetadata(PUBLIC, true)

type WithPerson = Request & { person?: Person }

/** The token of a session; a cookie that is no text is none. */
export function tokenOf({ cookies }: Request): string | undefined {
  const token: unknown = cookies?.[SESSION_COOKIE]
  return typeof token === 'string' ? token : undefined
}

/** Every request has a person, but for the few that are open. */
@Injectable()
export class SessionGuard implements CanActivate {
  constructor(
    private readonly people: PeopleService,
    private readonly reflector: Reflector,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<WithPerson>()
    request.person = await this.people.whoIs(tokenOf(request))
    const open =
      declaredRoute(context)?.open ??
      this.reflector.getAllAndOverride<boolean>(PUBLIC, [context.getHandler(), context.getClass()])
    if (request.person || open) return true
    throw new Refusal(401, 'not-signed-in', 'Nobody is signed in.', 'Sign in first.')
  }
}
