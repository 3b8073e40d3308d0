import type { Route, Stage } from '@yentrik/core'
import { PostPicture } from '../casting/PostPicture.tsx'
import { RingDrawing } from '../casting/RingDrawing.tsx'
import { ClaspPicture } from '../curing/ClaspPicture.tsx'
import { CutPlan } from '../curing/CutPlan.tsx'
import { Hatch } from '../parts/Hatch.tsx'
import { PatternPicture } from '../waxing/PatternPicture.tsx'
import { ImplantPicture } from './ImplantPicture.tsx'
import { PairPicture } from './PairPicture.tsx'

/** A ring of ordinary size, for the picture only. */
const pictured = {
  binder: 'phosphate',
  ringRadiusMillimetres: 24,
  ringHeightMillimetres: 50,
  formerMillimetres: 20,
  sprueLengthMillimetres: 16,
  patternHeightMillimetres: 10.5,
  patternReachMillimetres: 9,
} as const
const patternJobs: ReadonlySet<string> = new Set(['cast-crown', 'cast-bridge', 'tooth-wax-up'])

/** A section of the real thing in the colours of its materials: what is there, and hatched what this step adds. */
export function StepPicture({
  route,
  stage,
  stepId,
  teeth = [],
}: {
  route: Pick<Route, 'templateId' | 'choices'>
  stage: Stage
  stepId: string
  /** Where the implants are, where it is known. */
  teeth?: readonly number[]
}) {
  if (route.templateId === 'implant-verification' && stage !== 'receive')
    return (
      <ImplantPicture
        stepId={stepId}
        implants={Number(route.choices.implants)}
        teeth={teeth}
        lower={route.choices.arch === 'lower'}
      />
    )
  if (route.templateId === 'cast-posts' && stage !== 'receive')
    return <PostPicture sprued={stepId === 'metal-record' || stepId === 'cut-sprue'} />
  if (route.templateId === 'clear-clasp' && stage !== 'receive' && stage !== 'pour')
    return (
      <ClaspPicture
        covered={['protect', 'join-existing', 'pot-join', 'wax-base', 'pour-resin', 'pot-base'].includes(
          stepId,
        )}
        joined={['pack', 'cure', 'check', 'polish', 'document', 'deliver'].includes(stage)}
      />
    )
  if (stepId === 'deflask-saw') return <CutPlan />
  if (['invest', 'burnOut', 'cast'].includes(stage))
    return <RingDrawing at={pictured} wireMillimetres={2.6} lines={[]} />
  if (patternJobs.has(route.templateId) && stage !== 'receive')
    return <PatternPicture templateId={route.templateId} stepId={stepId} />
  if (route.templateId === 'study-model-pair') return <PairPicture />
  if (route.templateId === 'study-cast') return <CastPicture stepId={stepId} stage={stage} />
  if (stage === 'flask' || stage === 'pack' || stage === 'deflask')
    return <FlaskPicture stage={stage} stepId={stepId} />
  if (stage === 'cure') return <BathPicture cooling={stepId === 'cool-flask'} />
  if (stage === 'mount' || stage === 'setUp' || stage === 'remount')
    return <ArticulatorPicture open={stage === 'remount'} />
  if (stage === 'receive' || stage === 'pour' || stage === 'trim')
    return <CastPicture stepId={stepId} stage={stage} />
  return <DenturePicture />
}

const ink = 'var(--color-base-content)'

const flaskOrder = ['first-pour', 'second-pour', 'third-pour']

/** Where a separator is due, as a line on the section. */
const separators: Readonly<Record<string, string>> = {
  'separator-cast': 'M92 186v-36q10-58 58-58t58 58v36',
  'first-separator': 'M18 138q34-8 58 2M224 140q24-10 58-2',
  'second-separator': 'M18 62h264',
  'mould-separator': 'M84 150q4-72 66-72t66 72',
}

