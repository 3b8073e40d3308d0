import { Controller, Header, Inject } from '@nestjs/common'
import type { ChartShown, FaultFindings, QualityShown } from '@yentrik/contract'
import {
  countedRecord,
  findingsOf,
  groupedBy,
  instantMillis,
  type Period,
  type QualityFigures,
  qualityFigures,
  qualityTable,
  seriesCharts,
  startOfMonth,
  unknownsOf,
} from '@yentrik/core'
import { DataSource, In } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { LotRow } from '../database/entities.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { SETTINGS, type ServerSettings } from '../settings/server-settings.ts'
import { csvLine } from '../shapes/csv.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { planOf, QualityRecord } from './quality-record.service.ts'

@Controller()
export class QualityController {
  constructor(
    private readonly record: QualityRecord,
    private readonly clock: LabClock,
    private readonly settings: LabSettingsService,
    private readonly dataSource: DataSource,
    @Inject(SETTINGS) private readonly server: ServerSettings,
  ) {}

  @Handles('GET /quality')
  async quality({ query }: Call<'GET /quality'>): Promise<QualityShown> {
    const figures = qualityFigures(await this.record.input(), await this.period(query), planOf)
    const lots = await this.comparedLots(figures)
    return {
      figures,
      unknowns: unknownsOf(figures),
      lots: Object.fromEntries(
        lots.map(({ lotId, number, materialId }) => [lotId, { number, materialId }] as const),
      ),
      isDemo: this.server.demo,
    }
  }

  @Handles('GET /quality/chart')
  async chart({ query: { series } }: Call<'GET /quality/chart'>): Promise<ChartShown> {
    const charts = seriesCharts(countedRecord(await this.record.input()))
    const found = charts.find((chart) => chart.series === series)
    if (!found)
      throw new Refusal(
        404,
        'no-such-series',
        'There is no such chart.',
        'Go back to Quality and choose one.',
      )
    const points = found.points()
    const lots = await this.lots(points.flatMap(({ lot }) => lot ?? []))
    return {
      ...found,
      points,
      lots: Object.fromEntries(lots.map(({ lotId, number }) => [lotId, number] as const)),
    }
  }

  @Handles('GET /quality/table')
  @Header('content-type', 'text/csv; charset=utf-8')
  @Header('content-disposition', 'attachment; filename="quality.csv"')
  async table({ query }: Call<'GET /quality/table'>): Promise<string> {
    const input = await this.record.input()
    const record = countedRecord(input)
    const figures = qualityFigures(input, await this.period(query), planOf)
    const lots = await this.comparedLots(figures)
    const numbers = new Map(lots.map(({ lotId, number }) => [lotId, number]))
    const { head, rows } = qualityTable(
      query.which,
      record,
      figures,
      seriesCharts(record),
      (lotId) => numbers.get(lotId) ?? lotId,
    )
    return `${[head, ...rows].map(csvLine).join('\r\n')}\r\n`
  }

  @Handles('GET /quality/findings')
  async findings(): Promise<FaultFindings[]> {
    const record = countedRecord(await this.record.input())
    const faults = groupedBy(
      record.backs.filter(({ place, fault }) => place !== undefined && fault !== undefined),
      ({ place, fault }) => `${place}\n${fault}`,
    )
    return [...faults.values()].map(([first]) => {
      const place = first!.place!
      const fault = first!.fault!
      return { place, fault, found: findingsOf(record, place, fault) }
    })
  }

  @Handles('GET /quality/said')
  async said(): Promise<Awaited<ReturnType<QualityRecord['said']>>> {
    return this.record.said()
  }

  @Handles('POST /quality/seen')
  seen({ body, me }: Call<'POST /quality/seen'>) {
    return this.record.say({ type: 'signalSeen', ...body }, me.name)
  }

  @Handles('POST /quality/said')
  say({ body, me }: Call<'POST /quality/said'>) {
    return this.record.say(body, me.name)
  }

  /** What was asked for; else this month until now. */
  private async period({
    from,
    until,
  }: {
    readonly from?: string
    readonly until?: string
  }): Promise<Period> {
    const now = this.clock.now()
    const { calendar } = await this.settings.lab()
    return {
      from: from === undefined ? startOfMonth(now, calendar.timeZone) : instantMillis(from, 'from'),
      until: until === undefined ? now : instantMillis(until, 'until'),
    }
  }

  private comparedLots({ comparisons }: QualityFigures): Promise<LotRow[]> {
    return this.lots(comparisons.flatMap(({ kind, name }) => (kind === 'lot' ? [name] : [])))
  }

  private lots(lotIds: readonly string[]): Promise<LotRow[]> {
    return this.dataSource.manager.findBy(LotRow, { lotId: In([...new Set(lotIds)]) })
  }
}
