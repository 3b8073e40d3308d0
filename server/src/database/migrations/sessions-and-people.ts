import type { MigrationInterface, QueryRunner } from 'typeorm'

/** When and from where a session was used last; people who have left, whose names stay on the record. */
export class SessionsAndPeople1764500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE sessions ADD COLUMN session_id TEXT')
    await runner.query("ALTER TABLE sessions ADD COLUMN used_at TEXT NOT NULL DEFAULT ''")
    await runner.query("ALTER TABLE sessions ADD COLUMN address TEXT NOT NULL DEFAULT ''")
    await runner.query('UPDATE sessions SET session_id = lower(hex(randomblob(8))), used_at = created_at')
    await runner.query('ALTER TABLE people ADD COLUMN retired_at TEXT')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE people DROP COLUMN retired_at')
    for (const column of ['session_id', 'used_at', 'address'])
      await runner.query(`ALTER TABLE sessions DROP COLUMN ${column}`)
  }
}
