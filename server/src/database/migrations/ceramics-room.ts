import type { MigrationInterface, QueryRunner } from 'typeorm'

export class CeramicsRoom1764700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE lots ADD COLUMN enlargement TEXT`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE lots DROP COLUMN enlargement`)
  }
}
