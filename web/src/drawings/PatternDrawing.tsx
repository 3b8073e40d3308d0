import type { ReactNode } from 'react'
import { type DrawingProps, ink } from './drawing.ts'
import { Hatch } from './Hatch.tsx'

type Props = DrawingProps<'bridge'>
type Part = Parameters<Props['part']>[0]
type Fill = (layer: Part, colour?: string) => string | undefined

/** What each layer is filled with; once it is cast, the outside is metal and the layers under it are not seen. */
function fillOf(part: Props['part']): Fill {
  const metal = part('metal') !== undefined
  return (layer, colour = 'var(--wax)') => {
    if (metal) return OUTSIDE.has(layer) ? 'var(--metal)' : undefined
    const standing = part(layer)
    return standing && (standing === 'due' ? 'url(#due-layer)' : colour)
  }
}
const OUTSIDE: ReadonlySet<Part> = new Set<Part>(['wax', 'pontic', 'joints'])

/** A section through die and pattern: spacer, green wax, resin, outer wax, and the opposing tooth above. */
export function CrownPattern({ part }: DrawingProps<'crown'>) {
  const fill = fillOf(part as Props['part'])
  return (
    <Section label="Die and pattern in section">
      <Opposing />
      <Unit fill={fill} />
    </Section>
  )
}

/** Two retainers with the pontic between them. */
export function BridgePattern({ part }: Props) {
  const fill = fillOf(part)
  return (
    <Section label="The bridge pattern in section">
      <Opposing />
      <path
        d="M104 196q46-30 92 0v14H104z"
        fill="var(--stone)"
        stroke={ink}
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      {fill('clearance') && <path d="M108 189q42-27 84 0" fill="none" stroke="var(--heat)" strokeWidth="5" />}
      <g transform="translate(-2 28) scale(0.36 0.86)">
        <Unit fill={fill} />
      </g>
      <g transform="translate(194 28) scale(0.36 0.86)">
        <Unit fill={fill} />
      </g>
      {fill('pontic') && (
        <path
          d="M112 168q-8-60 8-84l14-10 16 10 16-10 14 10q16 24 8 84-38-24-76 0z"
          fill={fill('pontic')}
          stroke={ink}
          strokeWidth="1.5"
        />
      )}
      {fill('joints') && (
        <path d="M76 112h40v20H76zM184 112h40v20h-40z" fill={fill('joints')} stroke={ink} strokeWidth="1.5" />
      )}
    </Section>
  )
}

function Section({ label, children }: { label: string; children: ReactNode }) {
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label={label}>
      <defs>
        <Hatch id="due-layer" size={7} />
      </defs>
      {children}
    </svg>
  )
}

function Opposing() {
  return (
    <path
      d="M20 0h260v18q-34 34-64 4l-30 14-36-14-36 14-30-14q-30 30-64-4z"
      fill="var(--plaster)"
      stroke={ink}
      strokeWidth="1.5"
      strokeLinejoin="round"
    />
  )
}

/** One prepared die with what lies on it. */
function Unit({ fill }: { fill: Fill }) {
  const outer = fill('wax')
  const green = fill('green', 'var(--good)')
  const resin = fill('resin', 'var(--resin)')
  const mound = fill('mound', 'var(--resin)')
  const spacer = fill('spacer', 'var(--wet)')
  const margin = fill('margin')
  const line = { stroke: ink, strokeWidth: 1.5, strokeLinejoin: 'round' as const }
  return (
    <>
      {outer && (
        <path
          d="M78 176q-28-64-6-110l34-18 24 14 20-12 22 12 26-14 32 18q20 46-8 110l-26-6H104z"
          fill={outer}
          {...line}
        />
      )}
      {margin && <path d="M80 178l16-36h10l-6 40zM220 178l-16-36h-10l6 40z" fill={margin} {...line} />}
      {resin && (
        <path d="M92 150l14-66q44-20 88 0l14 66-10 4-14-60q-34-14-68 0l-14 60z" fill={resin} {...line} />
      )}
      {mound && <path d="M112 78q14-26 34 0z" fill={mound} {...line} />}
      {green && (
        <path d="M88 176l22-84q40-16 80 0l22 84-8 2-22-80q-32-12-64 0l-22 80z" fill={green} {...line} />
      )}
      <path d="M70 182h26l22-80q32-12 64 0l22 80h26v34H70z" fill="var(--stone)" {...line} />
      {spacer && (
        <path
          d="M104 160l16-56q30-10 60 0l16 56"
          fill="none"
          stroke={spacer.startsWith('url') ? 'var(--color-primary)' : spacer}
          strokeWidth="4"
          strokeDasharray={spacer.startsWith('url') ? '5 4' : undefined}
        />
      )}
      <path d="M70 182h26M204 182h26" stroke="var(--color-error)" strokeWidth="2.5" />
    </>
  )
}
