import { type Articulator, type JawPose, type SpacePoint, toRadians } from '@yentrik/core'

/** Teeth of the lower that the drawing follows. */
export interface FollowedTeeth {
  readonly incisor: SpacePoint
  readonly molarRight: SpacePoint
  readonly molarLeft: SpacePoint
}
const ink = 'var(--color-base-content)'

/** The articulator from the side, to scale: hinge axis, pin on its table, upper cast, and the lower where it has gone. */
export function ArticulatorDrawing({
  articulator: { pinTip, incisalDegrees },
  pose,
  teeth,
  pinMillimetres,
}: {
  articulator: Articulator
  pose: JawPose
  teeth: FollowedTeeth
  pinMillimetres: number
}) {
  const at = ({ x, z }: { x: number; z: number }) => `${x.toFixed(2)} ${(-z).toFixed(2)}`
  const moved = (x: number, z: number) => pose.move({ x, y: 0, z })
  const path = (points: readonly { x: number; z: number }[]) => `M${points.map(at).join('L')}`
  const { incisor, molarLeft } = teeth
  const back = molarLeft.x - 12
  const plane = incisor.z
  const foot = Math.min(pinTip.z, plane) - 26
  const table = (dx: number) => ({
    x: pinTip.x + dx,
    z: pinTip.z - dx * Math.tan(toRadians(incisalDegrees)),
  })
  const lowerCast = [
    moved(back, plane),
    moved(incisor.x, plane),
    moved(incisor.x - 4, foot + 6),
    moved(back, foot + 6),
  ]
  const lowerArm = [moved(0, 0), moved(-8, foot), moved(pinTip.x + 10, foot)]
  const onTable = [moved(table(-9).x, table(-9).z), moved(table(9).x, table(9).z)]
  return (
    <svg
      viewBox={`-22 -38 ${pinTip.x + 48} ${44 - foot}`}
      className="h-full w-full"
      role="img"
      aria-label="The articulator from the side, to scale"
      fontSize="4"
      fontWeight="600"
    >
      <path d={path(lowerArm)} fill="none" stroke="var(--metal)" strokeWidth="4.5" strokeLinejoin="round" />
      <path
        d={`${path([moved(back - 4, foot + 6), moved(incisor.x, foot + 6), moved(incisor.x, foot + 2), moved(back - 4, foot + 2)])}z`}
        fill="var(--plaster)"
        stroke={ink}
        strokeWidth="0.4"
      />
      <path d={`${path(lowerCast)}z`} fill="var(--stone)" stroke={ink} strokeWidth="0.5" />
      <path d={`${path(onTable)}`} stroke={ink} strokeWidth="2.2" strokeLinecap="round" />
      <path d={`M${at(onTable[0]!)}L${at(moved(pinTip.x, foot))}`} stroke="var(--metal)" strokeWidth="3" />
      <path
        d={`M0 0V-30H${pinTip.x + 8}`}
        fill="none"
        stroke="var(--metal)"
        strokeWidth="4.5"
        strokeLinejoin="round"
      />
      <path
        d={`M${back - 4} -27H${incisor.x - 2}V-20H${back - 4}z`}
        fill="var(--plaster)"
        stroke={ink}
        strokeWidth="0.4"
      />
      <path
        d={`M${back} ${-plane}L${back} -20H${incisor.x - 4}L${incisor.x} ${-plane}z`}
        fill="var(--stone)"
        stroke={ink}
        strokeWidth="0.5"
      />
      <path
        d={`M${pinTip.x} -34V${-pinTip.z + pinMillimetres}`}
        stroke={ink}
        strokeWidth="2.4"
        strokeLinecap="round"
      />
      <path
        d={`M${back - 6} ${-plane}H${pinTip.x + 12}`}
        stroke="var(--color-error)"
        strokeWidth="0.4"
        strokeDasharray="3 2"
      />
      {[incisor, molarLeft].map((tooth) => {
        const gone = pose.move(tooth)
        return (
          <g key={tooth.x}>
            <path
              d={`M${tooth.x} ${-tooth.z}L${gone.x} ${-gone.z}`}
              stroke="var(--color-error)"
              strokeWidth="0.9"
              strokeLinecap="round"
            />
            <circle cx={gone.x} cy={-gone.z} r="1.5" fill="var(--color-error)" />
          </g>
        )
      })}
      <circle cx="0" cy="0" r="4" fill="var(--color-base-100)" stroke={ink} strokeWidth="1.2" />
      <g fill={ink}>
        <text x="-18" y="10">
          axis
        </text>
        <text x={pinTip.x + 4} y="-24">
          pin
        </text>
      </g>
    </svg>
  )
}

/** From above: the condyles, and the ways of three lower teeth, drawn three times as long as they are. */
export function PathsDrawing({
  articulator: { intercondylarMillimetres: c },
  teeth,
  ways,
}: {
  articulator: Articulator
  teeth: FollowedTeeth
  /** For each tooth and each condyle its places in order. */
  ways: readonly (readonly SpacePoint[])[]
}) {
  const times = 3
  const { incisor } = teeth
  return (
    <svg
      viewBox={`${-c / 2 - 14} ${-incisor.x - 30} ${c + 28} ${incisor.x + 46}`}
      className="h-full w-full"
      role="img"
      aria-label="The ways of incisors, molars and condyles from above, three times as long"
      fontSize="4.5"
      fontWeight="600"
      fill={ink}
    >
      <path
        d={`M${-c / 2} 0H${c / 2}L0 ${-incisor.x}z`}
        fill="none"
        stroke="var(--color-base-300)"
        strokeWidth="0.8"
      />
      <path
        d={`M${-teeth.molarLeft.y} ${-teeth.molarLeft.x + 14}L${-teeth.molarLeft.y} ${-teeth.molarLeft.x}Q${-teeth.molarLeft.y * 0.9} ${-incisor.x} 0 ${-incisor.x}Q${teeth.molarLeft.y * 0.9} ${-incisor.x} ${teeth.molarLeft.y} ${-teeth.molarLeft.x}V${-teeth.molarLeft.x + 14}`}
        fill="none"
        stroke="var(--stone)"
        strokeWidth="7"
        strokeLinejoin="round"
      />
      {ways.map((way) => {
        const [first] = way
        if (!first) return null
        // Seen from above with the front away: the patient's left is on the left.
        const points = way.map(
          (p) => `${-(first.y + times * (p.y - first.y))} ${-(first.x + times * (p.x - first.x))}`,
        )
        return (
          <g key={`${first.x} ${first.y}`}>
            <path
              d={`M${points.join('L')}`}
              fill="none"
              stroke="var(--color-error)"
              strokeWidth="1.4"
              strokeLinecap="round"
            />
            <circle cx={-first.y} cy={-first.x} r="2" fill={ink} />
          </g>
        )
      })}
      <text x={-c / 2 - 6} y="12">
        left
      </text>
      <text x={c / 2 - 6} y="12">
        right
      </text>
    </svg>
  )
}
