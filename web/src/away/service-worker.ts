import {
  cleanupOutdatedCaches,
  matchPrecache,
  type PrecacheEntry,
  precacheAndRoute,
} from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

/** The files of this build, put here by it. */
declare const SHELL_FILES: PrecacheEntry[]

/** A server next door answers at once or not at all. */
const WAIT_MILLIS = 4000

/**
 * Opens the application while the server is away. A page comes from the server wherever it answers; only then from what was
 * kept, which is of one build as a whole: a new build takes its place once no page of the old one is open.
 */
// The address of the page itself is not one of its files: that is asked of the server first.
precacheAndRoute(SHELL_FILES, { directoryIndex: '' })
cleanupOutdatedCaches()
registerRoute(
  new NavigationRoute(
    async ({ request }) => {
      try {
        return await fetch(request, { signal: AbortSignal.timeout(WAIT_MILLIS) })
      } catch {
        return (await matchPrecache('/index.html')) ?? Response.error()
      }
    },
    { denylist: [/^\/api\//] },
  ),
)
