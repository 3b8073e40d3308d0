import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Commands by the key that their sender gave them: one that is sent again, because its answer was lost, is done once. */
export class CommandKeys1764600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE command_keys (
        key TEXT PRIMARY KEY, case_id TEXT NOT NULL, sequence INTEGER NOT NULL, at TEXT NOT NULL) WITHOUT ROWID`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE command_keys')
  }
}
