import type { WeightSample } from '@yentrik/core'
import { useEffect, useState } from 'react'

/** What balance and dispenser last said, as the server tells it. */
export interface DevicesState {
  readonly balance: {
    readonly connected: boolean
    readonly name?: string
    readonly standIn: boolean
    readonly grams?: number
    readonly settled: boolean
    readonly fault?: string
    readonly session: number
  }
  readonly dispenser: {
    readonly connected: boolean
    readonly name?: string
    readonly givingMillilitres?: number
    readonly givenMillilitres?: number
    readonly fault?: string
    readonly order: number
  }
}
export interface Devices extends DevicesState {
  /** The last seconds of weights, the newest last. */
  readonly samples: readonly WeightSample[]
}

/** So long weights are kept for judging the flow, ms. */
const KEEP_MILLIS = 3000

/** Listens to the devices while the screen is open; undefined until they are heard. */
export function useDevices(): Devices | undefined {
  const [devices, setDevices] = useState<Devices>()
  useEffect(() => {
    const source = new EventSource('/api/devices/live')
    source.addEventListener('devices', (message) => {
      const state = JSON.parse(message.data as string) as DevicesState
      const at = performance.now()
      setDevices((before) => {
        const kept = (before?.samples ?? []).filter((sample) => at - sample.at < KEEP_MILLIS)
        const { connected, grams, settled, fault } = state.balance
        return connected && grams !== undefined && !fault
          ? { ...state, samples: [...kept, { at, grams, settled }] }
          : { ...state, samples: [] }
      })
    })
    source.onerror = () =>
      setDevices(
        (before) => before && { ...before, samples: [], balance: { ...before.balance, ...unreached } },
      )
    return () => source.close()
  }, [])
  return devices
}

const unreached = { connected: false, settled: false, fault: 'The server is not reached.' }
