import { Controller, Get, Header, Inject } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { Refusal } from '../errors/problem.filter.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { Handles } from '../shapes/handles.ts'
import { Public } from '../shapes/public.ts'
import { ownNames } from './own-site.ts'
import type { Tls } from './tls.ts'

/** Token under which the certificate is injected. */
export const TLS = 'yentrik-tls'

@ApiTags('network')
@Controller()
export class NetworkController {
  constructor(
    @Inject(SETTINGS) private readonly settings: ServerSettings,
    @Inject(TLS) private readonly tls: Tls | null,
  ) {}

  @Handles('GET /network')
  state() {
    return {
      certificate: this.tls ? { kind: this.tls.kind, fingerprint: this.tls.fingerprint } : null,
      names: [...ownNames(this.settings)],
    }
  }

  /** For a machine that is to trust it: public, as it is sent with every connection anyway. */
  @Public()
  @Get('certificate.pem')
  @Header('content-type', 'application/x-pem-file')
  @Header('content-disposition', 'attachment; filename="yentrik-certificate.pem"')
  certificate(): string {
    if (!this.tls)
      throw new Refusal(
        404,
        'no-certificate',
        'This server has no certificate.',
        'Start it with YENTRIK_TLS=own; see the page Running a lab.',
      )
    return this.tls.cert
  }
}
