import { Injectable } from '@nestjs/common'
import type { LabSettings } from '@yentrik/contract'
import { usualCalendar } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { LabSettingRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'

/** What a lab keeps lists of, each thing under its own name. */
type LabList = 'tooth-sets' | 'equipment'

@Injectable()
export class LabSettingsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
  ) {}

  /** Read once until it is set: every command asks for the calendar, and knows it again by being the same object. */
  private held?: Promise<LabSettings>

  lab(): Promise<LabSettings> {
    this.held ??= this.readLab().catch((error: unknown) => {
      this.held = undefined
      throw error
    })
    return this.held
  }

  private async readLab(): Promise<LabSettings> {
    const usual: LabSettings = {
      labName: 'Our laboratory',
      address: '',
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
    this.held = undefined
  }

  /** A list of the lab, by name. */
  async list<T extends { readonly name: string }>(key: LabList): Promise<T[]> {
    return [...((await this.get<T[]>(key)) ?? [])].sort((a, b) => a.name.localeCompare(b.name))
  }

  /** Reads and writes in one transaction, so that two people can add to a list at once. */
  async changeList<T extends { readonly name: string }>(
    key: LabList,
    change: (things: readonly T[]) => readonly T[],
  ): Promise<void> {
    await this.queue.write(async (manager) => {
      const row = await manager.findOneBy(LabSettingRow, { key })
      const value = change((row?.value as T[] | undefined) ?? []) as object
      await manager.upsert(LabSettingRow, { key, value }, ['key'])
    })
  }
}
