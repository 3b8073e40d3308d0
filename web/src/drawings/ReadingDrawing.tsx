import type { InstrumentToRead, Scale } from '@yentrik/core'
import type { ReactNode } from 'react'

interface ReadingProps {
  readonly scale: Scale
  /** Where its pointer stands, in the unit of the scale. */
  readonly pointer: number
  readonly unit: string
}

/** Every instrument that is read off a drawing. */
const drawn: { readonly [I in InstrumentToRead]: (props: ReadingProps) => ReactNode } = {
  caliper: Caliper,
  rule: Dividers,
  gauge: Dial,
  dial: Dial,
  thermometer: Thermometer,
  balance: Digits,
  label: Digits,
  count: Counted,
}

/** An instrument held to the work, to scale: its reading stands on it, and nowhere else. */
export function ReadingDrawing({ name, ...props }: ReadingProps & { readonly name: string }) {
  const Drawn = drawn[props.scale.instrument]
  return (
    <figure className="bg-base-100 border-base-300 overflow-hidden rounded-xl border" aria-label={name}>
      <Drawn {...props} />
    </figure>
  )
}

const ink = 'var(--color-base-content)'
const steel = 'var(--color-base-300)'
const W = 340

/** Tick marks need no more digits than this. */
const tidy = (value: number) => Number(value.toFixed(6))

/** Sliding caliper: whole millimetres above, tenths (or twentieths) on the lower line that meets an upper one. */
function Caliper({ scale, pointer }: ReadingProps) {
  const parts = scale.step >= 0.1 ? 10 : 20
  const span = 13
  const start = Math.max(0, Math.floor(pointer) - 2)
  const x = (millimetres: number) => 14 + ((W - 24) * (millimetres - start)) / span
  const step = 1 / parts
  const jaw = x(pointer)
  return (
    <svg viewBox={`0 0 ${W} 150`} className="w-full" aria-hidden>
      <rect x="0" y="14" width={W} height="46" fill={steel} />
      {Array.from({ length: span + 2 }, (_, n) => start + n).map((mm) => (
        <g key={mm}>
          <line x1={x(mm)} x2={x(mm)} y1={mm % 5 === 0 ? 34 : 44} y2="60" stroke={ink} strokeWidth="1.5" />
          {(mm % 5 === 0 || mm === start) && (
            <text x={x(mm)} y="30" textAnchor="middle" className="figures" fontSize="13" fill={ink}>
              {mm}
            </text>
          )}
          <line x1={x(mm + 0.5)} x2={x(mm + 0.5)} y1="52" y2="60" stroke={ink} strokeWidth="0.8" />
        </g>
      ))}
      <path d={`M0 60 h${x(0) > 0 ? x(0) : 0} v78 l-8 -10 v-40 H0 Z`} fill={steel} stroke={ink} />
      <path d={`M${jaw} 60 H${W} V96 H${jaw + 26} V124 L${jaw} 148 Z`} fill={steel} stroke={ink} />
      {Array.from({ length: parts + 1 }, (_, n) => n).map((n) => {
        const at = jaw + (n * (1 - step) * (W - 24)) / span
        return (
          at < W - 2 && (
            <g key={n}>
              <line x1={at} x2={at} y1="60" y2={n % 5 === 0 ? 78 : 70} stroke={ink} strokeWidth="1.5" />
              {n % 5 === 0 && (
                <text x={at + 2} y="91" textAnchor="middle" className="figures" fontSize="11" fill={ink}>
                  {parts === 10 ? n : n / 2}
                </text>
              )}
            </g>
          )
        )
      })}
      <path
        d={`M${Math.max(0, x(0))} 148 V112 Q${(Math.max(0, x(0)) + jaw) / 2} 84 ${jaw} 112 V148 Z`}
        fill="var(--color-accent, #e39aa8)"
        fillOpacity="0.8"
        stroke={ink}
      />
    </svg>
  )
}

/** Dividers set on the work and held to a rule of half millimetres. */
function Dividers({ scale, pointer }: ReadingProps) {
  const to = Math.max(scale.step * 10, scale.to)
  const x = (value: number) => 16 + ((W - 32) * value) / to
  const small = scale.step
  const count = Math.round(to / small)
  return (
    <svg viewBox={`0 0 ${W} 150`} className="w-full" aria-hidden>
      <path
        d={`M${(x(0) + x(pointer)) / 2} 10 L${x(0)} 92 M${(x(0) + x(pointer)) / 2} 10 L${x(pointer)} 92`}
        stroke={ink}
        strokeWidth="4"
      />
      <circle cx={(x(0) + x(pointer)) / 2} cy="12" r="9" fill={steel} stroke={ink} />
      <rect x="4" y="92" width={W - 8} height="48" fill={steel} stroke={ink} />
      <Ticks from={0} step={small} count={count} x={x} top={92} />
    </svg>
  )
}

