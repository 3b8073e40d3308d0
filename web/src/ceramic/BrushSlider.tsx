import { useId } from 'react'

/** The coat as it may really lie: a fifth thinner to a fifth thicker than it was calibrated. */
export function BrushSlider({
  value,
  onValue,
  ends,
}: {
  readonly value: string
  readonly onValue: (value: string) => void
  /** What the furthest zone comes to at both ends. */
  readonly ends?: { readonly where: string; readonly thinner: number; readonly thicker: number }
}) {
  const id = useId()
  const percent = Math.round(100 * (Number(value) - 1))
  return (
    <div className="flex grow flex-wrap items-center gap-x-5 gap-y-1">
      <label htmlFor={id}>
        <b>Brushed</b>
        <span className="block text-sm">thinner or thicker</span>
      </label>
      <span className="text-right text-sm">
        −20 %
        {ends && (
          <span className="block">
            {ends.where} <b className="figures">{ends.thinner.toFixed(2)}</b>
          </span>
        )}
      </span>
      <input
        id={id}
        type="range"
        className="accent-primary h-11 w-56 max-w-full grow"
        min="0.8"
        max="1.2"
        step="0.01"
        value={value}
        onChange={(event) => onValue(event.target.value)}
        aria-valuetext={
          percent === 0 ? 'as planned' : `${Math.abs(percent)} % ${percent < 0 ? 'thinner' : 'thicker'}`
        }
      />
      <span className="text-sm">
        +20 %
        {ends && (
          <span className="block">
            {ends.where} <b className="figures">{ends.thicker.toFixed(2)}</b>
          </span>
        )}
      </span>
      <output className="figures min-w-24 text-sm font-bold" aria-live="off">
        {percent === 0 ? 'as planned' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`}
      </output>
      {percent !== 0 && (
        <button type="button" className="small-act" onClick={() => onValue('1')}>
          As planned
        </button>
      )}
    </div>
  )
}
