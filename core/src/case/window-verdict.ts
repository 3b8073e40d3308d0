/** The time window of a step, instants in ms since 1970. */
export interface StepWindow {
  /** To end a running step, or to start one that is waiting. */
  readonly to: 'finish' | 'start'
  readonly from: number
  readonly goodFrom: number
  readonly lateFrom: number
  /** When it is past; none: late is the worst. */
  readonly pastFrom?: number
  /** What can still be done when it is past. */
  readonly ifPast?: { readonly toStepId: string; readonly say: string }
  readonly early?: string
  readonly late: string
  readonly source: string
}

export type WindowVerdict = 'tooSoon' | 'good' | 'late' | 'past'

/**
 * The window of work that lies in a machine: open from when its program is expected to end, and as long as usual.
 * One that is open from its beginning stays as it is.
 * @param endsAt ms since 1970
 */
export function windowByMachine(window: StepWindow, endsAt: number): StepWindow {
  if (window.to !== 'finish' || window.goodFrom <= window.from) return window
  const by = endsAt - window.goodFrom
  return {
    ...window,
    goodFrom: endsAt,
    lateFrom: window.lateFrom + by,
    ...(window.pastFrom === undefined ? {} : { pastFrom: window.pastFrom + by }),
    early: 'The machine is still on its program.',
    source: 'by the program of the machine, as it runs',
  }
}

/**
 * Too soon, good, late or past at an instant. The good time holds its first and last moment.
 * A window that is good from its beginning is never too soon, though a clock may lag a moment behind the event.
 */
export function windowVerdict(window: StepWindow, now: number): WindowVerdict {
  if (now < window.goodFrom && window.goodFrom > window.from) return 'tooSoon'
  if (window.pastFrom !== undefined && now > window.pastFrom) return 'past'
  return now > window.lateFrom ? 'late' : 'good'
}
