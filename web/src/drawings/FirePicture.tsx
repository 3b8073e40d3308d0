import { TOOTH_OUTLINE } from './tooth-outline.ts'

/** Block, mixed and target beside each other, and the tooth that they make. */
export function FirePicture() {
  return (
    <svg
      viewBox="0 0 420 320"
      className="h-full w-full"
      role="img"
      aria-label="A stained crown with its swatches"
    >
      <defs>
        <linearGradient id="fire-picture" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#d2ab74" />
          <stop offset="0.5" stopColor="#e2cfa8" />
          <stop offset="1" stopColor="#c8c4b2" />
        </linearGradient>
      </defs>
      <path d={TOOTH_OUTLINE} fill="url(#fire-picture)" stroke="var(--color-base-content)" strokeWidth="3" />
      <g transform="translate(250 110)">
        <rect width="54" height="90" fill="#dfd2ba" />
        <rect x="54" width="54" height="90" fill="#d4bc95" />
        <rect x="108" width="50" height="90" fill="#d0b68d" />
      </g>
    </svg>
  )
}
