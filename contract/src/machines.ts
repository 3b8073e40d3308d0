import {
  choice,
  figure,
  id,
  labShape,
  list,
  type MachineKind,
  machineKinds,
  maybe,
  type Of,
  programShape,
  type RememberedMix,
  record,
  type Specular,
  type TemperatureProgram,
  text,
  yesNo,
} from '@yentrik/core'
import { nothing, result, results, route } from './route.ts'

const loadShape = record({ caseId: id(), jobId: id('job-1'), stepId: id('burnout') })
/** A step of a case whose work lies in the machine. */
export type MachineLoad = Of<typeof loadShape>

/** A run as screens get it: how it was set, and what the machine shows, minute by minute. */
export interface MachineRunShown {
  readonly runId: string
  readonly machine: string
  readonly kind: MachineKind
  /** Otherwise its thermometer is read, and the program is set on the machine itself. */
  readonly standIn: boolean
  /** In words, while its thermometer says nothing. */
  readonly fault?: string
  readonly program: TemperatureProgram
  readonly loads: readonly MachineLoad[]
  readonly startedAt: string
  readonly stoppedAt: string | null
  /** When the program had run through, or will have if all goes well; ISO 8601. */
  readonly endsAt: string
  readonly ended: boolean
  readonly measured: readonly {
    readonly minutes: number
    readonly setCelsius: number
    readonly celsius: number
    /** Left in its chamber, of a stand-in with a vacuum. */
    readonly kilopascals?: number
  }[]
}
const run = result<MachineRunShown>('A run')

export interface DeviceShown {
  readonly connected: boolean
  readonly name?: string
  readonly standIn: boolean
  readonly fault?: string
  /** Goes up with every new connection: readings of an earlier one are of no use. */
  readonly session: number
}
/** What balance, dispenser and press last said. */
export interface DevicesState {
  /** The last weight heard; it is only true while connected. */
  readonly balance: DeviceShown & { readonly grams?: number; readonly settled: boolean }
  readonly dispenser: {
    readonly connected: boolean
    readonly name?: string
    readonly givingMillilitres?: number
    readonly givenMillilitres?: number
    readonly fault?: string
    /** Which order it speaks of: an earlier one is never taken for this one. */
    readonly order: number
  }
  /** The last reading heard; it is only true while connected. `held`: it no longer sinks. */
  readonly press: DeviceShown & { readonly kilopascals?: number; readonly held: boolean }
  /** How it treats the gloss, and since when it has seen its white tile, ISO 8601. */
  readonly spectrophotometer: DeviceShown & { readonly specular?: Specular; readonly whiteAt?: string }
}

/** A mix whose clock runs, from the moment powder met liquid. */
export interface MixClock {
  readonly clockId: string
  readonly materialId: string
  readonly productId: string | null
  readonly metAt: string
  readonly by: string
  readonly settingFactor: number
  readonly caseId: string | null
  readonly docket: string | null
}

/** When the clock of the machine was set: to what lab time, and by how much. */
const clockJumpShape = record({ at: figure(-1e14, 1e14), byMillis: figure(-1e14, 1e14) })
export type ClockJump = Of<typeof clockJumpShape>

const clockShape = record({
  /** Lab time, ms since 1970. */
  now: figure(0, 1e14),
  speed: figure(1, 3600),
  mayBeMoved: yesNo(),
  /** The last one; left out: never. */
  jump: maybe(clockJumpShape),
})
export type ClockReading = Of<typeof clockShape>

