import { Inject, Injectable, Logger, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common'
import { SchedulerRegistry } from '@nestjs/schedule'
import type { BackupState } from '@yentrik/contract'
import { CronJob } from 'cron'
import { backupsIn, copyBackup, makeBackup, thinOut } from '../database/backup-files.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { backupFolderOf, SETTINGS, type ServerSettings } from '../settings/server-settings.ts'

const HOUR = 3_600_000
/** A server that was off at night makes up for it when it starts. */
const MISSED_AFTER = 24 * HOUR
/** Two nights without a backup are no accident any more. */
const OVERDUE_AFTER = 48 * HOUR

export const NIGHTLY = 'nightly-backup'

/** Backups by themselves: each night, and at the start where a night was missed. By the clock of the machine, not of the lab. */
@Injectable()
export class Backups implements OnModuleInit, OnApplicationShutdown {
  private readonly logger = new Logger('backup')
  private readonly folder: string
  private readonly startedAt = Date.now()
  private failure?: BackupState['failure']
  private running?: Promise<void>

  constructor(
    @Inject(SETTINGS) private readonly settings: ServerSettings,
    private readonly scheduler: SchedulerRegistry,
  ) {
    this.folder = backupFolderOf(settings)
  }

  onModuleInit(): void {
    const { backupAt } = this.settings
    if (!backupAt) return
    const [hour, minute] = backupAt.split(':')
    const job = CronJob.from({
      cronTime: `${Number(minute)} ${Number(hour)} * * *`,
      onTick: () => this.makeQuietly(),
      waitForCompletion: true,
    })
    this.scheduler.addCronJob(NIGHTLY, job)
    job.start()
  }

  /** Makes up for a night that was missed; called when the data file is open. */
  async catchUp(): Promise<void> {
    const [newest] = backupsIn(this.folder)
    if (this.settings.backupAt && !(Date.now() - (newest?.at.getTime() ?? 0) < MISSED_AFTER))
      await this.makeQuietly()
  }

  async onApplicationShutdown(): Promise<void> {
    await this.running?.catch(() => undefined)
  }

  state(): BackupState {
    const [newest, ...older] = backupsIn(this.folder)
    return {
      folder: this.folder,
      secondFolder: this.settings.secondBackupFolder ?? null,
      nightlyAt: this.settings.backupAt ?? null,
      newest: newest ? { file: newest.file, at: newest.at.getTime(), bytes: newest.bytes } : null,
      older: older.length,
      overdue: Date.now() - (newest?.at.getTime() ?? this.startedAt) > OVERDUE_AFTER,
      failure: this.failure ?? null,
    }
  }

  /** One at a time: who asks meanwhile gets the same. @throws {Refusal} `backup-failed` */
  make(): Promise<void> {
    this.running ??= this.makeOne().finally(() => {
      this.running = undefined
    })
    return this.running
  }

  private async makeQuietly(): Promise<void> {
    // It is in the log and on the screen.
    await this.make().catch(() => undefined)
  }

  private async makeOne(): Promise<void> {
    const { dataFile, secondBackupFolder: second } = this.settings
    try {
      const made = await makeBackup(dataFile, this.folder, new Date())
      if (second) copyBackup(made, second)
      for (const folder of [this.folder, ...(second ? [second] : [])]) thinOut(folder)
      this.failure = undefined
    } catch (error) {
      const fault = error instanceof Error ? error.message : String(error)
      this.logger.error(`No backup was made: ${fault}`)
      this.failure = { at: Date.now(), fault }
      throw new Refusal(
        503,
        'backup-failed',
        `No backup was made: ${fault}.`,
        'Look whether the folder for backups can be written and has room, then make one again.',
      )
    }
  }
}
