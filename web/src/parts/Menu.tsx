import { type ReactNode, useEffect, useRef } from 'react'

/** A button that opens a short list above it, or below; a choice, Escape, or a touch elsewhere closes it. */
export function Menu({
  name,
  children,
  small = false,
  opensDown = false,
}: {
  readonly name: string
  readonly children: ReactNode
  readonly small?: boolean
  readonly opensDown?: boolean
}) {
  const menu = useRef<HTMLDetailsElement>(null)
  useEffect(() => {
    const shut = () => menu.current?.removeAttribute('open')
    const onPointer = ({ target }: PointerEvent) => {
      if (!(target instanceof Node && menu.current?.contains(target))) shut()
    }
    const onKey = ({ key }: KeyboardEvent) => {
      if (key !== 'Escape' || !menu.current?.open) return
      shut()
      menu.current.querySelector('summary')?.focus()
    }
    addEventListener('pointerdown', onPointer)
    addEventListener('keydown', onKey)
    return () => {
      removeEventListener('pointerdown', onPointer)
      removeEventListener('keydown', onKey)
    }
  }, [])
  return (
    <details
      ref={menu}
      className={`dropdown dropdown-end ml-auto ${opensDown ? 'dropdown-bottom' : 'dropdown-top'}`}
    >
      <summary className={small ? 'small-act' : 'act'}>{name}</summary>
      <ul className="menu dropdown-content card-flat z-40 my-2 w-60 text-lg">{children}</ul>
    </details>
  )
}

export function MenuItem({
  name,
  keyName,
  onPick,
}: {
  readonly name: string
  readonly keyName?: string
  readonly onPick: () => void
}) {
  return (
    <li>
      <button
        type="button"
        className="min-h-12"
        onClick={(event) => {
          event.currentTarget.closest('details')?.removeAttribute('open')
          onPick()
        }}
      >
        {name}
        {keyName && <kbd className="key">{keyName}</kbd>}
      </button>
    </li>
  )
}
