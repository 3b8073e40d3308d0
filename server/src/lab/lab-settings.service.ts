import { Injectable } from '@nestjs/common'
import { type LabCalendar, usualCalendar } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { LabSettingRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'

/** What a lab decides for itself. */
export interface LabSettings {
  readonly labName: string
  readonly calendar: LabCalendar
  /** The lab's own choices of variants, by template and matter, where they differ from the usual. */
  readonly variants: Readonly<Record<string, Readonly<Record<string, string>>>>
}

@Injectable()
export class LabSettingsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
  ) {}

  async lab(): Promise<LabSettings> {
    const usual: LabSettings = {
      labName: 'Our laboratory',
      calendar: usualCalendar(Intl.DateTimeFormat().resolvedOptions().timeZone),
      variants: {},
    }
    return { ...usual, ...((await this.get<Partial<LabSettings>>('lab')) ?? {}) }
  }

  async get<T>(key: string): Promise<T | undefined> {
    const row = await this.dataSource.getRepository(LabSettingRow).findOneBy({ key })
    return row?.value as T | undefined
  }

  async set(key: string, value: unknown): Promise<void> {
    await this.queue.write((manager) =>
      manager.upsert(LabSettingRow, { key, value: value as object }, ['key']),
    )
  }
}