/** The flask cut across: pours that are in, the one that is due, the cavity once the wax is out. */
function FlaskPicture({ stage, stepId }: { stage: Stage; stepId: string }) {
  const due = flaskOrder.indexOf(stepId)
  const step = [
    'separator-cast',
    'first-pour',
    'first-set',
    'first-separator',
    'second-pour',
    'second-set',
    'second-separator',
    'third-pour',
  ].indexOf(stepId)
  const has = (pour: number) => step < 0 || step > [1, 4, 7][pour]!
  const fill = (pour: number, colour: string) => (has(pour) ? colour : due === pour ? 'url(#due)' : 'none')
  const line = (pour: number) => ({
    stroke: ink,
    strokeWidth: 1.5,
    strokeDasharray: has(pour) ? undefined : '6 4',
  })
  const hollow = stepId === 'boil-out' || stepId === 'mould-separator' || stepId === 'cool-mould'
  const base =
    stage === 'pack' && stepId !== 'mix-dough' && stepId !== 'dough'
      ? 'var(--resin)'
      : stage === 'deflask'
        ? 'var(--resin)'
        : hollow || stage === 'pack'
          ? 'var(--color-base-100)'
          : 'var(--wax)'
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="The flask in section">
      <defs>
        <Hatch id="due" />
      </defs>
      <rect x="4" y="8" width="292" height="202" rx="8" fill="var(--metal)" />
      <rect x="18" y="20" width="264" height="178" fill="var(--color-base-100)" />
      <path d="M18 198V138q34-8 58 2h148q24-10 58-2v60z" fill={fill(0, 'var(--plaster)')} {...line(0)} />
      <path d="M18 62h264v76q-34-8-58 2H76q-24-10-58-2z" fill={fill(1, 'var(--halfstone)')} {...line(1)} />
      <path d="M18 20h264v42H18z" fill={fill(2, 'var(--stone)')} {...line(2)} />
      <path d="M92 150q10-58 58-58t58 58v36H92z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path
        d="M84 150q4-72 66-72t66 72l-10 2q-10-48-56-48t-56 48z"
        fill={base}
        stroke={ink}
        strokeWidth="1.5"
        strokeDasharray={base === 'var(--color-base-100)' ? '5 4' : undefined}
      />
      <path
        d="M84 118l-14-22q2-14 14-10l18 12zM216 118l14-22q-2-14-14-10l-18 12z"
        fill="var(--tooth)"
        stroke={ink}
        strokeWidth="1.5"
      />
      {separators[stepId] && (
        <path
          d={separators[stepId]}
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth="5"
          strokeLinecap="round"
        />
      )}
      <g fill={ink} fontSize="13" fontWeight="600">
        <text x="28" y="46">
          3 cap, stone
        </text>
        <text x="28" y="82">
          2
        </text>
        <text x="28" y="186">
          1 plaster
        </text>
        <text x="150" y="176" textAnchor="middle">
          cast
        </text>
      </g>
    </svg>
  )
}

/** The flask in its bath. */
function BathPicture({ cooling }: { cooling: boolean }) {
  return (
    <svg
      viewBox="0 0 300 216"
      className="h-full w-full"
      role="img"
      aria-label={cooling ? 'The flask cooling on the bench' : 'The flask in its bath'}
    >
      {!cooling && (
        <path
          d="M30 60h240v130q0 14-14 14H44q-14 0-14-14z"
          fill="var(--wet)"
          stroke={ink}
          strokeWidth="1.5"
        />
      )}
      {cooling && <path d="M20 190h260" stroke={ink} strokeWidth="3" />}
      <rect
        x="84"
        y={cooling ? 96 : 94}
        width="132"
        height="94"
        rx="6"
        fill="var(--metal)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path d="M92 142h116" stroke={ink} strokeWidth="1.5" strokeDasharray="6 4" />
      <path d="M108 142q4-34 42-34t42 34z" fill="var(--resin)" stroke={ink} strokeWidth="1.5" />
      <path
        d="M70 88h160M70 198h160M76 84v118M224 84v118"
        stroke={ink}
        strokeWidth="4"
        strokeLinecap="round"
      />
      {!cooling && (
        <g stroke="var(--heat)" strokeWidth="3" fill="none" strokeLinecap="round">
          <path d="M110 214q6-8 0-14M150 214q6-8 0-14M190 214q6-8 0-14" />
          <path d="M252 30v96" stroke={ink} />
          <circle cx="252" cy="134" r="9" fill="var(--heat)" stroke={ink} strokeWidth="1.5" />
        </g>
      )}
      {!cooling && (
        <text x="238" y="52" fontSize="16" fontWeight="700" fill={ink} textAnchor="end">
          74 °C
        </text>
      )}
    </svg>
  )
}

const sideTeeth = [104, 117, 131, 147, 165, 184].map((x, n) => ({
  x,
  w: [12, 13, 15, 17, 18, 17][n]!,
  h: [27, 24, 24, 20, 17, 15][n]!,
}))

