import type { RoomSite, RoomVerdict } from '@yentrik/core'
import { Hatch } from '../drawings/Hatch.tsx'
import { useBareMillimetres } from '../preferences/words.tsx'

const ink = 'var(--color-base-content)'
/** Of a drawn millimetre. */
const SCALE = 46
const COLUMN = 128
const WIDE = 66

/** Die, green wax, resin, what is left for the outer wax, and the opposing face: a section through each place, to scale. */
export function RoomDrawing({
  sites,
}: {
  readonly sites: readonly { readonly site: RoomSite; readonly verdict: RoomVerdict }[]
}) {
  const bare = useBareMillimetres()
  const most = Math.max(
    1,
    ...sites.map(({ site }) => Math.max(site.roomMillimetres, site.greenMillimetres + site.resinMillimetres)),
  )
  const ground = 26 + most * SCALE
  return (
    <svg
      viewBox={`0 0 ${Math.max(4, sites.length) * COLUMN} ${ground + 44}`}
      className="max-h-52 w-full"
      role="img"
      aria-label="Layers at each place, to scale"
      fontSize="13"
      fontWeight="600"
      fill={ink}
    >
      <defs>
        <Hatch id="room-left" size={7} />
      </defs>
      {sites.map(({ site, verdict }, index) => {
        const x = index * COLUMN + 8
        const green = ground - site.greenMillimetres * SCALE
        const resin = green - site.resinMillimetres * SCALE
        const opposing = ground - site.roomMillimetres * SCALE
        const bad = verdict.verdict !== 'enough'
        return (
          <g key={`${site.name} ${index}`}>
            <rect x={x} y={ground} width={WIDE} height="20" fill="var(--stone)" stroke={ink} />
            <rect x={x} y={green} width={WIDE} height={ground - green} fill="var(--good)" stroke={ink} />
            <rect x={x} y={resin} width={WIDE} height={green - resin} fill="var(--resin)" stroke={ink} />
            {opposing < resin && (
              <rect
                x={x}
                y={opposing}
                width={WIDE}
                height={resin - opposing}
                fill="url(#room-left)"
                stroke={bad ? 'var(--color-error)' : ink}
                strokeWidth={bad ? 2.5 : 1}
                strokeDasharray="5 4"
              />
            )}
            <path d={`M${x - 6} ${opposing}H${x + WIDE + 6}`} stroke={ink} strokeWidth="2.5" />
            <text x={x + WIDE + 5} y={(opposing + resin) / 2 + 5} fill={bad ? 'var(--color-error)' : ink}>
              {bare(verdict.outerMillimetres)}
            </text>
            <text x={x + WIDE + 5} y={(resin + green) / 2 + 5} fontWeight="400">
              {bare(site.resinMillimetres)}
            </text>
            <text x={x + WIDE + 5} y={(green + ground) / 2 + 5} fontWeight="400">
              {bare(site.greenMillimetres)}
            </text>
            <text x={x} y={ground + 38}>
              {site.name.length > 17 ? `${site.name.slice(0, 16)}…` : site.name}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
