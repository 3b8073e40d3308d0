import type { SeriesChart } from './chart-room.ts'
import { type CountedRecord, type Period, within } from './counted-record.ts'
import type { QualityFigures } from './figures.ts'

export const qualityTables = ['goingsBack', 'steps', 'values', 'comparisons'] as const
export type QualityTable = (typeof qualityTables)[number]

/** Rows for other programs: source figures in SI with their unit in the head, times in UTC, nobody's name. */
export interface Table {
  readonly head: readonly string[]
  readonly rows: readonly (readonly (string | number | undefined)[])[]
}
const utc = (at: number) => new Date(at).toISOString()
const yes = (is: boolean) => (is ? 'yes' : 'no')

/**
 * @param figures those of the period
 * @param lotNumber of a lot by its id
 */
export function qualityTable(
  which: QualityTable,
  record: CountedRecord,
  figures: QualityFigures,
  charts: readonly SeriesChart[],
  lotNumber: (lotId: string) => string,
): Table {
  switch (which) {
    case 'goingsBack':
      return goingsBack(record, figures.period)
    case 'steps':
      return {
        head: [
          ...['job', 'step', 'first_pass_count', 'first_pass_of', 'share', 'share_low', 'share_high'],
          ...['hands_min', 'hands_lost_min'],
        ],
        rows: figures.yields.flatMap(({ template, steps }) =>
          steps.map(({ step, firstPass: { count, of, share, low, high }, handsMinutes, lostMinutes }) => [
            ...[template, step, count, of, share, low, high],
            ...[handsMinutes, lostMinutes],
          ]),
        ),
      }
    case 'values':
      return {
        head: [
          'series',
          'name',
          'unit',
          'docket',
          'at_utc',
          'value',
          'repeat',
          'left_out',
          'mean',
          'low',
          'high',
          'state',
        ],
        rows: charts.flatMap(({ series, name, quantity, points, mean, low, high, state }) =>
          points().map(({ docket, at, value, repeat, leftOut }) => [
            ...[series, name, quantity, docket, utc(at), value, yes(repeat === true), leftOut],
            ...[mean, low, high, state],
          ]),
        ),
      }
    case 'comparisons':
      return {
        head: [
          ...['kind', 'of', 'name', 'count', 'jobs', 'others_count', 'others_jobs', 'state'],
          ...['difference', 'difference_low', 'difference_high', 'crude_difference', 'odds_ratio'],
          ...['odds_ratio_low', 'odds_ratio_high', 'mid_p', 'q', 'mix_misleads'],
        ],
        rows: figures.comparisons.map(({ kind, of, name, first, second, compared, q }) => {
          const { state, common, crude, exact, mixMisleads } = compared
          return [
            ...[kind, of, kind === 'lot' ? lotNumber(name) : name],
            ...[first.count, first.of, second.count, second.of, state],
            ...[common?.difference.value, common?.difference.low, common?.difference.high, crude.difference],
            ...[common?.oddsRatio?.value, common?.oddsRatio?.low, common?.oddsRatio?.high],
            ...[exact.midP, q, yes(mixMisleads)],
          ]
        }),
      }
  }
}

function goingsBack({ backs }: CountedRecord, period: Period): Table {
  return {
    head: [
      ...['docket', 'job', 'step_back_to', 'step_found_at', 'side', 'remake', 'at_utc'],
      ...['hands_lost_min', 'clock_lost_min', 'machine_lost_min', 'mixes_lost_g', 'cause', 'cause_how'],
    ],
    rows: backs
      .filter(({ at }) => within(period, at))
      .map(({ of, job, to, foundAt, side, remake, at, handsMinutes, clockMinutes, ...back }) => [
        ...[of.docket, job.template, to, foundAt, side, yes(remake), utc(at)],
        ...[handsMinutes, clockMinutes, back.machineMinutes, back.grams, back.said ?? back.cause, back.how],
      ]),
  }
}
