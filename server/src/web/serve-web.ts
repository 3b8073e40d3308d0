import { join } from 'node:path'
import type { NestExpressApplication } from '@nestjs/platform-express'
import type { NextFunction, Request, Response } from 'express'

/** The built screens: hashed files for a year, the service worker, and the one page for every address that is not an API or a file. */
export function serveWeb(app: NestExpressApplication, folder: string): void {
  app.useStaticAssets(join(folder, 'assets'), {
    prefix: '/assets',
    index: false,
    immutable: true,
    maxAge: '1y',
  })
  // Browsers look whether it has changed; a kept copy would hold them back.
  app.use('/service-worker.js', (_: Request, response: Response) => {
    response.setHeader('Cache-Control', 'no-cache')
    response.sendFile(join(folder, 'service-worker.js'))
  })
  app.use((request: Request, response: Response, next: NextFunction) => {
    const page =
      request.method === 'GET' && !/^\/(api|assets)(\/|$)/.test(request.path) && request.accepts('html')
    if (!page) return next()
    response.setHeader('Cache-Control', 'no-cache')
    response.sendFile(join(folder, 'index.html'))
  })
}
