import { X } from 'lucide-react'
import { type ReactNode, useEffect, useRef } from 'react'

/** A sheet laid over the bench: one question, one answer. Escape or the cross puts it away. */
export function Sheet({
  title,
  onClose,
  children,
}: {
  title: string
  onClose: () => void
  children: ReactNode
}) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    dialog.current?.showModal()
  }, [])
  return (
    <dialog
      ref={dialog}
      aria-label={title}
      className="card-flat text-base-content m-auto max-h-[92vh] w-[min(44rem,94vw)] overflow-y-auto p-7 backdrop:bg-black/50"
      onClose={onClose}
    >
      <div className="mb-4 flex items-start justify-between gap-4">
        <h2 className="text-2xl font-bold">{title}</h2>
        <button
          type="button"
          className="small-act px-3"
          aria-label="Close"
          onClick={() => dialog.current?.close()}
        >
          <X aria-hidden />
        </button>
      </div>
      {children}
    </dialog>
  )
}
