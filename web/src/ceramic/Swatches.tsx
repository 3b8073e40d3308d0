import { type Lab, labWords, shownColour } from '@yentrik/core'

const css = (colour: Lab) => `rgb(${shownColour(colour).rgb.join(' ')})`

/** Colours that touch each other without a border, on the grey around them. A screen is no shade match. */
export function Swatches({
  colours,
  className = 'h-14',
}: {
  readonly colours: readonly (readonly [name: string, colour: Lab | undefined])[]
  readonly className?: string
}) {
  return (
    <div className={`flex ${className}`}>
      {colours.map(([name, colour]) => (
        <div
          key={name}
          className="grow basis-0"
          role="img"
          style={colour ? { background: css(colour) } : undefined}
          title={
            colour ? `${name}: ${labWords(colour)}. A screen is no shade match.` : `${name}: not entered`
          }
          aria-label={colour ? `${name}, ${labWords(colour)}` : `${name}, not entered`}
        >
          {colour && shownColour(colour).chroma < 1 && (
            <span className="block p-1 text-xs text-[#1c292b]">not showable</span>
          )}
        </div>
      ))}
    </div>
  )
}
export { css as shownAs }
