import { uptime } from 'node:os'
import { Injectable, Logger, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import type { ClockJump } from '@yentrik/contract'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'

/** Lab time runs from an anchor at a speed; 1 and no offset in daily work. Kept, so that a restart changes no end time. */
interface ClockSetting {
  readonly realAnchor: number
  readonly labAnchor: number
  readonly speed: number
}

const LOOK_EVERY_MILLIS = 5_000
/** What a time server corrects little by little is no jump. */
const JUMP_MILLIS = 5_000

/** How long the machine has been on, ms: counts while it sleeps, and nobody sets it. */
const steadyMillis = () => uptime() * 1000

/** The one clock of the server. It notices when somebody sets the clock of the machine. */
@Injectable()
export class LabClock implements OnModuleInit, OnApplicationShutdown {
  private readonly logger = new Logger('clock')
  private setting: ClockSetting = { realAnchor: 0, labAnchor: 0, speed: 1 }
  private lastJump?: ClockJump
  /** By how much the clock of the machine is ahead of the steady one. */
  private ahead = Date.now() - steadyMillis()
  private timer?: NodeJS.Timeout

  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  async onModuleInit(): Promise<void> {
    this.setting = (await this.settings.get<ClockSetting>('clock')) ?? this.setting
    this.lastJump = await this.settings.get<ClockJump>('clock-jump')
    this.timer = setInterval(() => void this.look(Date.now(), steadyMillis()), LOOK_EVERY_MILLIS)
    this.timer.unref()
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer)
  }

  /** ms since 1970, in lab time. */
  now(): number {
    return this.labTime(Date.now())
  }

  get speed(): number {
    return this.setting.speed
  }

  /** The last time that the clock of the machine was set; undefined: never. */
  get jump(): ClockJump | undefined {
    return this.lastJump
  }

  /** Runs on from the present lab time, further on by some minutes, at a speed. */
  async change(speed: number, forwardMinutes: number): Promise<void> {
    this.setting = { realAnchor: Date.now(), labAnchor: this.now() + forwardMinutes * 60_000, speed }
    await this.settings.set('clock', this.setting)
  }

  /** Looks whether the clock of the machine was set since the last look, ms of it and of the steady clock. */
  async look(wall: number, steady: number): Promise<void> {
    const byMillis = Math.round(wall - steady - this.ahead)
    if (Math.abs(byMillis) < JUMP_MILLIS) {
      // Followed, so that a clock which is corrected little by little never adds up to a jump.
      this.ahead += byMillis
      return
    }
    this.ahead += byMillis
    this.lastJump = { at: this.labTime(wall), byMillis }
    this.logger.warn(`The clock of the machine was set by ${(byMillis / 1000).toFixed(0)} s.`)
    this.live.announce({ kind: 'clock' })
    await this.settings.set('clock-jump', this.lastJump)
  }

  private labTime(wall: number): number {
    const { realAnchor, labAnchor, speed } = this.setting
    return Math.round(labAnchor + (wall - realAnchor) * speed)
  }
}
