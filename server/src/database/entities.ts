import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm'

/** One immutable fact of a case. Never updated, never deleted. */
@Entity('case_events')
export class CaseEventRow {
  @PrimaryColumn('text', { name: 'case_id' }) caseId: string
  /** 1, 2, 3 ... per case; the unique key on (case, sequence) is what refuses a second writer. */
  @PrimaryColumn('integer') sequence: number
  /** ISO 8601, UTC. */
  @Column('text') at: string
  @Column('text') by: string
  @Column('text') type: string
  /** The rest of the event, as the core writes it. */
  @Column('simple-json') data: object
}

/** What lists show of a case: rewritten with every event, in the same transaction. */
@Entity('case_summaries')
export class CaseSummaryRow {
  @PrimaryColumn('text', { name: 'case_id' }) caseId: string
  @Column('text', { unique: true }) docket: string
  @Column('boolean') closed: boolean
  @Column('simple-json') summary: unknown
}

/** An immutable copy of a route, named by the hash of its contents, shared by all cases that use it. */
@Entity('route_copies')
export class RouteCopyRow {
  @PrimaryColumn('text', { name: 'route_id' }) routeId: string
  @Column('simple-json') route: unknown
}

/** A batch of a material. `material_id` names a card of the core. */
@Entity('lots')
export class LotRow {
  @PrimaryColumn('text', { name: 'lot_id' }) lotId: string
  @Column('text', { name: 'material_id' }) materialId: string
  /** As printed on the pack. */
  @Column('text') number: string
  @Column('text', { name: 'received_at' }) receivedAt: string
  /** Calendar day, YYYY-MM-DD. */
  @Column('text', { name: 'expires_on', nullable: true }) expiresOn: string | null
  @Column('boolean', { name: 'in_use' }) inUse: boolean
  /** The lab's product that it is a batch of; none: of the class as such. */
  @Column('text', { name: 'product_id', nullable: true }) productId: string | null
  /** Calendar day on which the pack was opened. */
  @Column('text', { name: 'opened_on', nullable: true }) openedOn: string | null
  /** Powder that came, g; none: the stock of it is not kept. */
  @Column('real', { name: 'received_grams', nullable: true }) receivedGrams: number | null
  /** Below this it is said to run low, g. */
  @Column('real', { name: 'low_below_grams', nullable: true }) lowBelowGrams: number | null
  /** Why nobody may use it; none: it may be used. */
  @Column('text', { nullable: true }) quarantine: string | null
  /** Of a zirconia blank; none: not entered. */
  @Column('simple-json', { nullable: true }) enlargement: object | null
}

/** What a case has used of a lot: rewritten with every mix of the case, in the same transaction. */
@Entity('lot_uses')
export class LotUseRow {
  @PrimaryColumn('text', { name: 'lot_id' }) lotId: string
  @PrimaryColumn('text', { name: 'case_id' }) caseId: string
  /** Powder as last corrected, g; 0 for what is not weighed. */
  @Column('real', { name: 'powder_grams' }) powderGrams: number
  @Column('integer') mixes: number
  /** Of the last mix, ISO 8601. */
  @Column('text', { name: 'last_at' }) lastAt: string
}

/** A product of the lab: a generic class and what its pack says otherwise. */
@Entity('lab_products')
export class LabProductRow {
  @PrimaryColumn('text', { name: 'product_id' }) productId: string
  @Column('simple-json') product: unknown
}

/** A mix whose clock runs, from the moment powder met liquid. Put away by hand. */
@Entity('mix_clocks')
export class MixClockRow {
  @PrimaryColumn('text', { name: 'clock_id' }) clockId: string
  @Column('text', { name: 'material_id' }) materialId: string
  @Column('text', { name: 'product_id', nullable: true }) productId: string | null
  /** ISO 8601, by the server's clock. */
  @Column('text', { name: 'met_at' }) metAt: string
  @Column('text') by: string
  /** On the pack's setting time; 1 as it says. */
  @Column('real', { name: 'setting_factor' }) settingFactor: number
  @Column('text', { name: 'case_id', nullable: true }) caseId: string | null
  @Column('text', { nullable: true }) docket: string | null
}

/** A piece of alloy on the shelf: weighed in, or the button of a case. */
@Entity('alloy_pieces')
export class AlloyPieceRow {
  @PrimaryColumn('text', { name: 'piece_id' }) pieceId: string
  /** Names an alloy card of the core. */
  @Column('text', { name: 'material_id' }) materialId: string
  @Column('text', { name: 'product_id', nullable: true }) productId: string | null
  @Column('real') grams: number
  /** Lots and their shares, as the core writes them. */
  @Column('simple-json') lots: unknown
  /** How often what share of it was melted before. */
  @Column('simple-json') history: unknown
  /** ISO 8601. */
  @Column('text', { name: 'weighed_at' }) weighedAt: string
  /** The case that it is the button of. */
  @Column('text', { name: 'from_case', nullable: true }) fromCase: string | null
  /** The case that has melted it; none: it is on the shelf. */
  @Column('text', { name: 'taken_by', nullable: true }) takenBy: string | null
}

