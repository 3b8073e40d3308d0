import 'reflect-metadata'
import { NestFactory } from '@nestjs/core'
import type { NestExpressApplication } from '@nestjs/platform-express'
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger'
import cookieParser from 'cookie-parser'
import { AppModule } from './app.module.ts'
import { commandShapes } from './cases/case-command.dto.ts'
import { CaseStore } from './cases/case-store.ts'
import { sheetShapes } from './cases/sheet.dto.ts'
import { DemoSeed } from './demo/demo-seed.service.ts'
import { LabSettingsService } from './lab/lab-settings.service.ts'
import type { ServerSettings } from './settings/server-settings.ts'
import { serveWeb } from './web/serve-web.ts'

/** The whole server, ready to listen: the same for daily work, demo and tests. */
export async function createApp(settings: ServerSettings, quiet = false): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(settings), {
    abortOnError: false,
    // Open event streams would otherwise keep a stopping server alive.
    forceCloseConnections: true,
    logger: quiet ? ['error', 'fatal'] : ['error', 'fatal', 'warn'],
  })
  // A connection that a browser is about to use again must not be closed under it after Node's usual 5 s.
  app.getHttpServer().keepAliveTimeout = 65_000
  app.enableShutdownHooks()
  app.setGlobalPrefix('api')
  app.use(cookieParser())
  app.useBodyParser('json', { limit: '10mb' })
  const description = new DocumentBuilder().setTitle('Yentrik').setVersion('1').build()
  SwaggerModule.setup(
    'docs',
    app,
    () =>
      SwaggerModule.createDocument(app, description, {
        extraModels: [...commandShapes, ...sheetShapes].map((shape) => shape.value),
      }),
    { useGlobalPrefix: true, jsonDocumentUrl: 'openapi.json' },
  )
  if (settings.webFolder) serveWeb(app, settings.webFolder)
  await app.init()
  const { calendar } = await app.get(LabSettingsService).lab()
  await app.get(CaseStore).renewSummaries(calendar)
  if (settings.demo) await app.get(DemoSeed).seedIfEmpty()
  return app
}
