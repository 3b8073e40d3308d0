import { result, route } from './route.ts'

/** How the server is reached. */
export interface NetworkState {
  /** null: plain http, which anybody in the network can read along. */
  readonly certificate: { readonly kind: 'files' | 'own'; readonly fingerprint: string } | null
  /** Under which it answers. */
  readonly names: readonly string[]
}

export const networkRoutes = {
  'GET /network': route({
    room: 'network',
    summary: 'The names of the server, and its certificate',
    answer: result<NetworkState>('Names and certificate'),
  }),
}
