import type { MigrationInterface, QueryRunner } from 'typeorm'

const tables = [
  `CREATE TABLE case_events (
    case_id TEXT NOT NULL, sequence INTEGER NOT NULL, at TEXT NOT NULL, by TEXT NOT NULL, type TEXT NOT NULL,
    data TEXT NOT NULL, PRIMARY KEY (case_id, sequence)) WITHOUT ROWID`,
  `CREATE TABLE case_summaries (
    case_id TEXT PRIMARY KEY, docket TEXT NOT NULL UNIQUE, closed BOOLEAN NOT NULL, summary TEXT NOT NULL)`,
  `CREATE INDEX case_summaries_closed ON case_summaries (closed)`,
  `CREATE TABLE route_copies (route_id TEXT PRIMARY KEY, route TEXT NOT NULL)`,
  `CREATE TABLE lots (
    lot_id TEXT PRIMARY KEY, material_id TEXT NOT NULL, number TEXT NOT NULL, received_at TEXT NOT NULL,
    expires_on TEXT, in_use BOOLEAN NOT NULL, UNIQUE (material_id, number))`,
  `CREATE TABLE people (
    person_id TEXT PRIMARY KEY, name TEXT NOT NULL UNIQUE, role TEXT NOT NULL, secret TEXT NOT NULL)`,
  `CREATE TABLE sessions (
    token_hash TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (person_id), created_at TEXT NOT NULL)`,
  `CREATE TABLE lab_settings (key TEXT PRIMARY KEY, value TEXT NOT NULL)`,
]

export class FirstTables1700000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) await runner.query(table)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of [
      'lab_settings',
      'sessions',
      'people',
      'lots',
      'route_copies',
      'case_summaries',
      'case_events',
    ])
      await runner.query(`DROP TABLE ${name}`)
  }
}
