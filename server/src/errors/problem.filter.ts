import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from '@nestjs/common'
import type { Problem } from '@yentrik/contract'
import { DomainError, type Saying } from '@yentrik/core'
import type { Response } from 'express'

/** A refusal by the server itself, with the same parts as one by the core. */
export class Refusal extends HttpException {
  constructor(
    status: number,
    readonly code: string,
    readonly detail: string,
    readonly remedy: string,
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail, status)
  }
}

/** The one place where an error becomes an answer. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('problem')

  catch(error: unknown, host: ArgumentsHost): void {
    const problem = this.problemOf(error)
    const response = host.switchToHttp().getResponse<Response>()
    if (response.headersSent) {
      response.end()
      return
    }
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem))
  }

  private problemOf(error: unknown): Problem {
    if (error instanceof DomainError)
      return problem(422, error.code, error.message, error.remedy, {
        ...(error.field ? { field: error.field } : {}),
        ...quantitiesOf(error),
      })
    if (error instanceof Refusal)
      return problem(error.getStatus(), error.code, error.detail, error.remedy, error.more)
    if (error instanceof HttpException) {
      const status = error.getStatus()
      const known = knownByStatus[status]
      return problem(status, known?.code ?? 'refused', error.message, known?.remedy ?? 'Check what was sent.')
    }
    this.logger.error(error instanceof Error ? error.stack : String(error))
    return problem(
      500,
      'our-fault',
      'Something went wrong on the server. Nothing was stored.',
      'Try again. If it stays, look at the server log.',
    )
  }
}

/** What was said with its quantities, where there are any: for whoever shows them in the units of a lab. */
function quantitiesOf({ said, advice }: DomainError): { said?: { detail: Saying; remedy: Saying } } {
  return typeof said === 'string' && typeof advice === 'string'
    ? {}
    : { said: { detail: said, remedy: advice } }
}

function problem(
  status: number,
  code: string,
  detail: string,
  remedy: string,
  more: Readonly<Record<string, unknown>> = {},
): Problem {
  return {
    type: `/api/refusals/${code}`,
    title: code.replaceAll('-', ' '),
    status,
    detail,
    code,
    remedy,
    ...more,
  }
}

const knownByStatus: Readonly<
  Record<number, { readonly code: string; readonly means: string; readonly remedy: string }>
> = {
  400: { code: 'not-readable', means: 'What was sent cannot be read.', remedy: 'Send valid JSON.' },
  401: { code: 'not-signed-in', means: 'Nobody is signed in.', remedy: 'Sign in first.' },
  403: { code: 'not-allowed', means: 'This person may not do that.', remedy: 'Ask the lab lead.' },
  404: {
    code: 'not-found',
    means: 'There is nothing at this address.',
    remedy: 'Check the address; see /api/docs.',
  },
  413: { code: 'too-large', means: 'More was sent than is taken at a time.', remedy: 'Send less at a time.' },
}
