/**
 * A point or vector of the articulator's space, mm: x forwards, y to the patient's left, z up, from the middle between
 * the condyles when the members are closed and the pin is at zero. Fixed to the upper member.
 */
export interface SpacePoint {
  readonly x: number
  readonly y: number
  readonly z: number
}

export const plus = (a: SpacePoint, b: SpacePoint): SpacePoint => ({
  x: a.x + b.x,
  y: a.y + b.y,
  z: a.z + b.z,
})
export const less = (a: SpacePoint, b: SpacePoint): SpacePoint => ({
  x: a.x - b.x,
  y: a.y - b.y,
  z: a.z - b.z,
})
export const times = (a: SpacePoint, k: number): SpacePoint => ({ x: k * a.x, y: k * a.y, z: k * a.z })
export const inner = (a: SpacePoint, b: SpacePoint) => a.x * b.x + a.y * b.y + a.z * b.z
export const cross = (a: SpacePoint, b: SpacePoint): SpacePoint => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
})
export const lengthOf = (a: SpacePoint) => Math.hypot(a.x, a.y, a.z)
export const unit = (a: SpacePoint): SpacePoint => times(a, 1 / lengthOf(a))
