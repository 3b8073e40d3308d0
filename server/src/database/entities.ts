import { Column, Entity, PrimaryColumn } from 'typeorm'

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
}

@Entity('people')
export class PersonRow {
  @PrimaryColumn('text', { name: 'person_id' }) personId: string
  @Column('text', { unique: true }) name: string
  @Column('text') role: string
  /** scrypt, as salt:hash in hex; empty for the people of the demo, who sign in by name. */
  @Column('text') secret: string
}

@Entity('sessions')
export class SessionRow {
  /** SHA-256 of the token in the cookie: a stolen file opens no session. */
  @PrimaryColumn('text', { name: 'token_hash' }) tokenHash: string
  @Column('text', { name: 'person_id' }) personId: string
  @Column('text', { name: 'created_at' }) createdAt: string
}

/** Lab settings and the clock, one JSON value for each key. */
@Entity('lab_settings')
export class LabSettingRow {
  @PrimaryColumn('text') key: string
  @Column('simple-json') value: unknown
}

export const entities = [
  CaseEventRow,
  CaseSummaryRow,
  RouteCopyRow,
  LotRow,
  PersonRow,
  SessionRow,
  LabSettingRow,
]
