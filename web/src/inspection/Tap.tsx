import { createContext, type ReactNode, use } from 'react'

export const ink = 'var(--color-base-content)'

export type RegionLook = 'open' | 'good' | 'fault'
/** Which region is picked, how each was found, and what a tap does. */
export interface LookingAt {
  readonly picked: string
  readonly look: (region: string) => RegionLook
  readonly onPick: (region: string) => void
}
export const Looking = createContext<LookingAt>({
  picked: '',
  look: () => 'open',
  onPick: () => undefined,
})

/** A region: what of it is drawn shows how it was found, by line and mark, not by colour alone. */
export function Tap({ id, name, children }: { id: string; name: string; children: ReactNode }) {
  const { picked, look, onPick } = use(Looking)
  const state = look(id)
  return (
    // biome-ignore lint/a11y/useSemanticElements: a shape of a drawing cannot be a button element
    <g
      role="button"
      aria-label={`${name} on the drawing`}
      tabIndex={-1}
      className="cursor-pointer"
      stroke={state === 'fault' ? 'var(--color-error)' : id === picked ? 'var(--color-primary)' : ink}
      strokeWidth={id === picked || state === 'fault' ? 3.2 : 1.2}
      strokeDasharray={state === 'open' && id !== picked ? '5 3' : undefined}
      strokeLinejoin="round"
      onClick={() => onPick(id)}
      onKeyDown={(event) => event.key === 'Enter' && onPick(id)}
    >
      {children}
    </g>
  )
}
