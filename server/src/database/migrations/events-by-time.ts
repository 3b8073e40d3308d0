import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What was done last, whatever the case. */
export class EventsByTime1764300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE INDEX case_events_by_time ON case_events (at)`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX case_events_by_time`)
  }
}
