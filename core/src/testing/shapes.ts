import type { SurveyMesh } from '../survey/index.ts'

/** For tests: bodies of revolution about an upright axis, closed, their triangles anticlockwise from outside. */
export function revolved(
  /** From the foot to the top: radius and height, mm. */
  profile: readonly (readonly [number, number])[],
  { rounds = 256, middle = [0, 0] as readonly [number, number] } = {},
): SurveyMesh {
  const positions: number[] = []
  const triangles: number[] = []
  for (const [radius, z] of profile)
    for (let k = 0; k < rounds; k++) {
      const angle = (2 * Math.PI * k) / rounds
      positions.push(middle[0] + radius * Math.cos(angle), middle[1] + radius * Math.sin(angle), z)
    }
  for (let n = 0; n + 1 < profile.length; n++)
    for (let k = 0; k < rounds; k++) {
      const [a, b] = [n * rounds + k, n * rounds + ((k + 1) % rounds)]
      const [c, d] = [a + rounds, b + rounds]
      triangles.push(a, b, d, a, d, c)
    }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}

export function ball(radius: number, middle: readonly [number, number, number], rounds = 256): SurveyMesh {
  const steps = rounds / 2
  return revolved(
    Array.from({ length: steps + 1 }, (_, n) => {
      const angle = (Math.PI * n) / steps
      return [radius * Math.sin(angle), middle[2] - radius * Math.cos(angle)] as const
    }),
    { rounds, middle: [middle[0], middle[1]] },
  )
}

/** Several bodies in one file. */
export function together(...bodies: readonly SurveyMesh[]): SurveyMesh {
  const positions: number[] = []
  const triangles: number[] = []
  for (const body of bodies) {
    const from = positions.length / 3
    positions.push(...body.positions)
    for (const corner of body.triangles) triangles.push(corner + from)
  }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}

/** Every corner moved. */
export function moved(
  { positions, triangles }: SurveyMesh,
  to: (x: number, y: number, z: number) => readonly [number, number, number],
): SurveyMesh {
  const turned = new Float32Array(positions.length)
  for (let n = 0; n < positions.length; n += 3)
    turned.set(to(positions[n]!, positions[n + 1]!, positions[n + 2]!), n)
  return { positions: turned, triangles }
}

/** A tube bent to a ring, lying level. */
export function torus(R: number, r: number, height: number, rounds = 256): SurveyMesh {
  return revolved(
    Array.from({ length: rounds / 2 + 1 }, (_, n) => {
      const angle = (4 * Math.PI * n) / rounds - Math.PI / 2
      return [R + r * Math.cos(angle), height + r * Math.sin(angle)] as const
    }),
    { rounds },
  )
}

/** An upright post with flat ends. */
export const post = (
  radius: number,
  height: number,
  { top = radius, rounds = 256, middle = [0, 0] as readonly [number, number] } = {},
): SurveyMesh =>
  revolved([[0, 0], [radius, 0], ...wall(radius, top, height), [0, height]], { rounds, middle })
const wall = (radius: number, top: number, height: number) =>
  Array.from({ length: 25 }, (_, n) => [radius + ((top - radius) * n) / 24, (height * n) / 24] as const)
