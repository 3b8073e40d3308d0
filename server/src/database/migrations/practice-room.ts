import type { MigrationInterface, QueryRunner } from 'typeorm'

const steps = [
  `CREATE TABLE practice_cases (
    practice_id TEXT PRIMARY KEY NOT NULL, docket TEXT NOT NULL UNIQUE, person_id TEXT NOT NULL, setup TEXT NOT NULL,
    began_at INTEGER NOT NULL, begun_at TEXT NOT NULL, closed TEXT, outcome TEXT, signed TEXT) WITHOUT ROWID`,
  `CREATE INDEX practice_cases_of ON practice_cases (person_id)`,
  `CREATE TABLE practice_acts (
    practice_id TEXT NOT NULL REFERENCES practice_cases (practice_id), sequence INTEGER NOT NULL, act TEXT NOT NULL,
    PRIMARY KEY (practice_id, sequence)) WITHOUT ROWID`,
  `CREATE TABLE drills (
    drill_id TEXT PRIMARY KEY NOT NULL, person_id TEXT NOT NULL, drill TEXT NOT NULL, seed INTEGER NOT NULL,
    points REAL NOT NULL, at TEXT NOT NULL, answer TEXT NOT NULL) WITHOUT ROWID`,
  `CREATE INDEX drills_of ON drills (person_id, drill, at)`,
]

export class PracticeRoom1764800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const step of steps) await runner.query(step)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE drills`)
    await runner.query(`DROP TABLE practice_acts`)
    await runner.query(`DROP TABLE practice_cases`)
  }
}
