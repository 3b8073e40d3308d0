import 'reflect-metadata'
import type { HttpsOptions } from '@nestjs/common/interfaces/external/https-options.interface.js'
import { NestFactory } from '@nestjs/core'
import type { NestExpressApplication } from '@nestjs/platform-express'
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger'
import { routes, USUAL_MOST } from '@yentrik/contract'
import cookieParser from 'cookie-parser'
import express from 'express'
import { AppModule } from './app.module.ts'
import { Backups } from './backup/backups.service.ts'
import { takeDataFile } from './backup/take-data-file.ts'
import { describeCalculators } from './calc/describe-calculators.ts'
import { CaseStore } from './case/case-store.ts'
import { markDataFile } from './database/data-file.ts'
import { DemoSeed } from './demo/demo-seed.service.ts'
import { LabSettingsService } from './lab/lab-settings.service.ts'
import { LiveService } from './live/live.service.ts'
import { LabLog } from './log/lab-log.ts'
import { ownSiteOnly } from './network/own-site.ts'
import { safeHeaders } from './network/safe-headers.ts'
import { tlsOf } from './network/tls.ts'
import type { ServerSettings } from './settings/server-settings.ts'
import { serveWeb } from './web/serve-web.ts'

/**
 * The whole server, ready to listen: the same for daily work, demo and tests. It holds its data file until it is closed.
 * @throws {StartFault} when the data file is in use, gone, damaged, of a newer version or not to be written
 */
export async function createApp(settings: ServerSettings, quiet = false): Promise<NestExpressApplication> {
  const letGo = await takeDataFile(settings)
  try {
    return await appOn(settings, letGo, quiet)
  } catch (error) {
    letGo()
    throw error
  }
}

async function appOn(
  settings: ServerSettings,
  letGo: () => void,
  quiet: boolean,
): Promise<NestExpressApplication> {
  const tls = await tlsOf(settings)
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(settings, tls, letGo), {
    ...(tls && { httpsOptions: { cert: tls.cert, key: tls.key, minVersion: 'TLSv1.2' } as HttpsOptions }),
    abortOnError: false,
    // Open event streams would otherwise keep a stopping server alive.
    forceCloseConnections: true,
    bodyParser: false,
    logger: settings.logFolder
      ? await LabLog.in(settings.logFolder)
      : quiet
        ? ['error', 'fatal']
        : ['error', 'fatal', 'warn'],
  })
  // A connection that a browser is about to use again must not be closed under it after Node's usual 5 s.
  const http = app.getHttpServer()
  http.keepAliveTimeout = 65_000
  // Whoever sends half a request, or ever more slowly, is not waited for.
  http.headersTimeout = HEADERS_MILLIS
  http.requestTimeout = REQUEST_MILLIS
  app.enableShutdownHooks()
  app.setGlobalPrefix('api')
  app.disable('x-powered-by')
  app.use(...safeHeaders())
  app.use(ownSiteOnly(settings))
  app.use(cookieParser())
  app.use(jsonBodies())
  app.use(marked(app.get(LiveService)))
  const description = new DocumentBuilder().setTitle('Yentrik').setVersion('1').build()
  SwaggerModule.setup(
    'docs',
    app,
    () => describeCalculators(SwaggerModule.createDocument(app, description)),
    { useGlobalPrefix: true, jsonDocumentUrl: 'openapi.json' },
  )
  if (settings.webFolder) serveWeb(app, settings.webFolder)
  await app.init()
  markDataFile(settings.dataFile)
  const { calendar } = await app.get(LabSettingsService).lab()
  await app.get(CaseStore).renewSummaries(calendar)
  await app.get(CaseStore).forgetOldKeys()
  if (settings.demo) await app.get(DemoSeed).seedIfEmpty()
  await app.get(Backups).catchUp()
  return app
}

/** Says with every answer how far the changes had come before it was made. */
function marked(live: LiveService): express.RequestHandler {
  return (_, response, next) => {
    response.setHeader('x-yentrik-mark', live.mark)
    next()
  }
}

/** A whole case of 10 MB comes in that time over the slowest network of a lab. */
const REQUEST_MILLIS = 60_000
const HEADERS_MILLIS = 20_000

/** A calculator is asked for a figure, not sent a case. */
const CALC_MOST = 100_000

/** Reads JSON bodies, each address up to its own size. */
function jsonBodies(): express.RequestHandler {
  const large = Object.entries(routes).flatMap(([key, { most }]) =>
    most > USUAL_MOST ? [[`/api${key.split(' ')[1]}`, express.json({ limit: most })] as const] : [],
  )
  const [calc, usual] = [express.json({ limit: CALC_MOST }), express.json({ limit: USUAL_MOST })]
  return (request, response, next) => {
    const own = large.find(([address]) => address === request.path)?.[1]
    const parse = own ?? (request.path.startsWith('/api/calc/') ? calc : usual)
    parse(request, response, next)
  }
}
