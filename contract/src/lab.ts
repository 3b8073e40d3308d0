import { type LabCalendar, maybe, named, record, text, words } from '@yentrik/core'
import { result, route } from './route.ts'

/** What a lab decides for itself. */
export interface LabSettings {
  readonly labName: string
  /** As papers carry it; empty until it is entered. */
  readonly address: string
  readonly calendar: LabCalendar
  /** The lab's own choices of variants, by template and matter, where they differ from the usual. */
  readonly variants: Readonly<Record<string, Readonly<Record<string, string>>>>
}
const lab = result<LabSettings>('Name, address, hours and variants')

export const labRoutes = {
  'GET /lab': route({
    room: 'lab',
    summary: 'Name, hours and chosen variants of the lab',
    keepable: true,
    answer: lab,
  }),
  'PUT /lab': route({
    room: 'lab',
    right: 'lead',
    summary: 'Change the name, the address or the usual variants',
    body: record({
      labName: text(80, { example: 'Our laboratory' }),
      address: maybe(words(300)),
      variants: named(named(text(80), 60), 60, { example: { 'study-cast': { base: 'one-pour' } } }),
    }),
    answer: lab,
  }),
}
