import { type Lab, type ToothZone, zoneNames } from '@yentrik/core'
import { TOOTH_OUTLINE } from '../drawings/tooth-outline.ts'
import { shownAs } from './Swatches.tsx'

/** Where the line of each zone begins on the tooth, and at which side of the picture it ends. */
const places: Readonly<
  Record<ToothZone, { readonly at: readonly [number, number]; readonly to: readonly [number, number] }>
> = {
  neck: { at: [108, 62], to: [-66, 72] },
  body: { at: [104, 176], to: [-66, 246] },
  sides: { at: [186, 150], to: [306, 72] },
  edge: { at: [150, 270], to: [306, 246] },
}

const NONE = '#c9c9c9'

/** One tooth with its four zones in the colours that are planned; between them a straight blend of the amounts, for the picture alone. */
export function ToothPicture({
  colours,
  between = {},
}: {
  readonly colours: Readonly<Partial<Record<ToothZone, Lab>>>
  /** Halfway to the body. */
  readonly between?: Readonly<Partial<Record<ToothZone, Lab>>>
}) {
  const colour = (zone: ToothZone) => {
    const own = colours[zone] ?? colours.body
    return own ? shownAs(own) : NONE
  }
  const half = (zone: ToothZone) => (between[zone] ? shownAs(between[zone]) : colour(zone))
  return (
    <svg
      viewBox="-66 0 372 320"
      className="h-full max-h-[22rem] w-full"
      role="img"
      aria-label="The tooth as it is planned"
    >
      <defs>
        <linearGradient id="zones-down" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0.05" stopColor={colour('neck')} />
          <stop offset="0.2" stopColor={colour('neck')} />
          <stop offset="0.31" stopColor={half('neck')} />
          <stop offset="0.42" stopColor={colour('body')} />
          <stop offset="0.7" stopColor={colour('body')} />
          <stop offset="0.8" stopColor={half('edge')} />
          <stop offset="0.9" stopColor={colour('edge')} />
        </linearGradient>
        <linearGradient id="zones-across" x1="0" y1="0" x2="1" y2="0">
          <stop offset="0.02" stopColor={colour('sides')} stopOpacity="1" />
          <stop offset="0.24" stopColor={colour('sides')} stopOpacity="0" />
          <stop offset="0.76" stopColor={colour('sides')} stopOpacity="0" />
          <stop offset="0.98" stopColor={colour('sides')} stopOpacity="1" />
        </linearGradient>
        <clipPath id="zones-sides">
          <path d="M0 118H240V262H0Z" />
        </clipPath>
      </defs>
      <path d={TOOTH_OUTLINE} fill="url(#zones-down)" />
      <path d={TOOTH_OUTLINE} fill="url(#zones-across)" clipPath="url(#zones-sides)" />
      <g fill="none" stroke="#1c292b" strokeWidth="1.2" strokeDasharray="4 4" opacity="0.55">
        <path d="M57 108Q120 84 183 108" />
        <path d="M41 250Q120 240 200 250" />
        <path d="M80 104Q66 180 66 246M160 104Q174 180 174 246" />
      </g>
      <path d={TOOTH_OUTLINE} fill="none" stroke="#4b5052" strokeWidth="1.5" />
      <g stroke="#1c292b" strokeWidth="1.3" className="max-md:hidden">
        {Object.entries(places).map(([zone, { at, to }]) => (
          <g key={zone}>
            <line x1={at[0]} y1={at[1]} x2={to[0]} y2={to[1]} />
            <circle cx={at[0]} cy={at[1]} r="4.5" fill="#ffffff">
              <title>{zoneNames[zone as ToothZone]}</title>
            </circle>
          </g>
        ))}
      </g>
    </svg>
  )
}
