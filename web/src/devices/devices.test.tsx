import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { act, screen, waitFor } from '@testing-library/react'
import type { DevicesState } from '@yentrik/contract'
import { useState } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { type SentRequest, serverWith, show } from '../testing/lab.tsx'
import { LiveGauge } from './LiveGauge.tsx'
import { LiveWeight } from './LiveWeight.tsx'
import { useDevices } from './use-devices.ts'

/** The stream of the devices, as a test lets it speak. */
class Stream {
  static open: Stream[] = []
  closed = false
  onopen: () => void = () => undefined
  onerror: () => void = () => undefined
  private readonly named = new Map<string, (message: { readonly data: string }) => void>()
  constructor() {
    Stream.open.push(this)
  }
  addEventListener(name: string, listener: (message: { readonly data: string }) => void): void {
    this.named.set(name, listener)
  }
  close(): void {
    this.closed = true
  }
  say(state: object): void {
    this.named.get('devices')?.({ data: JSON.stringify(state) })
  }
}
const quiet: DevicesState = {
  balance: { name: 'Balance', connected: true, standIn: false, session: 1, grams: 0, settled: true },
  dispenser: { connected: false, order: 0 },
  press: { name: 'Press', connected: true, standIn: false, session: 1, kilopascals: 0, held: false },
  spectrophotometer: { connected: false, standIn: false, session: 0 },
}
const say = (change: { readonly balance?: object; readonly press?: object }) =>
  act(async () =>
    Stream.open.at(-1)!.say({
      ...quiet,
      balance: { ...quiet.balance, ...change.balance },
      press: { ...quiet.press, ...change.press },
    }),
  )

beforeEach(() => {
  Stream.open = []
  globalThis.EventSource = Stream as never
})

describe('the gauge of the press', () => {
  const limits = { leastKilopascals: 9000, mostKilopascals: 11_700 }
  let sent: SentRequest[]
  const gauge = (take = jest.fn()) => {
    sent = serverWith({ 'POST /devices/press/take': { kilopascals: 10_342 } })
    return { ...show(<LiveGauge limits={limits} onTake={take} />), take }
  }
  const word = () => screen.getByRole('status', { name: '' }).textContent
  it('has its place kept free when it is shown again, so that nothing moves under a hand', async () => {
    const height = jest.replaceProperty(HTMLElement.prototype, 'offsetHeight', 228)
    const first = gauge()
    await say({})
    expect(screen.getByRole('region', { name: 'Press' })).toBeTruthy()
    height.replaceValue(200)
    await say({ press: { kilopascals: 500 } })
    first.unmount()
    height.restore()
    const { container } = gauge()
    expect(screen.queryByRole('region', { name: 'Press' })).toBeNull()
    // As tall as it has ever been, though shorter at last.
    expect(container.querySelector<HTMLElement>('[aria-hidden]')!.style.minHeight).toBe('228px')
    await say({})
    expect(screen.getByRole('region', { name: 'Press' }).style.minHeight).toBe('228px')
  })
  it('is not there until it is heard, nor where no press is', async () => {
    const { container } = gauge()
    expect(container.querySelector('section')).toBeNull()
    await say({ press: { name: undefined } })
    expect(container.querySelector('section')).toBeNull()
  })
  it('says the pressure, its band and the word for the one who turns', async () => {
    gauge()
    await say({ press: { kilopascals: 500 } })
    expect(screen.getByLabelText('Press gauge now').textContent).toBe('500 kPa')
    expect(word()).toBe('Close slowly')
    await say({ press: { kilopascals: 10_300, held: true } })
    expect(word()).toBe('Holds')
    await say({ press: { kilopascals: 13_000, held: true } })
    expect(word()).toBe('Let off')
  })
  it('is taken once it holds, never before', async () => {
    const { user, take } = gauge()
    await say({ press: { kilopascals: 500 } })
    expect(screen.getByRole('button', { name: 'Take it' })).toHaveProperty('disabled', true)
    await say({ press: { kilopascals: 10_342, held: true } })
    await user.click(screen.getByRole('button', { name: /^Take 10/ }))
    await waitFor(() => expect(take).toHaveBeenCalledWith(10_342))
    expect(sent.map(({ address }) => address)).toEqual(['/devices/press/take'])
  })
  it('is in psi on a bench that wants it', async () => {
    usePreferences.setState({ units: 'us' })
    gauge()
    // 1500 psi is 10.342 MPa (NIST SP 811, exact).
    await say({ press: { kilopascals: 10_342, held: true } })
    expect(screen.getByLabelText('Press gauge now').textContent).toBe('1500 psi')
  })
  it('that says nothing sends to the gauge itself', async () => {
    gauge()
    await say({ press: { connected: false, fault: 'The press is unplugged.' } })
    expect(screen.getByRole('alert').textContent).toBe('The press is unplugged. Read its gauge and type it.')
  })
  it('offers the stand-in its turns, and a real press none', async () => {
    gauge()
    await say({ press: { kilopascals: 500, standIn: true } })
    expect(screen.getByRole('button', { name: 'Turn on' })).toBeTruthy()
    await say({ press: { kilopascals: 500, standIn: false } })
    expect(screen.queryByRole('button', { name: 'Turn on' })).toBeNull()
  })
})

describe('the weight on the balance', () => {
  function Weight() {
    const devices = useDevices()
    return devices ? <LiveWeight devices={devices} targetGrams={100} toleranceFraction={0.02} /> : null
  }
  const weight = async (grams: number, settled = true, more: object = {}) =>
    say({ balance: { grams, settled, ...more } })
  const word = () => screen.getByRole('status', { name: '' }).textContent
  it('leads to its band, and says when it is right, short or too much', async () => {
    show(<Weight />)
    await weight(20)
    expect(screen.getByLabelText('Weight on the balance').textContent).toBe('20.0 g')
    await weight(99.4)
    await weight(99.4)
    expect(word()).toBe('Right')
    await weight(110)
    await weight(110)
    expect(word()).toMatch(/10(\.0)? g too much/)
  })
  it('that is not heard is not taken for a weight', async () => {
    show(<Weight />)
    await weight(42)
    await say({ balance: { connected: false, fault: 'The balance is unplugged.', grams: 42 } })
    expect(screen.getByRole('alert').textContent).toBe('The balance is unplugged.')
    expect(screen.getByText(/Last seen 42 g\. It was not taken/)).toBeTruthy()
  })
  it('is no weight any more once the server is not reached', async () => {
    show(<Weight />)
    await weight(42)
    await act(async () => Stream.open.at(-1)!.onerror())
    expect(screen.getByRole('alert').textContent).toBe('The server is not reached.')
  })
  it('is listened to while a screen wants it, by one stream, and no longer', async () => {
    function Two() {
      const [shown, setShown] = useState(true)
      return (
        <>
          {shown && <Weight />}
          <Weight />
          <button type="button" onClick={() => setShown(false)}>
            One less
          </button>
        </>
      )
    }
    const { user, unmount } = show(<Two />)
    await weight(1)
    expect(Stream.open).toHaveLength(1)
    await user.click(screen.getByRole('button', { name: 'One less' }))
    expect(Stream.open[0]!.closed).toBe(false)
    unmount()
    expect(Stream.open[0]!.closed).toBe(true)
  })
})
