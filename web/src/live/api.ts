/** What the server says when it refuses, RFC 9457. */
export interface Problem {
  readonly status: number
  readonly code: string
  readonly detail: string
  readonly remedy: string
  readonly field?: string
  readonly [more: string]: unknown
}

/** A refusal or a failed connection, as a sentence for the person. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(`${problem.detail} ${problem.remedy}`)
  }
}

const unreachable: Problem = {
  status: 0,
  code: 'server-not-reached',
  detail: 'The server does not answer.',
  remedy: 'Nothing was stored. Check that it runs, then try again.',
}

/** What to tell a person of something that went wrong. */
export function sentenceOf(error: unknown): string {
  return error instanceof ApiError ? error.message : String(error)
}

/** Asks the server. @throws {ApiError} */
export async function api<T>(path: string, options: { method?: string; body?: unknown } = {}): Promise<T> {
  const response = await fetch(`/api${path}`, {
    method: options.method ?? (options.body === undefined ? 'GET' : 'POST'),
    ...(options.body === undefined
      ? {}
      : { body: JSON.stringify(options.body), headers: { 'content-type': 'application/json' } }),
  }).catch(() => undefined)
  if (!response) throw new ApiError(unreachable)
  const text = await response.text()
  const answer = text === '' ? undefined : (JSON.parse(text) as unknown)
  if (!response.ok) throw new ApiError({ ...unreachable, ...(answer as Problem) })
  return answer as T
}
