import { Injectable } from '@nestjs/common'
import { noPlanSettings, type PlanSettings } from '@yentrik/core'
import { LabSettingRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'

const KEY = 'planning'

/** What the lab says of its planning: read once until somebody changes it. */
@Injectable()
export class PlanSettingsService {
  private held?: Promise<PlanSettings>

  constructor(
    private readonly settings: LabSettingsService,
    private readonly queue: WriteQueue,
    private readonly live: LiveService,
  ) {}

  all(): Promise<PlanSettings> {
    this.held ??= this.settings
      .get<Partial<PlanSettings>>(KEY)
      .then((kept) => ({ ...noPlanSettings, ...kept }))
      .catch((error: unknown) => {
        this.held = undefined
        throw error
      })
    return this.held
  }

  /** What the lab has timed of its own steps; what somebody has entered comes before it. */
  private learned: PlanSettings['minutes'] = {}

  /** As the plan takes them. */
  async forPlan(): Promise<PlanSettings> {
    const settings = await this.all()
    return { ...settings, minutes: { ...this.learned, ...settings.minutes } }
  }

  /** Minutes of hands by template and step: the plan takes them from now on. */
  learn(minutes: PlanSettings['minutes']): void {
    if (JSON.stringify(minutes) === JSON.stringify(this.learned)) return
    this.learned = minutes
    this.live.announce({ kind: 'plan' })
  }

  /** Reads and writes in one transaction, so that two people can change it at once. */
  async change(to: (before: PlanSettings) => PlanSettings): Promise<PlanSettings> {
    const next = await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(LabSettingRow, { key: KEY })
      const value = to({ ...noPlanSettings, ...(row?.value as Partial<PlanSettings> | undefined) })
      await manager.upsert(LabSettingRow, { key: KEY, value: value as object }, ['key'])
      return value
    })
    this.held = undefined
    this.live.announce({ kind: 'plan' })
    return next
  }
}
