import type { GaugeSample, WeightSample } from '@yentrik/core'
import { useEffect } from 'react'
import { create } from 'zustand'

interface Device {
  readonly connected: boolean
  readonly name?: string
  readonly standIn: boolean
  readonly fault?: string
  readonly session: number
}
/** What balance, dispenser and press last said, as the server tells it. */
export interface DevicesState {
  readonly balance: Device & { readonly grams?: number; readonly settled: boolean }
  readonly dispenser: {
    readonly connected: boolean
    readonly name?: string
    readonly givingMillilitres?: number
    readonly givenMillilitres?: number
    readonly fault?: string
    readonly order: number
  }
  readonly press: Device & { readonly kilopascals?: number; readonly held: boolean }
}
export interface Devices extends DevicesState {
  /** The last seconds of weights and of the gauge, the newest last. */
  readonly samples: readonly WeightSample[]
  readonly gauge: readonly GaugeSample[]
}

/** So long readings are kept for judging how they change, ms. */
const KEEP_MILLIS = 3000

const useHeard = create<{ readonly devices?: Devices }>(() => ({}))
let listening = 0
let source: EventSource | undefined

/** Listens to the devices while a screen that asks for them is open; undefined until they are heard. */
export function useDevices(): Devices | undefined {
  useEffect(() => {
    // However many ask, one connection: a browser opens only a few to a server.
    if (listening++ === 0) source = listen()
    return () => {
      if (--listening > 0) return
      source?.close()
      useHeard.setState({ devices: undefined })
    }
  }, [])
  return useHeard(({ devices }) => devices)
}

function listen(): EventSource {
  const opened = new EventSource('/api/devices/live')
  opened.addEventListener('devices', (message) => {
    const state = JSON.parse(message.data as string) as DevicesState
    const at = performance.now()
    const young = (sample: { readonly at: number }) => at - sample.at < KEEP_MILLIS
    useHeard.setState(({ devices: before }) => {
      const { balance, press } = state
      const { grams, settled } = balance
      const { kilopascals, held } = press
      return {
        devices: {
          ...state,
          samples:
            balance.connected && grams !== undefined && !balance.fault
              ? [...(before?.samples ?? []).filter(young), { at, grams, settled }]
              : [],
          gauge:
            press.connected && kilopascals !== undefined && !press.fault
              ? [...(before?.gauge ?? []).filter(young), { at, kilopascals, held }]
              : [],
        },
      }
    })
  })
  opened.onerror = () =>
    useHeard.setState(({ devices }) => ({
      devices: devices && {
        ...devices,
        samples: [],
        gauge: [],
        balance: { ...devices.balance, ...unreached, settled: false },
        press: { ...devices.press, ...unreached, held: false },
      },
    }))
  return opened
}

const unreached = { connected: false, fault: 'The server is not reached.' }
