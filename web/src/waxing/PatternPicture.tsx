import { Hatch } from '../parts/Hatch.tsx'

const ink = 'var(--color-base-content)'

/** The steps of a pattern in their order; a layer is there once its step is past, and hatched while it is due. */
const order = [
  'die-spacer',
  'green-wax',
  'pattern-resin',
  'room-budget',
  'record-stops',
  'take-off',
  'margin-wax',
  'contour',
  'pontic-clearance',
  'set-pontic',
  'join-pontic',
  'wax-occlusal',
  'margin-check',
  'to-invest',
]
const waxUpOrder = ['bulk-wax', 'cusp-tips', 'detail-wax', 'carve-walls', 'carve-occlusal', 'every-side']

/** From here on the pattern is metal. */
const castSteps: ReadonlySet<string> = new Set([
  'inspect-casting',
  'fit-die',
  'polish-casting',
  'label',
  'deliver',
])

/** What of the pattern is seen once it is cast: its outer shape, the pontic and its joints. */
const castLayers: ReadonlySet<string> = new Set(['contour', 'wax-occlusal', 'set-pontic', 'join-pontic'])

type Fill = (layer: string) => string | undefined

/** A section through die and pattern: spacer, green wax, resin, outer wax, and the opposing tooth above. */
export function PatternPicture({ templateId, stepId }: { templateId: string; stepId: string }) {
  const bridge = templateId === 'cast-bridge'
  const steps = templateId === 'tooth-wax-up' ? waxUpOrder : order
  const metal = castSteps.has(stepId) && templateId !== 'tooth-wax-up'
  const now = metal ? steps.length : steps.indexOf(stepId)
  const fill =
    (colour: string) =>
    (layer: string): string | undefined => {
      if (metal) return castLayers.has(layer) ? 'var(--metal)' : undefined
      const at = steps.indexOf(layer)
      if (at < 0 || now < 0 || at > now) return undefined
      return at === now ? 'url(#due-layer)' : colour
    }
  const wax = fill('var(--wax)')
  return (
    <svg
      viewBox="0 0 300 216"
      className="h-full w-full"
      role="img"
      aria-label={bridge ? 'The bridge pattern in section' : 'Die and pattern in section'}
    >
      <defs>
        <Hatch id="due-layer" size={7} />
      </defs>
      {bridge ? (
        <>
          <Opposing />
          <path
            d="M104 196q46-30 92 0v14H104z"
            fill="var(--stone)"
            stroke={ink}
            strokeWidth="1.5"
            strokeLinejoin="round"
          />
          {wax('pontic-clearance') && (
            <path d="M108 189q42-27 84 0" fill="none" stroke="var(--heat)" strokeWidth="5" />
          )}
          <g transform="translate(-2 28) scale(0.36 0.86)">
            <Unit fill={fill} wax={wax} />
          </g>
          <g transform="translate(194 28) scale(0.36 0.86)">
            <Unit fill={fill} wax={wax} />
          </g>
          {wax('set-pontic') && (
            <path
              d="M112 168q-8-60 8-84l14-10 16 10 16-10 14 10q16 24 8 84-38-24-76 0z"
              fill={wax('set-pontic')}
              stroke={ink}
              strokeWidth="1.5"
            />
          )}
          {wax('join-pontic') && (
            <path
              d="M76 112h40v20H76zM184 112h40v20h-40z"
              fill={wax('join-pontic')}
              stroke={ink}
              strokeWidth="1.5"
            />
          )}
        </>
      ) : (
        <>
          <Opposing />
          <Unit fill={fill} wax={wax} />
        </>
      )}
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
function Unit({ fill, wax }: { fill: (colour: string) => Fill; wax: Fill }) {
  const outer =
    wax('wax-occlusal') ?? wax('contour') ?? wax('every-side') ?? wax('carve-walls') ?? wax('bulk-wax')
  const green = fill('var(--good)')('green-wax')
  const resin = fill('var(--resin)')('pattern-resin')
  const mound = fill('var(--resin)')('record-stops')
  const spacer = fill('var(--wet)')('die-spacer')
  const margin = wax('margin-wax')
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
