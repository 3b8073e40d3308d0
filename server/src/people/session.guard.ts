import {
  type CanActivate,
  createParamDecorator,
  type ExecutionContext,
  Injectable,
  SetMetadata,
} from '@nestjs/common'
import { Reflector } from '@nestjs/core'
import type { Request } from 'express'
import { Refusal } from '../errors/problem.filter.ts'
import { PeopleService, type Person } from './people.service.ts'

export const SESSION_COOKIE = 'yentrik_session'
const PUBLIC = 'yentrik-public'
/** Answers without a session. */
export const Public = () => SetMetadata(PUBLIC, true)

type WithPerson = Request & { person?: Person }

/** Every request has a person, but for the few that are public. */
@Injectable()
export class SessionGuard implements CanActivate {
  constructor(
    private readonly people: PeopleService,
    private readonly reflector: Reflector,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<WithPerson>()
    request.person = await this.people.whoIs(request.cookies?.[SESSION_COOKIE])
    if (
      request.person ||
      this.reflector.getAllAndOverride<boolean>(PUBLIC, [context.getHandler(), context.getClass()])
    )
      return true
    throw new Refusal(401, 'not-signed-in', 'Nobody is signed in.', 'Sign in first.')
  }
}

/** The person who asks. */
export const Me = createParamDecorator(
  (_: unknown, context: ExecutionContext) => context.switchToHttp().getRequest<WithPerson>().person,
)
