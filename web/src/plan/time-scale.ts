/** A closed stretch takes no more room than this share of a working day: work has room, and the night is still seen. */
const NIGHT_SHARE = 0.33

interface Piece {
  readonly from: number
  readonly until: number
  /** Where it begins and ends on the line, 0 to 1. */
  readonly begins: number
  readonly ends: number
  readonly isOpen: boolean
}

/** A line of time with its nights folded. Instants in ms since 1970, places from 0 to 1. */
export class TimeScale {
  readonly pieces: readonly Piece[]
  constructor(
    readonly from: number,
    readonly until: number,
    open: readonly (readonly [number, number])[],
  ) {
    const days = open.map(([opens, closes]) => closes - opens)
    const longest = Math.max(1, ...days)
    const raw: { from: number; until: number; size: number; isOpen: boolean }[] = []
    let at = from
    const add = (to: number, isOpen: boolean) => {
      const until = Math.min(Math.max(to, at), this.until)
      if (until <= at) return
      const length = until - at
      raw.push({ from: at, until, size: isOpen ? length : Math.min(length, NIGHT_SHARE * longest), isOpen })
      at = until
    }
    for (const [opens, closes] of open) {
      add(opens, false)
      add(closes, true)
    }
    add(this.until, false)
    const whole = raw.reduce((sum, { size }) => sum + size, 0) || 1
    let placed = 0
    this.pieces = raw.map(({ size, ...piece }) => {
      const begins = placed / whole
      placed += size
      return { ...piece, begins, ends: placed / whole }
    })
  }

  /** Where an instant lies, 0 to 1; what is before or after the line at its ends. */
  at(instant: number): number {
    if (instant <= this.from) return 0
    const piece = this.pieces.find(({ until }) => instant < until)
    if (!piece) return 1
    const share = (instant - piece.from) / (piece.until - piece.from)
    return piece.begins + share * (piece.ends - piece.begins)
  }
  /** The instant at a place of the line. */
  instant(place: number): number {
    const piece = this.pieces.find(({ ends }) => place < ends) ?? this.pieces.at(-1)
    if (!piece) return this.from
    const share = (place - piece.begins) / (piece.ends - piece.begins || 1)
    return Math.round(piece.from + share * (piece.until - piece.from))
  }
}

const HOUR = 3_600_000
/** Whole hours of the open stretches, every so many; at night none. */
export function hoursOf({ pieces }: TimeScale, every: number): readonly number[] {
  return pieces
    .filter(({ isOpen }) => isOpen)
    .flatMap(({ from, until }) => {
      const hours: number[] = []
      for (let hour = Math.ceil(from / HOUR) * HOUR; hour < until; hour += HOUR)
        if (new Date(hour).getHours() % every === 0) hours.push(hour)
      return hours
    })
}
