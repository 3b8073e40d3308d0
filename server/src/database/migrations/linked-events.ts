import { chained, hasLinks } from '@yentrik/core'
import type { MigrationInterface, QueryRunner } from 'typeorm'
import { eventHash } from '../event-hash.ts'
import { type EventColumns, eventOf } from '../event-rows.ts'

type Row = EventColumns & { readonly data: string }

/** Links the events that are there already, each to the one before: from now on a change of them shows. */
export class LinkedEvents1764400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const cases = (await runner.query('SELECT DISTINCT case_id FROM case_events')) as { case_id: string }[]
    for (const { case_id } of cases) {
      const rows = (await runner.query(
        'SELECT sequence, at, "by", type, data FROM case_events WHERE case_id = ? ORDER BY sequence',
        [case_id],
      )) as Row[]
      const events = rows.map(({ data, ...stamp }) => eventOf(stamp, data))
      if (hasLinks(events)) continue
      for (const { sequence, previous } of chained(events, eventHash).slice(1))
        await runner.query(
          "UPDATE case_events SET data = json_set(data, '$.previous', ?) WHERE case_id = ? AND sequence = ?",
          [previous, case_id, sequence],
        )
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("UPDATE case_events SET data = json_remove(data, '$.previous')")
  }
}
