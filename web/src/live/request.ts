import type { Answer, Body, PathNames, PathOf, Problem, Query, RouteKey } from '@yentrik/contract'
import { type DomainError, type Saying, saying } from '@yentrik/core'
import { hearFirst } from './marks.ts'

/** Path, query and body of a request, as far as its route has them. */
export type RequestParts<K extends RouteKey> = ([PathNames<K>] extends [never]
  ? unknown
  : { readonly path: PathOf<K> }) &
  (Query<K> extends undefined
    ? unknown
    : Partial<Query<K>> extends Query<K>
      ? { readonly query?: Query<K> }
      : { readonly query: Query<K> }) &
  (Body<K> extends undefined ? unknown : { readonly body: Body<K> })
/** The parts as an argument, left out where a route has none. */
export type PartsOf<K extends RouteKey> =
  Partial<RequestParts<K>> extends RequestParts<K>
    ? [parts?: RequestParts<K>, signal?: AbortSignal]
    : [parts: RequestParts<K>, signal?: AbortSignal]

/** What the server refused, or that it did not answer, as a sentence for the person. */
export class Refusal extends Error {
  override readonly name = 'Refusal'
  /** What is wrong and what to do, with its quantities. */
  readonly said: Saying
  constructor(readonly problem: Problem) {
    super(`${problem.detail} ${problem.remedy}`)
    this.said = problem.said ? saying`${problem.said.detail} ${problem.said.remedy}` : this.message
  }
}

/** What the core refuses before anything is sent, as the server would say it. */
export function refusedHere({ code, message, remedy, field, said, advice }: DomainError): Refusal {
  return new Refusal({
    type: `/api/refusals/${code}`,
    title: message,
    status: 422,
    code,
    detail: message,
    remedy,
    ...(field ? { field } : {}),
    said: { detail: said, remedy: advice },
  })
}

/** What to say of something that went wrong. */
export function sentenceOf(error: unknown): Saying {
  return error instanceof Refusal ? error.said : String(error)
}

/** Who wants to know that the server takes this person for nobody any more. */
const signedOut = new Set<() => void>()
/** @returns stops listening */
export function onSignedOut(listener: () => void): () => void {
  signedOut.add(listener)
  return () => signedOut.delete(listener)
}

/** A server on the bench next door answers at once; whoever waits longer wants to know. */
const WAIT_MILLIS = 15_000
const SIGN_IN_FIRST = 401

/** Asks the server on a route of the contract. @throws {Refusal} */
export async function request<K extends RouteKey>(
  route: K,
  ...[parts, signal]: PartsOf<K>
): Promise<Answer<K>> {
  const [method, pattern] = route.split(' ') as [string, string]
  const { path, query, body } = (parts ?? {}) as {
    readonly path?: Readonly<Record<string, string>>
    readonly query?: Readonly<Record<string, string>>
    readonly body?: unknown
  }
  const address = pattern.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(path?.[name] ?? ''))
  const search = query ? `?${new URLSearchParams(query)}` : ''
  const patience = AbortSignal.timeout(WAIT_MILLIS)
  const sent = method === 'POST' || method === 'PUT'
  try {
    const response = await fetch(`/api${address}${search}`, {
      method,
      signal: signal ? AbortSignal.any([signal, patience]) : patience,
      ...(sent ? { body: JSON.stringify(body ?? {}), headers: { 'content-type': 'application/json' } } : {}),
    })
    if (method === 'GET') hearFirst(response.headers.get('x-yentrik-mark'))
    const text = await response.text()
    const answer = text === '' ? undefined : (JSON.parse(text) as unknown)
    if (response.status === SIGN_IN_FIRST && route !== 'POST /session') for (const tell of signedOut) tell()
    if (!response.ok) throw new Refusal({ ...notReached, ...(answer as Problem) })
    return answer as Answer<K>
  } catch (error) {
    if (error instanceof Refusal || signal?.aborted) throw error
    const problem = patience.aborted ? tooSlow(method !== 'GET') : notReached
    throw new Refusal(isKeyed(body) ? { ...problem, remedy: AGAIN } : problem)
  }
}

/** What carries a key is done once, however often it is sent. */
const isKeyed = (body: unknown) => typeof (body as { readonly key?: unknown } | undefined)?.key === 'string'
const AGAIN = 'It is not known whether it was stored. Try again: it is not done twice.'

const notReached: Problem = {
  type: 'about:blank',
  title: 'The server is not reached',
  status: 0,
  code: 'server-not-reached',
  detail: 'The server does not answer.',
  remedy: 'Nothing was stored. Check that it runs, then try again.',
}

/** Something that was sent may have been stored although no answer came. */
function tooSlow(sent: boolean): Problem {
  return {
    type: 'about:blank',
    title: 'The server is slow',
    status: 0,
    code: 'server-too-slow',
    detail: `The server has not answered for ${WAIT_MILLIS / 1000} s.`,
    remedy: sent
      ? 'It may have stored this all the same: look before you try again.'
      : 'Check that it runs, then try again.',
  }
}