/** A program that a machine runs or ran. What a stand-in measured follows from this row; what a thermometer read has rows of its own. */
@Entity('machine_runs')
export class MachineRunRow {
  @PrimaryColumn('text', { name: 'run_id' }) runId: string
  /** As the lab calls it. */
  @Column('text') machine: string
  @Column('text') kind: 'furnace' | 'bath' | 'kiln' | 'sinter'
  @Column('simple-json') program: unknown
  /** The steps of cases that lie in it. */
  @Column('simple-json') loads: unknown
  /** What went wrong with it, minutes from its start. */
  @Column('simple-json') troubles: unknown
  @Column('integer') seed: number
  /** ISO 8601, by the server's clock. */
  @Column('text', { name: 'started_at' }) startedAt: string
  @Column('text', { name: 'stopped_at', nullable: true }) stoppedAt: string | null
  @Column('text') by: string
  @Column('boolean', { name: 'stand_in' }) standIn: boolean
}

/** What the thermometer of a machine read, by the minute of its run. */
@Entity('machine_readings')
export class MachineReadingRow {
  @PrimaryColumn('text', { name: 'run_id' }) runId: string
  @PrimaryColumn('integer') minutes: number
  @Column('real') celsius: number
}

@Entity('people')
export class PersonRow {
  @PrimaryColumn('text', { name: 'person_id' }) personId: string
  @Column('text', { unique: true }) name: string
  @Column('text') role: string
  /** argon2id; of before, until the next sign-in, salt:hash of scrypt in hex; empty for the people of the demo, who sign in by name. */
  @Column('text') secret: string
  /** Since when they are gone: they sign in no more, their name stays on the record and is given to nobody else. */
  @Column('text', { name: 'retired_at', nullable: true }) retiredAt: string | null
}

/** A command that was done, by the key that its sender gave it. */
@Entity('command_keys')
export class CommandKeyRow {
  @PrimaryColumn('text') key: string
  @Column('text', { name: 'case_id' }) caseId: string
  @Column('integer') sequence: number
  /** By the clock of the machine: after a month nobody sends it again. */
  @Column('text') at: string
}

@Entity('sessions')
export class SessionRow {
  /** SHA-256 of the token in the cookie: a stolen file opens no session. */
  @PrimaryColumn('text', { name: 'token_hash' }) tokenHash: string
  /** By which it is named to others. */
  @Column('text', { name: 'session_id' }) sessionId: string
  @Column('text', { name: 'person_id' }) personId: string
  @Column('text', { name: 'created_at' }) createdAt: string
  /** When it was used last, to a few minutes. */
  @Column('text', { name: 'used_at' }) usedAt: string
  /** From where it was opened. */
  @Column('text') address: string
}

/** Lab settings and the clock, one JSON value for each key. */
@Entity('lab_settings')
export class LabSettingRow {
  @PrimaryColumn('text') key: string
  @Column('simple-json') value: unknown
}

/** A practice case: apart from everything of the lab. */
@Entity('practice_cases')
export class PracticeCaseRow {
  @PrimaryColumn('text', { name: 'practice_id' }) practiceId: string
  @Column('text', { unique: true }) docket: string
  @Column('text', { name: 'person_id' }) personId: string
  @Column('simple-json') setup: object
  /** When its own clock begins, ms since 1970. */
  @Column('integer', { name: 'began_at' }) beganAt: number
  /** ISO 8601, UTC. */
  @Column('text', { name: 'begun_at' }) begunAt: string
  @Column('text', { nullable: true }) closed: 'delivered' | 'stopped' | null
  /** Once it is over: its score, its counts, the kinds that were met. */
  @Column('simple-json', { nullable: true }) outcome: object | null
  @Column('simple-json', { nullable: true }) signed: { by: string; at: string } | null
}

/** A drill that was done. */
@Entity('drills')
export class DrillRow {
  @PrimaryColumn('text', { name: 'drill_id' }) drillId: string
  @Column('text', { name: 'person_id' }) personId: string
  @Column('text') drill: string
  @Column('integer') seed: number
  @Column('real') points: number
  /** ISO 8601, UTC. */
  @Column('text') at: string
  @Column('simple-json') answer: object
}

/** What was done on a practice case, in its order. */
@Entity('practice_acts')
export class PracticeActRow {
  @PrimaryColumn('text', { name: 'practice_id' }) practiceId: string
  @PrimaryColumn('integer') sequence: number
  @Column('simple-json') act: object
}

/** What quality needs of a case; gone as soon as the case changes, and made again when somebody asks. */
@Entity('case_digests')
export class CaseDigestRow {
  @PrimaryColumn('text', { name: 'case_id' }) caseId: string
  /** By which version and opening hours it was made. */
  @Column('text') made: string
  /** Null: its record is damaged. */
  @Column('simple-json', { nullable: true }) digest: object | null
}

/** What the lab says of its own figures. Never updated, never deleted. */
@Entity('lab_events')
export class LabEventRow {
  @PrimaryGeneratedColumn('increment') sequence: number
  /** ISO 8601, UTC. */
  @Column('text') at: string
  @Column('text') by: string
  @Column('simple-json') deed: object
}

export const entities = [
  CommandKeyRow,
  CaseEventRow,
  CaseSummaryRow,
  RouteCopyRow,
  LotRow,
  LotUseRow,
  LabProductRow,
  MixClockRow,
  AlloyPieceRow,
  MachineRunRow,
  MachineReadingRow,
  PersonRow,
  SessionRow,
  LabSettingRow,
  PracticeCaseRow,
  PracticeActRow,
  DrillRow,
  CaseDigestRow,
  LabEventRow,
]
