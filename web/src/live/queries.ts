import { QueryClient, type QueryKey, type UseQueryResult, useQuery } from '@tanstack/react-query'
import type { Answer, RouteKey } from '@yentrik/contract'
import { type PartsOf, Refusal, type RequestParts, request } from './request.ts'

/** Routes that read. */
export type ReadKey = Extract<RouteKey, `GET ${string}`>

/** A server that is being started again is worth another try; a refusal is not. */
const MOST_TRIES = 3

/** What was fetched from the server; the stream of changes says when it is old. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: Number.POSITIVE_INFINITY,
      // A lab has its server next door: whether the world is reached says nothing.
      networkMode: 'always',
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
      retry: (failures, error) =>
        failures < MOST_TRIES && error instanceof Refusal && error.problem.status === 0,
    },
  },
})

export const keyOf = <K extends ReadKey>(route: K, parts?: RequestParts<K>): QueryKey =>
  parts === undefined ? [route] : [route, parts]

interface AnswerOptions<K extends ReadKey> {
  /** How often it is fetched again although nobody says that it changed, ms; undefined: never. */
  readonly everyMillis?: (answer: Answer<K> | undefined) => number | undefined
}
type AnswerArguments<K extends ReadKey> =
  Partial<RequestParts<K>> extends RequestParts<K>
    ? [parts?: RequestParts<K>, options?: AnswerOptions<K>]
    : [parts: RequestParts<K>, options?: AnswerOptions<K>]

/** What a route answers, kept fresh. The old answer stays while the new one is coming. */
export function useAnswer<K extends ReadKey>(
  route: K,
  ...[parts, { everyMillis } = {}]: AnswerArguments<K>
): UseQueryResult<Answer<K>, Refusal> {
  return useQuery<Answer<K>, Refusal>({
    queryKey: keyOf(route, parts),
    queryFn: ({ signal }) => request(route, ...([parts, signal] as unknown as PartsOf<K>)),
    refetchInterval: ({ state }) => everyMillis?.(state.data) ?? false,
  })
}

/** The answer that is held of a route, where one is. */
export function heldAnswer<K extends ReadKey>(route: K, ...[parts]: PartsOf<K>): Answer<K> | undefined {
  return queryClient.getQueryData<Answer<K>>(keyOf(route, parts))
}

/** Puts in the place of a held answer what is known to follow from a change. */
export function changeHeld<K extends ReadKey>(
  route: K,
  parts: RequestParts<K> | undefined,
  change: (held: Answer<K>) => Answer<K>,
): void {
  queryClient.setQueryData<Answer<K>>(keyOf(route, parts), (held) =>
    held === undefined ? undefined : change(held),
  )
}

/** Keeps what the server has answered to a change in the place of what was held. */
export function keepAnswer<K extends ReadKey>(route: K, answer: Answer<K>, ...[parts]: PartsOf<K>): void {
  queryClient.setQueryData(keyOf(route, parts), answer)
}

/** What is held of these routes is old: what is on screen is fetched again now, the rest when it is wanted. */
export function freshen(...routes: readonly ReadKey[]): Promise<unknown> {
  return Promise.all(routes.map((route) => queryClient.invalidateQueries({ queryKey: [route] })))
}
