import { choice, instant, list, maybe, type Of, record, roles, text, typedAs, yesNo } from '@yentrik/core'
import { nothing, results, route } from './route.ts'

const name = text(40, { example: 'Ilse', pattern: '\\S' })
/** How good it must be is looked at where it is hashed. */
const passphrase = text(200, { example: 'plaster before noon' })
const pin = text(8, { pattern: '^[0-9]{4,8}$', example: '4071', description: 'Four to eight digits' })
const personShape = record({ personId: text(80), name: text(80), role: choice(roles) })
export type Person = Of<typeof personShape>

/** Somebody who works here, or did. */
export interface PersonOnList extends Person {
  /** Since when they are gone; null: they are here. */
  readonly retiredAt: string | null
}
/** A session that is open, with from where and when it was used last. */
export interface SessionOnList {
  readonly sessionId: string
  readonly name: string
  readonly createdAt: string
  readonly usedAt: string
  readonly address: string
  /** The one that asks. */
  readonly mine: boolean
}

const sessionShape = record({
  person: typedAs<Person | null>({ ...personShape, nullable: true }),
  /** Nobody has an account yet: the first person makes the lab theirs. */
  firstStart: yesNo(),
  /** The first start is not from the machine of the server: the code that it printed is wanted. */
  codeNeeded: yesNo(),
  /** Somebody on another machine over plain http: what is typed can be read along in the network. */
  readable: yesNo(),
  demo: yesNo(),
  /** First names of everybody, for those who are signed in. */
  names: list(text(80), 1000),
  /** Nobody is signed in, and these may come back to this bench by their PIN. */
  pins: list(text(80), 1000),
})
export type Session = Of<typeof sessionShape>

export const peopleRoutes = {
  'GET /health': route({
    room: 'health',
    summary: 'Whether the server and its file answer, and whether what is written is stored',
    answer: record({ ok: yesNo() }),
    open: true,
  }),
  'GET /session': route({
    room: 'people',
    summary: 'Who is signed in, and whether anybody has an account yet',
    answer: sessionShape,
    open: true,
  }),
  'POST /session': route({
    room: 'people',
    summary: 'Sign in',
    body: record({ name, passphrase: text(200, { least: 0, example: 'plaster before noon' }) }),
    answer: personShape,
    status: 201,
    open: true,
  }),
  'POST /session/pin': route({
    room: 'people',
    summary: 'Come back by PIN to a bench that a passphrase has opened today',
    body: record({ name, pin }),
    answer: personShape,
    status: 201,
    open: true,
  }),
  'PUT /session/pin': route({
    room: 'people',
    summary: 'Choose a PIN for oneself at this bench, until the day is over',
    body: record({ pin }),
    answer: record({ until: instant({ description: 'Until when it holds' }) }),
  }),
  'DELETE /session': route({ room: 'people', summary: 'Sign out', answer: nothing }),
  'PUT /session/passphrase': route({
    room: 'people',
    summary: 'Change one’s own passphrase; the other sessions of this person end',
    body: record({ old: text(200, { least: 0 }), passphrase }),
    answer: nothing,
    status: 204,
  }),
  'GET /sessions': route({
    room: 'people',
    summary: 'One’s own open sessions; for the lead those of everybody',
    answer: results<SessionOnList>('A session that is open'),
  }),
  'DELETE /sessions/:sessionId': route({
    room: 'people',
    summary: 'End a session: one’s own, by the lead any',
    answer: nothing,
    status: 204,
  }),
  'POST /first-start': route({
    room: 'people',
    summary:
      'The first person makes an empty lab theirs; from another machine with the code that the server printed',
    body: record({ name, passphrase, code: maybe(text(20, { example: 'K7MPA2XC' })) }),
    answer: personShape,
    status: 201,
    open: true,
  }),
  'GET /people': route({
    room: 'people',
    right: 'lead',
    summary: 'Everybody who works here or did',
    answer: results<PersonOnList>('A person'),
  }),
  'POST /people': route({
    room: 'people',
    right: 'lead',
    summary: 'Add a person',
    body: record({ name, role: choice(roles), passphrase }),
    answer: personShape,
    status: 201,
  }),
  'POST /people/:personId/retire': route({
    room: 'people',
    right: 'lead',
    summary: 'Somebody is gone: they sign in no more, their name stays on the record',
    answer: nothing,
    status: 204,
  }),
}
