import type { MigrationInterface, QueryRunner } from 'typeorm'

const steps = [
  // What ran before was a stand-in.
  `ALTER TABLE machine_runs ADD COLUMN stand_in INTEGER NOT NULL DEFAULT 1`,
  `CREATE TABLE machine_readings (
    run_id TEXT NOT NULL REFERENCES machine_runs (run_id), minutes INTEGER NOT NULL, celsius REAL NOT NULL,
    PRIMARY KEY (run_id, minutes)) WITHOUT ROWID`,
]

export class Thermometers1764200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const step of steps) await runner.query(step)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE machine_readings`)
    await runner.query(`ALTER TABLE machine_runs DROP COLUMN stand_in`)
  }
}
