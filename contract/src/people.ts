import { choice, list, type Of, record, text, typedAs, yesNo } from '@yentrik/core'
import { nothing, route } from './route.ts'

export const roles = ['technician', 'lead', 'learner'] as const
export type Role = (typeof roles)[number]

const name = text(40, { example: 'Ilse' })
const personShape = record({ personId: text(80), name: text(80), role: choice(roles) })
export type Person = Of<typeof personShape>

const sessionShape = record({
  person: typedAs<Person | null>({ ...personShape, nullable: true }),
  /** Nobody has an account yet: the first person makes the lab theirs. */
  firstStart: yesNo(),
  demo: yesNo(),
  /** First names of everybody, for those who are signed in. */
  names: list(text(80), 1000),
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
  'DELETE /session': route({ room: 'people', summary: 'Sign out', answer: nothing }),
  'POST /people': route({
    room: 'people',
    summary: 'Add a person: the first one at the first start, later ones by the lab lead',
    body: record({
      name,
      role: choice(roles),
      passphrase: text(200, { least: 8, example: 'plaster before noon' }),
    }),
    answer: personShape,
    status: 201,
    open: true,
  }),
}
