import { ink, Tap } from './Tap.tsx'

/** A cured base, tapped region by region: the side that lies on the mouth, and the gum line. */

const resin = 'var(--wax)'
const shade = (percent: number, to: 'white' | 'black') => `color-mix(in oklab, var(--wax) ${percent}%, ${to})`
/** A notch for a frenum, its tip at the middle of its side. */
const notch = (x: number, y: number, lean: number) => `M${x - 8} ${y}L${x + 8} ${y}L${x + lean} ${y + 22}z`

const frontTrough = 'C152 98 178 46 260 44 C342 46 368 98 352 168'

/** As it lies in the hand: front away, the vault towards the eye. */
export function UpperFitting() {
  return (
    <>
      <Tap id="border" name="Border">
        <path d="M140 176C120 90 150 12 260 10 370 12 400 90 380 176Q260 188 140 176z" fill={resin} />
      </Tap>
      <Tap id="flange" name="Outer flange, inside">
        <path
          d="M152 172C134 94 162 26 260 24 358 26 386 94 368 172L352 168C368 98 342 46 260 44 178 46 152 98 168 168z"
          fill={shade(82, 'white')}
        />
      </Tap>
      <Tap id="ridge" name="Ridge">
        <path
          d={`M168 168${frontTrough}L316 164C326 116 308 84 260 82 212 84 194 116 204 164z`}
          fill={shade(78, 'black')}
        />
      </Tap>
      <Tap id="vault" name="Vault">
        <path
          d="M204 164C194 116 212 84 260 82 308 84 326 116 316 164Q260 170 204 164z"
          fill={shade(70, 'white')}
        />
        <path d="M238 104q22-10 44 0M232 116q28-10 56 0M230 128q30-10 60 0" fill="none" strokeWidth="1" />
      </Tap>
      <Tap id="tuberosities" name="Tuberosities">
        <ellipse cx="184" cy="152" rx="16" ry="13" fill={shade(66, 'black')} />
        <ellipse cx="336" cy="152" rx="16" ry="13" fill={shade(66, 'black')} />
      </Tap>
      <Tap id="post-dam" name="Post-dam">
        <path d="M170 168Q260 178 350 168L352 178Q260 188 168 178z" fill={shade(88, 'black')} />
      </Tap>
      <Tap id="frena" name="Frena">
        <path
          d={`${notch(260, 8, 0)}${notch(172, 44, 10)}${notch(348, 44, -10)}`}
          fill="var(--color-base-100)"
        />
      </Tap>
    </>
  )
}

export function LowerFitting() {
  return (
    <>
      <Tap id="border" name="Border">
        <path
          d="M130 178C112 90 150 10 260 10 370 10 408 90 390 178L328 178C338 112 318 86 260 84 202 86 182 112 192 178z"
          fill={resin}
        />
      </Tap>
      <Tap id="flange" name="Outer flange, inside">
        <path
          d="M142 172C126 92 160 24 260 24 360 24 394 92 378 172L362 172C378 100 348 42 260 40 172 42 142 100 158 172z"
          fill={shade(82, 'white')}
        />
      </Tap>
      <Tap id="ridge" name="Ridge">
        <path
          d="M158 172C142 100 172 42 260 40 348 42 378 100 362 172L348 172C360 108 336 60 260 58 184 60 160 108 172 172z"
          fill={shade(78, 'black')}
        />
      </Tap>
      <Tap id="lingual" name="Tongue flange, inside">
        <path
          d="M172 172C160 108 184 60 260 58 336 60 360 108 348 172L335 172C346 116 324 76 260 74 196 76 174 116 185 172z"
          fill={shade(70, 'white')}
        />
      </Tap>
      <Tap id="pads" name="Behind the last molar">
        <ellipse cx="160" cy="164" rx="17" ry="12" fill={shade(66, 'black')} />
        <ellipse cx="360" cy="164" rx="17" ry="12" fill={shade(66, 'black')} />
      </Tap>
      <Tap id="frena" name="Frena">
        <path
          d={`${notch(260, 8, 0)}${notch(168, 44, 10)}${notch(352, 44, -10)}`}
          fill="var(--color-base-100)"
        />
      </Tap>
    </>
  )
}

export function PartialFitting() {
  const stump = (x: number, w: number) => `M${x} 96q0-34 ${w / 2}-34t${w / 2} 34-${w / 2} 34-${w / 2}-34z`
  return (
    <>
      <path d={`${stump(46, 70)}${stump(404, 78)}`} fill="none" stroke={ink} strokeDasharray="3 4" />
      <Tap id="border" name="Border">
        <path d="M126 30q134-24 268 4l8 116q-46 34-142 34t-142-36z" fill={resin} />
      </Tap>
      <Tap id="saddle" name="Saddle">
        <path d="M144 52q116-20 232 2l6 84q-42 26-122 26t-122-28z" fill={shade(78, 'black')} />
      </Tap>
      <Tap id="clasp-tails" name="Where the clasps leave it">
        <path d="M112 70h34v16h-34zM374 74h36v16h-36z" fill="var(--metal)" />
      </Tap>
    </>
  )
}

/** Seven teeth and their gum line, from the front; beside them from the tongue side. */
export function GumMargins() {
  const teeth = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => 36 + n * 24)
  const crowns = (from: number, to: number) =>
    teeth
      .slice(from, to)
      .map((x) => `M${x} 84q11-18 22 0l1 48q-12 10-24 0z`)
      .join('')
  const gum = (from: number, to: number) => {
    const own = teeth.slice(from, to)
    const first = own[0]! - 2
    const scallops = [...own]
      .reverse()
      .map(() => 'q-12-20-24 0')
      .join('')
    return `M${first} 40h${own.length * 24}v44${scallops}z`
  }
  return (
    <>
      <path d={crowns(0, 8)} fill="var(--tooth)" stroke={ink} strokeWidth="1" />
      <Tap id="right" name="Right side">
        <path d={gum(0, 2)} fill={resin} />
      </Tap>
      <Tap id="front" name="Front">
        <path d={gum(2, 6)} fill={shade(84, 'white')} />
      </Tap>
      <Tap id="left" name="Left side">
        <path d={gum(6, 8)} fill={resin} />
      </Tap>
      <g transform="translate(270 0)">
        <path
          d="M24 156C10 70 40 24 116 22 192 24 222 70 208 156L182 156C192 86 168 54 116 52 64 54 40 86 50 156z"
          fill="var(--tooth)"
          stroke={ink}
        />
        <Tap id="tongue-side" name="Tongue side">
          <path
            d="M50 156C40 86 64 54 116 52 168 54 192 86 182 156L166 156C174 94 156 70 116 68 76 70 58 94 66 156z"
            fill={resin}
          />
        </Tap>
      </g>
      <text x="130" y="172" textAnchor="middle" fontSize="13" fill={ink}>
        from the front
      </text>
      <text x="386" y="178" textAnchor="middle" fontSize="13" fill={ink}>
        from the tongue side
      </text>
    </>
  )
}
