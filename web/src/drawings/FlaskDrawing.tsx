import { type DrawingProps, fillOf, ink, lineOf } from './drawing.ts'
import { Hatch } from './Hatch.tsx'

type Props = DrawingProps<'flask'>

/** Where a separator goes, as a line on the section. */
const separators = {
  castSeparator: 'M92 186v-36q10-58 58-58t58 58v36',
  firstSeparator: 'M18 138q34-8 58 2M224 140q24-10 58-2',
  secondSeparator: 'M18 62h264',
  mouldSeparator: 'M84 150q4-72 66-72t66 72',
} as const

/** The flask cut across: pours that are in, the one that is due, the cavity once the wax is out. */
export function FlaskDrawing({ part }: Props) {
  const pour = (name: 'first' | 'second' | 'cap', colour: string) => ({
    fill: fillOf(part(name), colour, 'due'),
    ...lineOf(part(name)),
  })
  const base = part('resin') ? 'var(--resin)' : part('wax') ? 'var(--wax)' : undefined
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="The flask in section">
      <defs>
        <Hatch id="due" />
      </defs>
      <rect x="4" y="8" width="292" height="202" rx="8" fill="var(--metal)" />
      <rect x="18" y="20" width="264" height="178" fill="var(--color-base-100)" />
      <path d="M18 198V138q34-8 58 2h148q24-10 58-2v60z" {...pour('first', 'var(--plaster)')} />
      <path d="M18 62h264v76q-34-8-58 2H76q-24-10-58-2z" {...pour('second', 'var(--halfstone)')} />
      <path d="M18 20h264v42H18z" {...pour('cap', 'var(--stone)')} />
      <path d="M92 150q10-58 58-58t58 58v36H92z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path
        d="M84 150q4-72 66-72t66 72l-10 2q-10-48-56-48t-56 48z"
        fill={base ?? 'var(--color-base-100)'}
        stroke={ink}
        strokeWidth="1.5"
        strokeDasharray={base ? undefined : '5 4'}
      />
      <path
        d="M84 118l-14-22q2-14 14-10l18 12zM216 118l14-22q-2-14-14-10l-18 12z"
        fill="var(--tooth)"
        stroke={ink}
        strokeWidth="1.5"
      />
      {(Object.keys(separators) as (keyof typeof separators)[]).map(
        (name) =>
          part(name) && (
            <path
              key={name}
              d={separators[name]}
              fill="none"
              stroke="var(--color-primary)"
              strokeWidth="5"
              strokeLinecap="round"
            />
          ),
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
