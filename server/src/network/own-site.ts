import { hostname, networkInterfaces } from 'node:os'
import type { RequestHandler } from 'express'
import { Refusal } from '../errors/problem.filter.ts'
import type { ServerSettings } from '../settings/server-settings.ts'

/** The names under which this server may be called: its own, those of its machine, and what the settings say besides. */
export function ownNames({ host, names = [] }: Pick<ServerSettings, 'host' | 'names'>): ReadonlySet<string> {
  const here = ['localhost', '127.0.0.1', '[::1]']
  const everywhere = host === '0.0.0.0' || host === '::'
  const addresses = Object.values(networkInterfaces()).flatMap((each) => each ?? [])
  const machine = everywhere
    ? [
        hostname(),
        `${hostname()}.local`,
        ...addresses.map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address)),
      ]
    : [host]
  return new Set([...here, ...machine, ...names].map((name) => name.toLowerCase()))
}

/**
 * Refuses what another site makes a browser send: under a name that is not this server's, from a page of another origin, or as
 * a form. Whoever is no browser sends no origin and says that it is JSON.
 */
export function ownSiteOnly(settings: ServerSettings): RequestHandler {
  const names = ownNames(settings)
  return (request, _, next) => {
    const { host = '', origin } = request.headers
    if (!names.has(nameOf(host)))
      return next(
        new Refusal(
          421,
          'unknown-name',
          `This server does not go by the name ${JSON.stringify(host.slice(0, 80))}.`,
          'Use its own address, or add the name to YENTRIK_NAMES.',
        ),
      )
    if (origin !== undefined && originHost(origin) !== host.toLowerCase())
      return next(
        new Refusal(
          403,
          'other-site',
          'That came from a page of another site.',
          'Open Yentrik itself and do it there.',
        ),
      )
    const changes = !['GET', 'HEAD', 'OPTIONS'].includes(request.method)
    if (changes && request.path.startsWith('/api/') && !saysJson(request.headers))
      return next(
        new Refusal(
          415,
          'json-only',
          'What is sent here must be JSON.',
          'Send it with the content type application/json.',
        ),
      )
    next()
  }
}

const nameOf = (host: string) => host.toLowerCase().replace(/:\d*$/, '')

function originHost(origin: string): string | undefined {
  try {
    return new URL(origin).host
  } catch {
    return undefined
  }
}

/** A body that is JSON, or none at all: a page of another site cannot leave out the type of a form. */
function saysJson(headers: { readonly [name: string]: unknown }): boolean {
  const type = headers['content-type']
  if (type === undefined)
    return Number(headers['content-length'] ?? 0) === 0 && headers['transfer-encoding'] === undefined
  return /^application\/json\b/i.test(String(type))
}
