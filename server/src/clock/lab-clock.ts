import { Injectable, type OnModuleInit } from '@nestjs/common'
import { LabSettingsService } from '../lab/lab-settings.service.ts'

/** Lab time runs from an anchor at a speed; 1 and no offset in daily work. Kept, so that a restart changes no end time. */
interface ClockSetting {
  readonly realAnchor: number
  readonly labAnchor: number
  readonly speed: number
}

/** The one clock of the server. */
@Injectable()
export class LabClock implements OnModuleInit {
  private setting: ClockSetting = { realAnchor: 0, labAnchor: 0, speed: 1 }

  constructor(private readonly settings: LabSettingsService) {}

  async onModuleInit(): Promise<void> {
    this.setting = (await this.settings.get<ClockSetting>('clock')) ?? this.setting
  }

  /** ms since 1970, in lab time. */
  now(): number {
    const { realAnchor, labAnchor, speed } = this.setting
    return Math.round(labAnchor + (Date.now() - realAnchor) * speed)
  }

  get speed(): number {
    return this.setting.speed
  }

  /** Runs on from the present lab time, further on by some minutes, at a speed. */
  async change(speed: number, forwardMinutes: number): Promise<void> {
    this.setting = { realAnchor: Date.now(), labAnchor: this.now() + forwardMinutes * 60_000, speed }
    await this.settings.set('clock', this.setting)
  }
}