export const machineRoutes = {
  'GET /machine-runs': route({
    room: 'machines',
    summary: 'What the machines run or ran within a day, with what they show',
    answer: results<MachineRunShown>('A run'),
  }),
  'POST /machine-runs': route({
    room: 'machines',
    right: 'work',
    summary: 'Start a program on a machine',
    body: record({
      kind: choice(machineKinds),
      machine: text(80, { example: 'Furnace' }),
      program: programShape,
      loads: list(loadShape, 60),
    }),
    answer: run,
    status: 201,
  }),
  'POST /machine-runs/:runId/stop': route({
    room: 'machines',
    right: 'work',
    summary: 'Take the work out and stop the machine',
    answer: run,
  }),
  'GET /machine-runs/:runId/second-thermometer': route({
    room: 'machines',
    summary: 'What a second thermometer in the chamber reads, beside what the machine shows',
    answer: record({ celsius: figure(-1000, 10_000), shownCelsius: figure(-1000, 10_000) }),
  }),
  'POST /machine-runs/:runId/troubles': route({
    room: 'machines',
    right: 'work',
    summary: 'What goes wrong with the stand-in from now on; for demos and tests',
    body: record({
      kind: choice(['powerCut', 'doorOpen', 'drift', 'vacuumLeak']),
      minutes: maybe(figure(0.1, 1440, { example: 20 })),
      celsiusPerHour: maybe(figure(-200, 200, { example: 10 })),
    }),
    answer: nothing,
    status: 204,
  }),
  'GET /devices': route({
    room: 'devices',
    summary: 'What balance, dispenser and press last said',
    answer: result<DevicesState>('The devices of the bench'),
  }),
  'POST /devices/balance/tare': route({
    room: 'devices',
    right: 'work',
    summary: 'Set the balance to zero with what stands on it',
    answer: nothing,
    status: 204,
  }),
  'POST /devices/balance/take': route({
    room: 'devices',
    right: 'work',
    summary: 'The settled weight; 409 while it moves',
    answer: record({ grams: figure(-1e6, 1e6) }),
  }),
  'POST /devices/dispenser/give': route({
    room: 'devices',
    right: 'work',
    summary: 'Give this much water',
    body: record({ millilitres: figure(0.1, 2000, { example: 23 }) }),
    answer: record({ order: figure(0, 1e9) }),
    status: 202,
  }),
  'POST /devices/press/take': route({
    room: 'devices',
    right: 'work',
    summary: 'The reading of the press once it holds; 409 while it moves',
    answer: record({ kilopascals: figure(-1e6, 1e6) }),
  }),
  'POST /devices/spectrophotometer/white': route({
    room: 'devices',
    right: 'work',
    summary: 'It has its white tile under its tip',
    answer: nothing,
    status: 204,
  }),
  'POST /devices/spectrophotometer/read': route({
    room: 'devices',
    right: 'work',
    summary: 'Read the colour under its tip once; 409 while it cannot',
    answer: record({ colour: labShape, specular: choice(['excluded', 'included']) }),
  }),
  'POST /devices/stand-in/spectrophotometer': route({
    room: 'devices',
    right: 'work',
    summary: 'What a person does at the stand-in spectrophotometer; for demos and tests',
    body: record({
      does: choice(['put', 'specular', 'tilt', 'unplug', 'plugIn']),
      colour: maybe(labShape),
      specular: maybe(choice(['excluded', 'included'])),
    }),
    answer: nothing,
    status: 204,
  }),
  'POST /devices/stand-in/balance': route({
    room: 'devices',
    right: 'work',
    summary: 'What a person does at the stand-in balance; for demos and tests',
    body: record({
      does: choice(['pour', 'stop', 'takeOut', 'clear', 'unplug', 'plugIn']),
      gramsPerSecond: maybe(figure(0.1, 100, { example: 8 })),
      upToGrams: maybe(figure(0.1, 2000, { example: 100 })),
      grams: maybe(figure(0.1, 2000, { example: 3 })),
    }),
    answer: nothing,
    status: 204,
  }),
  'POST /devices/stand-in/press': route({
    room: 'devices',
    right: 'work',
    summary: 'What a person does at the stand-in press; for demos and tests',
    body: record({
      does: choice(['close', 'stop', 'letOff', 'unplug', 'plugIn']),
      kilopascalsPerSecond: maybe(figure(1, 5000, { example: 250 })),
      upToKilopascals: maybe(figure(1, 69_000, { example: 12_000 })),
    }),
    answer: nothing,
    status: 204,
  }),
  'GET /mixing/clocks': route({
    room: 'mixing',
    summary: 'Mixes whose clock runs',
    answer: results<MixClock>('The clock of a mix'),
  }),
  'POST /mixing/clocks': route({
    room: 'mixing',
    right: 'work',
    summary: 'Powder meets liquid now',
    body: record({
      materialId: id('dental-stone'),
      productId: maybe(id()),
      settingFactor: figure(0.1, 20, { example: 1, description: "On the pack's setting time" }),
      caseId: maybe(id()),
      docket: maybe(text(24)),
    }),
    answer: result<MixClock>('The clock of a mix'),
    status: 201,
  }),
  'DELETE /mixing/clocks/:clockId': route({
    room: 'mixing',
    right: 'work',
    summary: 'Put a clock away',
    answer: nothing,
    status: 204,
  }),
  'GET /mixing/remembered': route({
    room: 'mixing',
    summary: 'What this lab weighed for the same thing before: the median and how many',
    query: record({ materialId: id(), stepId: maybe(id()), amountId: maybe(id()) }),
    answer: result<{ readonly remembered: RememberedMix | null }>('null: nothing yet'),
  }),
  'GET /clock': route({
    room: 'clock',
    summary: 'Lab time, its speed, and whether it may be moved',
    answer: clockShape,
  }),
  'POST /clock': route({
    room: 'clock',
    summary: 'Move the clock of the lab; demos and tests only',
    body: record({
      speed: figure(1, 3600, { example: 1, description: 'Lab seconds per real second' }),
      forwardMinutes: figure(0, 20_160, { example: 45 }),
    }),
    answer: clockShape,
    status: 201,
  }),
}