/** The articulator from the side: hinge, casts, pin and its table. */
function ArticulatorPicture({ open }: { open: boolean }) {
  return (
    <svg
      viewBox="14 30 280 180"
      className="h-full w-full"
      role="img"
      aria-label="The articulator from the side"
    >
      <path d="M40 204h230V84" fill="none" stroke="var(--metal)" strokeWidth="9" strokeLinejoin="round" />
      <path d="M92 200v-30q40-12 122-4v34z" fill="var(--plaster)" stroke={ink} strokeWidth="1.5" />
      <path d="M94 170q40-16 118-4l-2-14q-60-10-114 2z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path d="M97 154q52-12 113-2l-4-10q-52-6-107 2z" fill="var(--wax)" stroke={ink} strokeWidth="1.5" />
      <path d="M38 204v-8h40v8z" fill="var(--metal)" stroke={ink} strokeWidth="1.5" />
      <g transform={open ? 'rotate(3 270 78)' : undefined}>
        <path d="M36 42h234v36" fill="none" stroke="var(--metal)" strokeWidth="9" strokeLinejoin="round" />
        <path d="M56 38v156" stroke={ink} strokeWidth="5" strokeLinecap="round" />
        <path d="M92 47v26q44 10 122 2V47z" fill="var(--plaster)" stroke={ink} strokeWidth="1.5" />
        <path d="M94 74q44 10 118 1l-2 18q-52 8-112-2z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
        <path d="M98 91q60 10 110 2l-4 26q-54 6-104 0z" fill="var(--wax)" stroke={ink} strokeWidth="1.5" />
        {sideTeeth.map(({ x, w, h }) => (
          <rect
            key={x}
            x={x}
            y={114}
            width={w}
            height={h}
            rx="5"
            fill="var(--tooth)"
            stroke={ink}
            strokeWidth="1.5"
          />
        ))}
      </g>
      <circle cx="270" cy="80" r="9" fill="var(--color-base-100)" stroke={ink} strokeWidth="2.5" />
      <g fill={ink} fontSize="13" fontWeight="600">
        <text x="34" y="120" textAnchor="middle">
          pin
        </text>
        <text x="254" y="102" textAnchor="end">
          axis
        </text>
      </g>
    </svg>
  )
}

/** Impression and cast in section; the base under it once it is poured. */
function CastPicture({ stepId, stage }: { stepId: string; stage: Stage }) {
  const finished = ['trim', 'check', 'document', 'deliver'].includes(stage)
  const out = finished || ['base', 'base-set'].includes(stepId)
  const poured = stage !== 'receive' && !['pour-anatomy', 'pour-master'].includes(stepId)
  const based = finished || stepId === 'base-set' || stepId === 'build-up'
  const stone = poured ? 'var(--stone)' : stage === 'receive' ? 'none' : 'url(#due-stone)'
  return (
    <svg
      viewBox="0 0 300 216"
      className="h-full w-full"
      role="img"
      aria-label={out ? 'The cast in section' : 'Impression and cast in section'}
    >
      <defs>
        <Hatch id="due-stone" />
      </defs>
      {!out && (
        <>
          <path
            d="M34 204q-18-70 8-120h18q-8 60 2 96h176q10-36 2-96h18q26 50 8 120z"
            fill="var(--metal)"
            stroke={ink}
            strokeWidth="1.5"
          />
          <path
            d="M60 84q-10 60 2 96h176q12-36 2-96h-26q-4 46-22 58-8-20-42-20t-42 20q-18-12-22-58z"
            fill="var(--wet)"
            stroke={ink}
            strokeWidth="1.5"
          />
        </>
      )}
      <path
        d="M86 84q4 46 22 58 8-20 42-20t42 20q18-12 22-58z"
        fill={stone}
        stroke={ink}
        strokeWidth="1.5"
        strokeDasharray={poured ? undefined : '6 4'}
      />
      <path
        d="M70 30h160v54H70z"
        fill={based ? 'var(--stone)' : out || stepId === 'retention' ? 'url(#due-stone)' : 'none'}
        stroke={ink}
        strokeWidth="1.5"
        strokeDasharray={based ? undefined : '6 4'}
      />
      <text x="150" y="62" fontSize="13" fontWeight="600" fill={ink} textAnchor="middle">
        base
      </text>
      {poured && (
        <text x="150" y="108" fontSize="13" fontWeight="600" fill={ink} textAnchor="middle">
          stone
        </text>
      )}
      {!out && (
        <text x="150" y="172" fontSize="13" fontWeight="600" fill={ink} textAnchor="middle">
          impression
        </text>
      )}
    </svg>
  )
}

/** The denture from the front. */
function DenturePicture() {
  const teeth = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => ({
    x: 74 + n * 19.2,
    w: [15, 16, 17, 20, 20, 17, 16, 15][n]!,
    h: [30, 32, 36, 38, 38, 36, 32, 30][n]!,
  }))
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="The denture from the front">
      <path
        d="M40 128q-8-66 36-82 74-22 148 0 44 16 36 82-12 16-30 12-80 12-160 0-18 4-30-12z"
        fill="var(--resin)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path
        d="M150 42v16M96 50q4 12 2 20M204 50q-4 12-2 20"
        stroke={ink}
        strokeWidth="1.2"
        fill="none"
        opacity="0.6"
      />
      {teeth.map(({ x, w, h }) => (
        <path
          key={x}
          d={`M${x} ${118}q${w / 2}-${h / 2} ${w} 0l1 ${h}q-${w / 2} 6-${w + 2} 0z`}
          fill="var(--tooth)"
          stroke={ink}
          strokeWidth="1.5"
        />
      ))}
    </svg>
  )
}
