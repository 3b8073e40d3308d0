/** The power of two that holds so many. */
export const powerAbove = (n: number) => 2 ** Math.ceil(Math.log2(Math.max(1024, n)))

/** Gives every distinct corner a number. Open addressing on typed arrays: an object for each would cost ten times as much. */
export class CornerTable {
  private slots: Int32Array
  private xyz: Float32Array
  private count = 0

  constructor(triangles: number) {
    // A closed surface has about half as many corners as triangles.
    this.slots = new Int32Array(powerAbove(triangles)).fill(-1)
    this.xyz = new Float32Array(3 * Math.ceil(0.55 * triangles + 16))
  }

  idOf(x: number, y: number, z: number): number {
    const [fx, fy, fz] = [Math.fround(x) + 0, Math.fround(y) + 0, Math.fround(z) + 0]
    const mask = this.slots.length - 1
    let slot = cornerHash(fx, fy, fz) & mask
    for (;;) {
      const id = this.slots[slot]!
      if (id === -1) break
      if (this.xyz[3 * id] === fx && this.xyz[3 * id + 1] === fy && this.xyz[3 * id + 2] === fz) return id
      slot = (slot + 1) & mask
    }
    const id = this.count++
    if (3 * id + 3 > this.xyz.length) {
      const larger = new Float32Array(Math.ceil(1.5 * this.xyz.length))
      larger.set(this.xyz)
      this.xyz = larger
    }
    this.xyz[3 * id] = fx
    this.xyz[3 * id + 1] = fy
    this.xyz[3 * id + 2] = fz
    this.slots[slot] = id
    if (this.count > 0.7 * this.slots.length) this.grow()
    return id
  }

  /** Three coordinates a corner, in the order of their numbers. */
  positions(): Float32Array {
    return this.xyz.slice(0, 3 * this.count)
  }

  private grow(): void {
    this.slots = new Int32Array(2 * this.slots.length).fill(-1)
    const mask = this.slots.length - 1
    for (let id = 0; id < this.count; id++) {
      let slot = cornerHash(this.xyz[3 * id]!, this.xyz[3 * id + 1]!, this.xyz[3 * id + 2]!) & mask
      while (this.slots[slot] !== -1) slot = (slot + 1) & mask
      this.slots[slot] = id
    }
  }
}

const floats = new Float32Array(3)
const bits = new Int32Array(floats.buffer)
function cornerHash(x: number, y: number, z: number): number {
  floats[0] = x
  floats[1] = y
  floats[2] = z
  return mixed(
    Math.imul(bits[0]!, 0x9e3779b1) ^ Math.imul(bits[1]!, 0x85ebca77) ^ Math.imul(bits[2]!, 0xc2b2ae3d),
  )
}

/** Spreads the bits of a hash (the finaliser of MurmurHash3, public domain). */
export function mixed(hash: number): number {
  let h = hash
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return (h ^ (h >>> 16)) >>> 0
}
