import { readFileSync } from 'node:fs'

/** Loaded before the server: its clock stands as far off as a file says, in minutes, as if somebody set the clock of the machine. */
const RealDate = Date
const offMillis = () => {
  try {
    return 60_000 * Number(readFileSync(process.env.TRUST_CLOCK_FILE, 'utf8'))
  } catch {
    return 0
  }
}
globalThis.Date = class extends RealDate {
  constructor(...parts) {
    if (parts.length === 0) super(RealDate.now() + offMillis())
    else super(...parts)
  }
  static now() {
    return RealDate.now() + offMillis()
  }
}
