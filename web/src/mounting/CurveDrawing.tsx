import { type BalancedSetUp, onSphere, type ToothContact, toRadians } from '@yentrik/core'

export interface NamedContact {
  readonly name: string
  readonly contact: ToothContact
}

const ink = 'var(--color-base-content)'

/** From the side, to scale: the occlusal plane, the curve, and at each tooth the wedge that its cusp must fill in protrusion. */
export function CurveDrawing({
  set: { incisor, sphere },
  teeth,
}: {
  set: BalancedSetUp
  teeth: readonly NamedContact[]
}) {
  const back = Math.min(incisor.x - 50, ...teeth.map(({ contact }) => contact.cusp.x - 6))
  const width = incisor.x + 10 - back
  const at = (x: number, z: number) => `${x.toFixed(2)} ${(-z).toFixed(2)}`
  // Along the midline: the row of cusps lies a little higher to the side, which is the transverse curve.
  const curve = sphere
    ? Array.from({ length: 41 }, (_, n) => back + ((incisor.x - back) * n) / 40).map((x) =>
        at(x, onSphere(sphere, { x, y: 0 }).z),
      )
    : []
  return (
    <svg
      viewBox={`${back} ${-incisor.z - 7} ${width} 13`}
      className="h-full w-full"
      role="img"
      aria-label="Curve and cusp angles from the side, to scale"
      fontSize="2"
      fontWeight="600"
      fill={ink}
    >
      <path
        d={`M${at(back, incisor.z)}H${incisor.x + 4}`}
        stroke={ink}
        strokeWidth="0.3"
        strokeDasharray="2 1.5"
      />
      {curve.length > 0 && (
        <path d={`M${curve.join('L')}`} fill="none" stroke="var(--color-primary)" strokeWidth="0.6" />
      )}
      {teeth.map(({ name, contact: { cusp, protrusion } }) => {
        const arm = (degrees: number) =>
          at(cusp.x + 5.5 * Math.cos(toRadians(degrees)), cusp.z - 5.5 * Math.sin(toRadians(degrees)))
        return (
          <g key={name}>
            <path
              d={`M${at(cusp.x, cusp.z)}L${arm(protrusion.tiltDegrees)}L${arm(protrusion.dipDegrees)}z`}
              fill="var(--stone)"
              stroke={ink}
              strokeWidth="0.3"
              strokeLinejoin="round"
            />
            <circle cx={cusp.x} cy={-cusp.z} r="0.8" fill="var(--color-error)" />
            <text x={cusp.x} y={-cusp.z - 2.4} textAnchor="middle">
              {protrusion.cuspDegrees.toFixed(0)}°
            </text>
          </g>
        )
      })}
      <circle cx={incisor.x} cy={-incisor.z} r="0.9" />
      <text x={incisor.x + 2} y={-incisor.z - 1.5}>
        edge
      </text>
    </svg>
  )
}
