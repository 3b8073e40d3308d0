import { Controller } from '@nestjs/common'
import { buildRoute, DomainError, routeTemplates } from '@yentrik/core'
import { LiveService } from '../live/live.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { LabSettingsService } from './lab-settings.service.ts'

@Controller()
export class LabController {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  @Handles('GET /lab')
  lab() {
    return this.settings.lab()
  }

  @Handles('PUT /lab')
  async change({ body: { labName, variants, address } }: Call<'PUT /lab'>) {
    for (const [templateId, choices] of Object.entries(variants)) {
      const template = routeTemplates.get(templateId)
      if (!template)
        throw new DomainError(
          'no-such-template',
          `There is no job "${templateId}".`,
          'Choose one that exists.',
          'variants',
        )
      buildRoute(template, choices)
    }
    await this.settings.set('lab', {
      ...(await this.settings.lab()),
      labName,
      variants,
      ...(address === undefined ? {} : { address: address.trim() }),
    })
    this.live.announce({ kind: 'lab' })
    return this.settings.lab()
  }
}
