import { type CanActivate, type ExecutionContext, Injectable, Logger } from '@nestjs/common'
import { Reflector } from '@nestjs/core'
import type { Person } from '@yentrik/contract'
import { mayDo, type Right, rightRefused } from '@yentrik/core'
import type { Request } from 'express'
import { Refusal } from '../errors/problem.filter.ts'
import type { ServerSettings } from '../settings/server-settings.ts'
import { declaredRoute } from '../shapes/handles.ts'
import { PUBLIC } from '../shapes/public.ts'
import { Sessions } from './sessions.service.ts'

const PLAIN = 'yentrik_session'
/** A browser takes this one over TLS alone, from this server alone, for all of it. */
const ENCRYPTED = '__Host-yentrik_session'
export const sessionCookie = ({ tls }: Pick<ServerSettings, 'tls'>): string => (tls ? ENCRYPTED : PLAIN)

/** By which a bench is known again, where somebody typed a passphrase. */
export const benchCookie = ({ tls }: Pick<ServerSettings, 'tls'>): string =>
  tls ? '__Host-yentrik_bench' : 'yentrik_bench'

export function benchOf({ cookies, secure }: Request): string | undefined {
  const token: unknown = cookies?.[secure ? '__Host-yentrik_bench' : 'yentrik_bench']
  return typeof token === 'string' ? token : undefined
}

type WithPerson = Request & { person?: Person }

/** The token of a session; a cookie that is no text is none. */
export function tokenOf({ cookies, secure }: Request): string | undefined {
  const token: unknown = cookies?.[secure ? ENCRYPTED : PLAIN]
  return typeof token === 'string' ? token : undefined
}

export const notSignedIn = () => new Refusal(401, 'not-signed-in', 'Nobody is signed in.', 'Sign in first.')

/** @throws {Refusal} `no-right` with who may not what, and whom to ask */
export function mustHave({ role }: Person, right: Right): void {
  if (mayDo(role, right)) return
  const { sentence, remedy } = rightRefused(role, right)
  throw new Refusal(403, 'no-right', sentence, remedy)
}

/** Who was refused what, without what was sent. */
const refusedLine = ({ name, role }: Person, right: Right, { method, path }: Request) =>
  `${name}, ${role}, was refused: ${right} (${method} ${path})`

/** Every request has a person who may do what the route declares, but for the few that are open. */
@Injectable()
export class SessionGuard implements CanActivate {
  private readonly logger = new Logger('people')

  constructor(
    private readonly sessions: Sessions,
    private readonly reflector: Reflector,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<WithPerson>()
    request.person = await this.sessions.whoIs(tokenOf(request))
    const declared = declaredRoute(context)
    const open =
      declared?.open ??
      this.reflector.getAllAndOverride<boolean>(PUBLIC, [context.getHandler(), context.getClass()])
    if (open) return true
    if (request.person) {
      const right = declared?.right ?? 'look'
      if (!mayDo(request.person.role, right)) this.logger.warn(refusedLine(request.person, right, request))
      mustHave(request.person, right)
      return true
    }
    throw notSignedIn()
  }
}
