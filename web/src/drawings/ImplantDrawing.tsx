import { ARCH_MATTER } from '@yentrik/core'
import { type DrawingProps, fillOf, ink } from './drawing.ts'
import { Hatch } from './Hatch.tsx'

const CENTRE = 150

/** Angle of each implant along the arch, evenly or where the prescription puts them, degrees from the front, left above 0. */
function anglesOf(implants: number, teeth: readonly number[]): number[] {
  const positions = teeth.map((tooth) => {
    const place = tooth % 10
    const onRight = [1, 4].includes(Math.floor(tooth / 10))
    return (onRight ? -1 : 1) * (place - 0.5) * 12
  })
  if (positions.length === implants) return positions.sort((a, b) => a - b)
  return Array.from({ length: implants }, (_, n) => -75 + (150 * n) / Math.max(1, implants - 1))
}

/** Implant cast from above: replicas, jig with its cuts between neighbours, tray outline; hatched is what this step adds. */
export function ImplantDrawing({ part, teeth, choices }: DrawingProps<'implants'>) {
  const implants = Number(choices.implants ?? 4)
  const lower = choices[ARCH_MATTER] === 'lower'
  const flip = lower ? -1 : 1
  const at = (degrees: number, radius: number): [number, number] => {
    const a = (flip * degrees * Math.PI) / 180
    return [CENTRE + radius * 1.02 * Math.sin(a), 140 - radius * Math.cos(a)]
  }
  const angles = anglesOf(implants, teeth)
  const [first = -75, last = 75] = [angles[0], angles.at(-1)]
  const band = (inner: number, outer: number, from: number, to: number) => {
    const steps = Array.from({ length: 25 }, (_, n) => from + ((to - from) * n) / 24)
    const points = [...steps.map((a) => at(a, outer)), ...steps.reverse().map((a) => at(a, inner))]
    return `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}z`
  }
  const cuts = angles.slice(1).map((angle, n) => (angle + angles[n]!) / 2)
  const jig = fillOf(part('jig'), 'var(--resin)', 'jig-due')
  const sawn = part('cuts') === 'there'
  return (
    <svg
      viewBox="0 0 300 216"
      className="h-full w-full"
      role="img"
      aria-label={`The implant cast from above, ${implants} implants, ${cuts.length} cuts between them`}
    >
      <defs>
        <Hatch id="jig-due" />
      </defs>
      <path d={band(62, 128, -112, 112)} fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path d={band(78, 112, -108, 108)} fill="var(--wax)" opacity={part('tissue') ? 0.75 : 0.25} />
      {jig !== 'none' && (
        <path d={band(86, 104, first - 8, last + 8)} fill={jig} stroke={ink} strokeWidth="1.5" />
      )}
      {part('tray') && (
        <path d={band(56, 134, -108, 108)} fill="none" stroke={ink} strokeWidth="2.5" strokeDasharray="7 5" />
      )}
      {angles.map((angle) => {
        const [x, y] = at(angle, 95)
        return (
          <g key={angle}>
            <circle cx={x} cy={y} r="8" fill="var(--metal)" stroke={ink} strokeWidth="1.5" />
            <circle cx={x} cy={y} r="3" fill={ink} />
          </g>
        )
      })}
      {part('cuts') &&
        cuts.map((angle) => {
          const [a, b] = [at(angle, 80), at(angle, 110)]
          return (
            <path
              key={angle}
              d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`}
              stroke="var(--color-error)"
              strokeWidth="2.5"
              strokeDasharray={sawn ? undefined : '4 3'}
            />
          )
        })}
      <text x={CENTRE} y="150" textAnchor="middle" fontSize="15" fontWeight="600" fill={ink}>
        {part('cuts') === 'due' ? `${cuts.length} cuts` : `${implants} implants`}
      </text>
    </svg>
  )
}
