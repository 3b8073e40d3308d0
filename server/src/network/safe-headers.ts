import type { RequestHandler } from 'express'
import helmet from 'helmet'

/**
 * What every answer tells the browser: nothing from elsewhere, no script in the page itself, no frame around it, no guessing of
 * types, no word to other sites about where one was; and that nothing is kept but what a route declares keepable.
 */
export function safeHeaders(): RequestHandler[] {
  return [
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          connectSrc: ["'self'"],
          fontSrc: ["'self'"],
          // Photographs and codes are made in the page.
          imgSrc: ["'self'", 'data:', 'blob:'],
          // Drawings and charts carry their styles with them.
          styleSrc: ["'self'", "'unsafe-inline'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
          objectSrc: ["'none'"],
        },
      },
      referrerPolicy: { policy: 'no-referrer' },
      // Told by who serves it over TLS; over plain http a browser ignores it.
      strictTransportSecurity: false,
      xFrameOptions: { action: 'deny' },
    }),
    (request, response, next) => {
      if (request.path.startsWith('/api/')) response.setHeader('cache-control', 'no-store')
      next()
    },
  ]
}
