import type { MigrationInterface, QueryRunner } from 'typeorm'

const steps = [
  `ALTER TABLE lots ADD COLUMN product_id TEXT`,
  `ALTER TABLE lots ADD COLUMN opened_on TEXT`,
  `ALTER TABLE lots ADD COLUMN received_grams REAL`,
  `ALTER TABLE lots ADD COLUMN low_below_grams REAL`,
  `ALTER TABLE lots ADD COLUMN quarantine TEXT`,
  `CREATE TABLE lot_uses (
    lot_id TEXT NOT NULL, case_id TEXT NOT NULL, powder_grams REAL NOT NULL, mixes INTEGER NOT NULL,
    last_at TEXT NOT NULL, PRIMARY KEY (lot_id, case_id)) WITHOUT ROWID`,
  `CREATE INDEX lot_uses_case ON lot_uses (case_id)`,
  // What is on record already: corrections of it come in with the next mix of the case.
  `INSERT INTO lot_uses (lot_id, case_id, powder_grams, mixes, last_at)
    SELECT lot.value, e.case_id, SUM(COALESCE(json_extract(e.data, '$.powderGrams'), 0)), COUNT(*), MAX(e.at)
    FROM case_events e, json_each(e.data, '$.lots') lot WHERE e.type = 'mixRecorded' GROUP BY lot.value, e.case_id`,
  `CREATE TABLE lab_products (product_id TEXT PRIMARY KEY, product TEXT NOT NULL)`,
  `CREATE TABLE mix_clocks (
    clock_id TEXT PRIMARY KEY, material_id TEXT NOT NULL, product_id TEXT, met_at TEXT NOT NULL, by TEXT NOT NULL,
    setting_factor REAL NOT NULL, case_id TEXT, docket TEXT)`,
]

export class PlasterRoom1764000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const step of steps) await runner.query(step)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of ['mix_clocks', 'lab_products', 'lot_uses']) await runner.query(`DROP TABLE ${name}`)
    for (const column of ['quarantine', 'low_below_grams', 'received_grams', 'opened_on', 'product_id'])
      await runner.query(`ALTER TABLE lots DROP COLUMN ${column}`)
  }
}
