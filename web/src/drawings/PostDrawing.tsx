import { type DrawingProps, ink } from './drawing.ts'

/** A cast post and core in its root, in section; its sprue while it is still on. */
export function PostDrawing({ part }: DrawingProps<'post'>) {
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="Post and core in section">
      <path
        d="M98 92h104q6 60-22 112-30 14-60 0-28-52-22-112z"
        fill="var(--tooth)"
        stroke={ink}
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      <path
        d="M104 92q0-44 22-60 24-12 48 0 22 16 22 60h-28q-2 52-18 84-16-32-18-84z"
        fill="var(--metal)"
        stroke={ink}
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      {part('sprue') && (
        <path d="M144 28V4h12v24z" fill="var(--metal)" stroke={ink} strokeWidth="1.5" strokeDasharray="5 4" />
      )}
      <path d="M98 92h34M168 92h34" stroke="var(--color-error)" strokeWidth="2.5" />
    </svg>
  )
}
