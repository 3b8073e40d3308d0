import { jest } from '@jest/globals'
import { QueryClientProvider } from '@tanstack/react-query'
import { type RenderResult, render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Person, Problem, RouteKey, Session } from '@yentrik/contract'
import type { ReactElement, ReactNode } from 'react'
import { MemoryRouter, Route, Routes, useLocation } from 'react-router'
import { queryClient } from '../live/queries.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { nobody, SessionContext } from '../session/session.ts'

/** What was asked of the server, in its order. */
export interface SentRequest {
  readonly method: string
  readonly address: string
  readonly body: unknown
}

/** Answers a route: with a value, a refusal, or by what was sent. */
type Answers = { readonly [K in RouteKey]?: unknown }

/** A refusal, as the server words it. */
export const refusal = (problem: Partial<Problem>): { readonly refused: Problem } => ({
  refused: {
    type: 'about:blank',
    title: 'Refused',
    status: 422,
    code: 'refused',
    detail: 'That is not right.',
    remedy: 'Do it otherwise.',
    ...problem,
  },
})

const patternOf = (route: string) => new RegExp(`^${route.split(' ')[1]!.replaceAll(/:\w+/g, '[^/]+')}$`)

/**
 * A server that answers what a test says and nothing else: what is not said is not reached. What was asked of it is in
 * the list that comes back.
 */
export function serverWith(answers: Answers): SentRequest[] {
  const sent: SentRequest[] = []
  globalThis.fetch = jest.fn(async (input: unknown, init: RequestInit = {}) => {
    const { pathname, search } = new URL(String(input), 'http://lab.test')
    const [method, path] = [init.method ?? 'GET', pathname.replace(/^\/api/, '')]
    const body = typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : undefined
    sent.push({ method, address: path + search, body })
    const route = Object.keys(answers).find(
      (each) => each.startsWith(`${method} `) && patternOf(each).test(path),
    ) as RouteKey | undefined
    if (!route) throw new TypeError('Failed to fetch')
    const given = answers[route]
    const answer =
      typeof given === 'function'
        ? (given as (body: unknown, query: URLSearchParams) => unknown)(body, new URLSearchParams(search))
        : given
    const refused = (answer as { readonly refused?: Problem } | undefined)?.refused
    return {
      ok: refused === undefined,
      status: refused?.status ?? 200,
      headers: { get: () => null },
      text: async () => (answer === undefined ? '' : JSON.stringify(refused ?? answer)),
    } as unknown as Response
  }) as unknown as typeof fetch
  return sent
}

/** The person at the bench of the tests. */
export const ada: Person = { personId: 'p-1', name: 'Ada', role: 'lead' } as Person

/** What the server says of who is here. */
export const sessionOf = (person: Person | null, more: Partial<Session> = {}): Session => ({
  ...nobody,
  person,
  ...more,
})

function Whereabouts() {
  const { pathname, search } = useLocation()
  return (
    <span data-testid="where" hidden>
      {pathname + search}
    </span>
  )
}

/** Types into a field in which something stands already. */
export async function retype(user: Shown['user'], field: HTMLElement, text: string): Promise<void> {
  await user.clear(field)
  await user.type(field, text)
}

export interface Shown extends RenderResult {
  readonly user: ReturnType<typeof userEvent.setup>
  /** The address that the screen has come to. */
  readonly where: () => string
}

/** Shows a part of the application in its surroundings: fetched answers, a session, an address. */
export function show(
  part: ReactElement,
  {
    at = '/',
    pattern = '*',
    person = ada,
  }: { readonly at?: string; readonly pattern?: string; readonly person?: Person | null } = {},
): Shown {
  const around = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={queryClient}>
      <SessionContext value={sessionOf(person)}>
        <MemoryRouter initialEntries={[at]}>
          <Whereabouts />
          <Routes>
            <Route path={pattern} element={children} />
            {pattern !== '*' && <Route path="*" element={null} />}
          </Routes>
        </MemoryRouter>
      </SessionContext>
    </QueryClientProvider>
  )
  const shown = render(part, { wrapper: around })
  return {
    ...shown,
    user: userEvent.setup(),
    where: () => shown.getByTestId('where').textContent ?? '',
  }
}

/** A fresh browser: nothing kept, nothing fetched, metric units. */
export function freshBrowser(): void {
  queryClient.clear()
  sessionStorage.clear()
  localStorage.clear()
  usePreferences.setState({ theme: 'system', units: 'metric', teeth: 'fdi', sound: true })
}
