import type { DevicesState } from '@yentrik/contract'
import type { GaugeSample, WeightSample } from '@yentrik/core'
import { useEffect } from 'react'
import { create } from 'zustand'
import { listenTo } from '../live/streams.ts'

/** What balance, dispenser and press last said, as the server tells it. */
export interface Devices extends DevicesState {
  /** The last seconds of weights and of the gauge, the newest last. */
  readonly samples: readonly WeightSample[]
  readonly gauge: readonly GaugeSample[]
}

/** So long readings are kept for judging how they change, ms. */
const KEEP_MILLIS = 3000

const useHeard = create<{ readonly devices?: Devices; readonly hadPress?: boolean }>(() => ({}))
let listening = 0
let leave: (() => void) | undefined

/** Whether a press was there when the devices were last heard: its place is kept free until they are heard again. */
export const useHadPress = (): boolean => useHeard(({ hadPress }) => hadPress === true)

/** Listens to the devices while a screen that wants them is open; undefined until they are heard. */
export function useDevices(): Devices | undefined {
  useEffect(() => {
    if (listening++ === 0)
      leave = listenTo('devices', (heard) => {
        if ('data' in heard) hear(heard.data as DevicesState)
        else if (!heard.reached) lose()
      })
    return () => {
      if (--listening > 0) return
      leave?.()
      useHeard.setState({ devices: undefined })
    }
  }, [])
  return useHeard(({ devices }) => devices)
}

function hear(state: DevicesState): void {
  const at = performance.now()
  const young = (sample: { readonly at: number }) => at - sample.at < KEEP_MILLIS
  useHeard.setState(({ devices: before }) => {
    const { balance, press } = state
    const { grams, settled } = balance
    const { kilopascals, held } = press
    return {
      hadPress: press.name !== undefined && press.name !== '',
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
}

/** Nothing that was heard before is true any more. */
function lose(): void {
  useHeard.setState(({ devices }) => ({
    devices: devices && {
      ...devices,
      samples: [],
      gauge: [],
      balance: { ...devices.balance, ...unreached, settled: false },
      press: { ...devices.press, ...unreached, held: false },
      spectrophotometer: { ...devices.spectrophotometer, ...unreached },
    },
  }))
}

const unreached = { connected: false, fault: 'The server is not reached.' }