const SWEEP = 270
/** A needle over a round scale. */
function Dial({ scale, pointer, unit }: ReadingProps) {
  const { from, to, step } = scale
  const count = Math.min(200, Math.round((to - from) / step))
  const angle = (value: number) => ((-SWEEP / 2 + (SWEEP * (value - from)) / (to - from)) * Math.PI) / 180
  const at = (value: number, r: number) => ({
    x: 100 + r * Math.sin(angle(value)),
    y: 100 - r * Math.cos(angle(value)),
  })
  const every = count > 60 ? 20 : 10
  const tip = at(pointer, 78)
  const tail = at(pointer, -18)
  return (
    <svg viewBox="-70 0 340 190" className="w-full" aria-hidden>
      <circle cx="100" cy="100" r="94" fill="var(--color-base-200)" stroke={ink} strokeWidth="2" />
      {Array.from({ length: count + 1 }, (_, n) => tidy(from + n * step)).map((value, n) => {
        const long = n % every === 0
        const [a, b, c] = [at(value, 90), at(value, long ? 76 : n % 5 === 0 ? 80 : 84), at(value, 64)]
        return (
          <g key={value}>
            <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={ink} strokeWidth={long ? 2 : 1} />
            {long && (
              <text x={c.x} y={c.y + 4} textAnchor="middle" className="figures" fontSize="11" fill={ink}>
                {value}
              </text>
            )}
          </g>
        )
      })}
      <text x="100" y="146" textAnchor="middle" fontSize="13" fill={ink}>
        {unit}
      </text>
      <line x1={tail.x} y1={tail.y} x2={tip.x} y2={tip.y} stroke="var(--color-error)" strokeWidth="2" />
      <circle cx="100" cy="100" r="5" fill={ink} />
    </svg>
  )
}

/** A column over a long scale, lying. */
function Thermometer({ scale, pointer }: ReadingProps) {
  const { from, to, step } = scale
  const x = (value: number) => 44 + ((W - 60) * (value - from)) / (to - from)
  const count = Math.round((to - from) / step)
  return (
    <svg viewBox={`0 0 ${W} 90`} className="w-full" aria-hidden>
      <rect x="30" y="22" width={W - 40} height="22" rx="11" fill="var(--color-base-200)" stroke={ink} />
      <circle cx="26" cy="33" r="17" fill="var(--color-error)" stroke={ink} />
      <rect x="36" y="29" width={Math.max(0, x(pointer) - 36)} height="8" fill="var(--color-error)" />
      <Ticks from={from} step={step} count={count} x={x} top={46} />
    </svg>
  )
}

/** A straight scale: every fifth line longer, every tenth with its number. */
function Ticks({
  from,
  step,
  count,
  x,
  top,
}: {
  readonly from: number
  readonly step: number
  readonly count: number
  readonly x: (value: number) => number
  readonly top: number
}) {
  return Array.from({ length: count + 1 }, (_, n) => tidy(from + n * step)).map((value, n) => (
    <g key={value}>
      <line
        x1={x(value)}
        x2={x(value)}
        y1={top}
        y2={top + (n % 10 === 0 ? 18 : n % 5 === 0 ? 12 : 7)}
        stroke={ink}
        strokeWidth="1.2"
      />
      {n % 10 === 0 && (
        <text x={x(value)} y={top + 34} textAnchor="middle" className="figures" fontSize="13" fill={ink}>
          {value}
        </text>
      )}
    </g>
  ))
}

/** A display, or what is printed on a label. */
function Digits({ scale, pointer, unit }: ReadingProps) {
  const decimals = Math.max(0, Math.round(-Math.log10(scale.step)))
  return (
    <p className="grid h-28 place-items-center">
      <span className="figures bg-base-200 border-base-300 rounded-xl border px-6 py-2 font-mono text-4xl font-bold">
        {pointer.toFixed(decimals)} {unit}
      </span>
    </p>
  )
}

/** What is counted, one by one. */
const MOST_DRAWN = 24
function Counted({ pointer, ...rest }: ReadingProps) {
  const count = Math.round(pointer)
  if (count > MOST_DRAWN) return <Digits pointer={count} {...rest} />
  return (
    <svg viewBox={`0 0 ${W} 90`} className="w-full" aria-hidden>
      {Array.from({ length: count }, (_, n) => n).map((n) => (
        <circle
          key={n}
          cx={26 + (n % 12) * 26}
          cy={n < 12 ? 30 : 62}
          r="10"
          fill={steel}
          stroke={ink}
          strokeWidth="2"
        />
      ))}
    </svg>
  )
}
