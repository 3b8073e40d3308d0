/** The one action of a drill; gone once it is answered. */
export function Ready({
  done,
  disabled = false,
  words = 'That is it',
  onReady,
}: {
  readonly done: boolean
  readonly disabled?: boolean
  readonly words?: string
  readonly onReady: () => void
}) {
  if (done) return null
  return (
    <button type="button" className="act-main mt-4 justify-self-start" disabled={disabled} onClick={onReady}>
      {words}
    </button>
  )
}

/** A figure that is set by a slide, its value large above it. */
export function Slide({
  label,
  value,
  min,
  max,
  step,
  words,
  disabled,
  onValue,
}: {
  readonly label: string
  readonly value: number
  readonly min: number
  readonly max: number
  readonly step: number
  readonly words: string
  readonly disabled: boolean
  readonly onValue: (value: number) => void
}) {
  return (
    <label className="block">
      <span className="flex items-baseline justify-between">
        <span className="font-semibold">{label}</span>
        <b className="figures text-2xl">{words}</b>
      </span>
      <input
        type="range"
        className="range range-primary my-2.5 w-full"
        aria-label={label}
        min={min}
        max={max}
        step={step}
        value={value}
        disabled={disabled}
        onChange={(event) => onValue(Number(event.target.value))}
      />
    </label>
  )
}
