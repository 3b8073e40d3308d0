import type { PlanHold, PlanInstance, PlanLink, PlanStep } from '../planning/index.ts'
import { seededRandom } from '../random/index.ts'

const DAY = 1440
const WEEKDAYS = [0, 1, 2, 3, 4]
const MACHINES: PlanInstance['machines'] = [
  { id: 'articulator', type: 'places', capacity: 6 },
  { id: 'bath 1', type: 'batch', capacity: 3 },
  { id: 'bath 2', type: 'batch', capacity: 3 },
  { id: 'clamp', type: 'places', capacity: 5 },
  { id: 'firing furnace', type: 'batch', capacity: 3 },
  { id: 'flask', type: 'places', capacity: 8 },
  { id: 'lathe', type: 'places', capacity: 1 },
  { id: 'mixer', type: 'places', capacity: 1 },
  { id: 'ring furnace', type: 'batch', capacity: 4 },
]
const SKILLS = ['desk', 'plaster', 'wax', 'denture', 'metal', 'ceramic', 'finish']

/** Steps of one case as they are written down here, with its links and holds. */
class CaseWriter {
  readonly steps: PlanStep[] = []
  readonly links: PlanLink[] = []
  readonly holds: PlanHold[] = []
  constructor(
    readonly id: string,
    private readonly random: () => number,
  ) {}

  private about(minutes: number): number {
    return Math.max(2, Math.round(minutes * (0.8 + 0.4 * this.random())))
  }
  private add(step: PlanStep, after: string | undefined, min = 0, max?: number): string {
    this.steps.push(step)
    if (after !== undefined)
      this.links.push({
        from: after,
        to: step.id,
        minMinutes: min,
        ...(max === undefined ? {} : { maxMinutes: max }),
      })
    return step.id
  }
  hands(
    stage: string,
    skill: string,
    minutes: number,
    after?: string,
    min = 0,
    max?: number,
    mayPause = false,
  ): string {
    const id = `${this.id}.${this.steps.length + 1}`
    return this.add(
      {
        id,
        caseId: this.id,
        kind: 'attended',
        stage,
        minutes: this.about(minutes),
        skill,
        ...(mayPause ? { mayPause } : {}),
      },
      after,
      min,
      max,
    )
  }
  wait(minutes: number, after: string): string {
    const id = `${this.id}.${this.steps.length + 1}`
    return this.add({ id, caseId: this.id, kind: 'wait', stage: 'wait', minutes }, after)
  }
  away(days: number, after: string): string {
    const id = `${this.id}.${this.steps.length + 1}`
    return this.add(
      {
        id,
        caseId: this.id,
        kind: 'clinic',
        stage: 'clinic',
        minutes: 0,
        calendar: 'courier',
        clinicDays: days,
      },
      after,
    )
  }
  program(program: string, minutes: number, after: string): string {
    const id = `${this.id}.${this.steps.length + 1}`
    return this.add({ id, caseId: this.id, kind: 'program', stage: 'program', minutes, program }, after)
  }
  hold(
    machineIds: readonly string[],
    from: string,
    to: string,
    toEvent: 'start' | 'end' = 'end',
    run?: string,
  ): void {
    this.holds.push({
      id: `${from}@${machineIds[0]}`,
      machineIds: [...machineIds],
      size: 1,
      fromStep: from,
      fromEvent: 'start',
      toStep: to,
      toEvent,
      ...(run === undefined ? {} : { programStep: run }),
    })
  }
}

