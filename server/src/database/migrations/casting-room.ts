import type { MigrationInterface, QueryRunner } from 'typeorm'

const steps = [
  `CREATE TABLE alloy_pieces (
    piece_id TEXT PRIMARY KEY, material_id TEXT NOT NULL, product_id TEXT, grams REAL NOT NULL, lots TEXT NOT NULL,
    history TEXT NOT NULL, weighed_at TEXT NOT NULL, from_case TEXT, taken_by TEXT)`,
  `CREATE INDEX alloy_pieces_taken ON alloy_pieces (taken_by)`,
  `CREATE TABLE machine_runs (
    run_id TEXT PRIMARY KEY, machine TEXT NOT NULL, kind TEXT NOT NULL, program TEXT NOT NULL, loads TEXT NOT NULL,
    troubles TEXT NOT NULL, seed INTEGER NOT NULL, started_at TEXT NOT NULL, stopped_at TEXT, by TEXT NOT NULL)`,
]

export class CastingRoom1764100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const step of steps) await runner.query(step)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of ['machine_runs', 'alloy_pieces']) await runner.query(`DROP TABLE ${name}`)
  }
}
