import { mixed, powerAbove } from './corner-table.ts'

/** Counts how often each edge is run along, and in which direction. */
export class EdgeTable {
  private low: Int32Array
  private high: Int32Array
  /** Uses in the low four bits (at most 15), runs from low to high in the upper four. */
  private uses: Uint8Array
  private count = 0

  constructor(triangles: number) {
    const size = powerAbove(2 * triangles)
    this.low = new Int32Array(size).fill(-1)
    this.high = new Int32Array(size)
    this.uses = new Uint8Array(size)
  }

  add(from: number, to: number): void {
    const [low, high] = from < to ? [from, to] : [to, from]
    const slot = this.slotOf(low, high)
    if (this.low[slot] === -1) {
      this.low[slot] = low
      this.high[slot] = high
      this.count++
    }
    const held = this.uses[slot]!
    const times = Math.min(15, (held & 15) + 1)
    const upwards = Math.min(15, (held >> 4) + (from < to ? 1 : 0))
    this.uses[slot] = times | (upwards << 4)
    if (this.count > 0.8 * this.low.length) this.grow()
  }

  private slotOf(low: number, high: number): number {
    const mask = this.low.length - 1
    let slot = mixed(Math.imul(low, 0x9e3779b1) ^ high) & mask
    while (this.low[slot] !== -1 && !(this.low[slot] === low && this.high[slot] === high))
      slot = (slot + 1) & mask
    return slot
  }

  private grow(): void {
    const { low, high, uses } = this
    this.low = new Int32Array(2 * low.length).fill(-1)
    this.high = new Int32Array(2 * low.length)
    this.uses = new Uint8Array(2 * low.length)
    for (let n = 0; n < low.length; n++) {
      if (low[n] === -1) continue
      const slot = this.slotOf(low[n]!, high[n]!)
      this.low[slot] = low[n]!
      this.high[slot] = high[n]!
      this.uses[slot] = uses[n]!
    }
  }

  faults(): { openEdges: number; tangledEdges: number } {
    let [openEdges, tangledEdges] = [0, 0]
    for (let slot = 0; slot < this.low.length; slot++) {
      if (this.low[slot] === -1) continue
      const times = this.uses[slot]! & 15
      if (times === 1) openEdges++
      else if (times > 2 || this.uses[slot]! >> 4 !== 1) tangledEdges++
    }
    return { openEdges, tangledEdges }
  }
}