type Job = (work: CaseWriter) => void
const jobs: Readonly<Record<string, Job>> = {
  cast: (work) => {
    const receive = work.hands('receive', 'desk', 8)
    const pour = work.hands('pour', 'plaster', 12, receive)
    work.hold(['mixer'], pour, pour)
    const trim = work.hands('trim', 'plaster', 30, work.wait(45, pour), 0, undefined, true)
    work.hands('papers', 'desk', 8, trim)
  },
  crown: (work) => {
    const receive = work.hands('receive', 'desk', 8)
    const wax = work.hands('wax', 'wax', 90, receive, 0, undefined, true)
    const margin = work.hands('margin', 'wax', 5, wax)
    const invest = work.hands('invest', 'metal', 20, margin, 0, 60)
    work.hold(['mixer'], invest, invest)
    const load = work.hands('load', 'metal', 3, work.wait(45, invest), 0, 600)
    const burn = work.program('burnout', 240, load)
    const cast = work.hands('cast', 'metal', 5, burn, 0, 60)
    work.hold(['ring furnace'], load, cast, 'start', burn)
    const finish = work.hands('finish', 'finish', 60, work.wait(30, cast), 0, undefined, true)
    work.hold(['lathe'], finish, finish)
    work.hands('papers', 'desk', 8, finish)
  },
  denture: (work) => {
    const receive = work.hands('receive', 'desk', 8)
    const mount = work.hands('mount', 'plaster', 40, receive)
    const set = work.hands('set up', 'wax', 100, mount, 20, undefined, true)
    work.hold(['articulator'], mount, set)
    const back = work.away(2, work.hands('send', 'desk', 5, set))
    const flask = work.hands('flask', 'denture', 40, back)
    const boil = work.hands('boil out', 'denture', 25, work.wait(60, flask))
    const pack = work.hands('pack', 'denture', 35, boil, 30, 240)
    const load = work.hands('load bath', 'denture', 5, pack, 30, 720)
    const cure = work.program('cure 9 h', 540, load)
    const out = work.hands('take out', 'denture', 5, cure)
    work.hold(['bath 1', 'bath 2'], load, out, 'end', cure)
    work.hold(['clamp'], pack, out)
    const deflask = work.hands('deflask', 'denture', 35, out, 60)
    work.hold(['flask'], flask, deflask)
    const polish = work.hands('polish', 'finish', 60, deflask, 0, undefined, true)
    work.hold(['lathe'], polish, polish)
    work.hands('papers', 'desk', 8, polish)
  },
  ceramic: (work) => {
    const receive = work.hands('receive', 'desk', 8)
    const stain = work.hands('stain', 'ceramic', 30, receive)
    const load = work.hands('load', 'ceramic', 3, stain, 0, 120)
    const fire = work.program('glaze', 25, load)
    const out = work.hands('take out', 'ceramic', 3, fire)
    work.hold(['firing furnace'], load, out, 'end', fire)
    work.hands('check', 'desk', 8, out, 10)
  },
}

/**
 * An invented lab to be planned: so many cases and people, in the form of the planner's instances. The same seed gives the same lab.
 */
export function inventedLab(cases: number, people: number, seed: number): PlanInstance {
  const random = seededRandom(seed)
  const days = 14 + Math.ceil(cases / people) * 3
  const week = (opens: readonly (readonly [number, number])[]) =>
    Array.from({ length: days }, (_, day) => day)
      .filter((day) => WEEKDAYS.includes(day % 7))
      .flatMap((day) => opens.map(([a, b]): [number, number] => [day * DAY + a, day * DAY + b]))
  const names = Object.keys(jobs)
  const written = Array.from({ length: cases }, (_, n) => {
    const job = names[Math.floor(random() * names.length)]!
    const work = new CaseWriter(`K${String(n + 1).padStart(3, '0')}`, random)
    jobs[job]!(work)
    return {
      job,
      work,
      release: 480 + Math.floor(random() * 3) * 480,
      weight: random() < 0.1 ? 10 : random() < 0.3 ? 3 : 1,
    }
  })
  return {
    format: 'laboratory-plan 1',
    name: `invented ${cases} ${seed}`,
    seed,
    nowMinute: 480,
    horizonMinute: days * DAY,
    weights: { late: 10, flow: 0.1, idle: 0, moved: 1 },
    calendars: {
      courier: week([[510, 1020]]),
      ...Object.fromEntries(
        Array.from({ length: people }, (_, n) => [
          `T${n + 1}`,
          week([
            [450 + 30 * (n % 2), 720],
            [750, 1020],
          ]),
        ]),
      ),
    },
    persons: Array.from({ length: people }, (_, n) => ({
      id: `T${n + 1}`,
      // Everybody knows about half of it; the first everything, so that nothing is left without hands.
      skills: SKILLS.filter((_skill, k) => n === 0 || (k + n) % 2 === 0),
      calendar: `T${n + 1}`,
    })),
    machines: MACHINES,
    cases: written.map(({ job, work, release, weight }) => ({
      id: work.id,
      route: job,
      releaseMinute: release,
      dueMinute: release + (job === 'denture' ? 9 : 4) * DAY,
      weight,
    })),
    steps: written.flatMap(({ work }) => work.steps),
    links: written.flatMap(({ work }) => work.links),
    holds: written.flatMap(({ work }) => work.holds),
  }
}
