/** What a browser has and jsdom lacks; of the rest a test must say what it needs. */

globalThis.matchMedia ??= ((query: string) => ({
  matches: false,
  media: query,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
})) as unknown as typeof matchMedia

globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
} as typeof ResizeObserver

// jsdom knows the element, but neither opens nor closes it.
HTMLDialogElement.prototype.showModal = function (this: HTMLDialogElement) {
  this.open = true
}
HTMLDialogElement.prototype.close = function (this: HTMLDialogElement) {
  if (!this.open) return
  this.open = false
  this.dispatchEvent(new Event('close'))
}
// As newer browsers do, which answer a promise.
HTMLElement.prototype.scrollIntoView ??= (() => Promise.resolve()) as () => void

/** A worker that never answers: what it works out is tested in the core. */
globalThis.Worker ??= class extends EventTarget {
  onmessage = null
  onmessageerror = null
  onerror = null
  postMessage(): void {}
  terminate(): void {}
} as unknown as typeof Worker

// jsdom lays nothing out. What scrolls looks as high as a screen and a row as high as a row, so that tables show some.
for (const [side, size] of Object.entries({
  clientHeight: 800,
  clientWidth: 1280,
  offsetHeight: 40,
  offsetWidth: 640,
}))
  Object.defineProperty(HTMLElement.prototype, side, { configurable: true, writable: true, value: size })

/** A stream of the server on which nothing is ever said. */
globalThis.EventSource ??= class extends EventTarget {
  onopen = null
  onerror = null
  close(): void {}
} as unknown as typeof EventSource

// Text is measured on a canvas where there is one; without, the chart library guesses.
HTMLCanvasElement.prototype.getContext = () => null
