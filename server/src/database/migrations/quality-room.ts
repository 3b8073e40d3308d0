import type { MigrationInterface, QueryRunner } from 'typeorm'

const steps = [
  `CREATE TABLE case_digests (
    case_id TEXT PRIMARY KEY NOT NULL, made TEXT NOT NULL, digest TEXT) WITHOUT ROWID`,
  `CREATE TABLE lab_events (
    sequence INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, at TEXT NOT NULL, by TEXT NOT NULL, deed TEXT NOT NULL)`,
]

export class QualityRoom1764900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const step of steps) await runner.query(step)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE lab_events`)
    await runner.query(`DROP TABLE case_digests`)
  }
}
