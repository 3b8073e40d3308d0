import { Injectable } from '@nestjs/common'
import { type LabCalendar, type ToothSet, usualCalendar } from '@yentrik/core'
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

const TOOTH_SETS = 'tooth-sets'

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

  /** The lab's own tooth sets, by name. */
  async toothSets(): Promise<ToothSet[]> {
    return [...((await this.get<ToothSet[]>(TOOTH_SETS)) ?? [])].sort((a, b) => a.name.localeCompare(b.name))
  }

  /** Reads and writes in one transaction, so that two people can add a set at once. */
  async changeToothSets(change: (sets: readonly ToothSet[]) => readonly ToothSet[]): Promise<void> {
    await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(LabSettingRow, { key: TOOTH_SETS })
      const value = change((row?.value as ToothSet[] | undefined) ?? []) as object
      await manager.upsert(LabSettingRow, { key: TOOTH_SETS, value }, ['key'])
    })
  }
}
