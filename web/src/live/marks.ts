/** How far this page has heard of the changes of the lab: everything before it is in what it holds. */
let upTo: string | undefined

export const heardUpTo = (): string | undefined => upTo

export function hearUpTo(mark: string): void {
  upTo = mark
}

/** The first answer that a page gets is as old as its mark; the stream of changes has to begin where it ends. */
export function hearFirst(mark: string | null): void {
  if (mark !== null) upTo ??= mark
}
