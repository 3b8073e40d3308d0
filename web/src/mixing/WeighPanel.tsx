import { type Mix, RATIO_TOLERANCE_FRACTION } from '@yentrik/core'
import { useEffect, useState } from 'react'
import { LiveWeight } from '../devices/LiveWeight.tsx'
import { StandInControls } from '../devices/StandInControls.tsx'
import type { Devices } from '../devices/use-devices.ts'
import { capital, grams, millilitres } from '../format/format.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import type { Bowl } from './bowl.ts'
import type { Weighed } from './weighed.ts'

/** Less than this on the pan is nothing, g. */
const EMPTY_GRAMS = 0.5

interface WeighPanelProps {
  readonly target: Mix
  readonly wanted: number
  readonly bowl: Bowl
  readonly onBowl: (change: Partial<Bowl>) => void
  readonly devices?: Devices
}

/** The balance under the powder, the dispenser for the powder really weighed; or both by hand. */
export function WeighPanel({ target, wanted, bowl, onBowl, devices }: WeighPanelProps) {
  const { refusal, run } = useRequest()
  const zero = useZeroLost(devices)
  const balance = devices?.balance
  const dispenser = devices?.dispenser
  const take = async () => {
    const taken = await run(() => request('POST /devices/balance/take'))
    if (taken) onBowl({ powder: String(taken.grams), powderFrom: 'balance' })
  }
  const water = waterFor(bowl, target, wanted)
  // What it has given goes into the field once, when this order is done; what an earlier one gave is not this.
  const [order, setOrder] = useState<number>()
  const give = async () => {
    const begun = await run(() => request('POST /devices/dispenser/give', { body: { millilitres: water } }))
    setOrder(begun?.order)
  }
  const given = dispenser?.order === order ? dispenser?.givenMillilitres : undefined
  useEffect(() => {
    if (order === undefined || given === undefined) return
    onBowl({ liquid: String(given), liquidFrom: 'dispenser' })
    setOrder(undefined)
  }, [order, given, onBowl])
  return (
    <div className="grid gap-3">
      {devices && balance?.name && (
        <section className="grid gap-3" aria-label="Balance">
          {zero.lost && balance.connected && (
            <Message tone="warning">
              The balance was gone and has lost its zero: set it to zero with the bowl on it.
            </Message>
          )}
          <LiveWeight
            devices={devices}
            targetGrams={target.powderGrams}
            toleranceFraction={RATIO_TOLERANCE_FRACTION}
          />
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="act"
              onClick={() => {
                zero.setAgain()
                void run(() => request('POST /devices/balance/tare'))
              }}
              disabled={!balance.connected}
            >
              Zero
            </button>
            <button
              type="button"
              className={balance.settled && (balance.grams ?? 0) > EMPTY_GRAMS ? 'act-main' : 'act'}
              onClick={() => void take()}
              disabled={zero.lost || !balance.settled || !(balance.grams && balance.grams > EMPTY_GRAMS)}
            >
              Take{' '}
              {balance.settled && balance.grams !== undefined && balance.grams > EMPTY_GRAMS
                ? grams(balance.grams)
                : 'it'}
            </button>
            {dispenser?.name && (
              <button
                type="button"
                className="act"
                onClick={() => void give()}
                disabled={dispenser.givingMillilitres !== undefined || !(water > 0)}
              >
                {dispenser.givingMillilitres === undefined
                  ? `Give ${millilitres(water)}`
                  : `${millilitres(dispenser.givingMillilitres)} so far`}
              </button>
            )}
          </div>
          {dispenser?.fault && <Message tone="error">{dispenser.fault}</Message>}
          {balance.standIn && (
            <StandInControls targetGrams={target.powderGrams} plugged={balance.connected} />
          )}
          {!balance.connected && !balance.standIn && <p>Everything can be typed as well.</p>}
        </section>
      )}
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}

/** What is in the bowl: taken from the devices, or typed. */
export function BowlFields({
  card,
  bowl,
  faults,
  onBowl,
  waterMillilitres,
}: Pick<WeighPanelProps, 'bowl' | 'onBowl'> & {
  readonly card: Weighed
  readonly faults: { readonly powder?: string; readonly liquid?: string }
  readonly waterMillilitres: number
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <NumberField
        label={`${capital(card.powderName)} in`}
        unit="g"
        text={bowl.powder}
        onText={(powder) => onBowl({ powder, powderFrom: 'hand' })}
        fault={faults.powder}
        hint={
          bowl.powder === '' ? 'as weighed' : bowl.powderFrom === 'balance' ? 'from the balance' : 'typed'
        }
      />
      <NumberField
        label={`${capital(card.liquidName.split(' ').at(-1) ?? '')} in`}
        unit="mL"
        text={bowl.liquid}
        onText={(liquid) => onBowl({ liquid, liquidFrom: 'hand' })}
        fault={faults.liquid}
        hint={
          bowl.liquid === ''
            ? `wants ${millilitres(waterMillilitres)}`
            : bowl.liquidFrom === 'dispenser'
              ? 'from the dispenser'
              : 'typed'
        }
      />
    </div>
  )
}

/** Liquid for the powder really weighed; for the target while nothing is in, mL to a tenth. */
export function waterFor(bowl: Bowl, target: Mix, wanted: number): number {
  const { value: weighed = 0 } = readNumber(bowl.powder, 'g')
  return Number(((weighed > 0 ? weighed : target.powderGrams) * wanted).toFixed(1))
}

/** Whether the balance has been away since this screen opened: then its zero is lost until it is set again. */
function useZeroLost(devices: Devices | undefined): {
  readonly lost: boolean
  readonly setAgain: () => void
} {
  const [known, setKnown] = useState<number>()
  const session = devices?.balance.session
  useEffect(() => {
    if (known === undefined && session !== undefined) setKnown(session)
  }, [known, session])
  return { lost: known !== undefined && session !== known, setAgain: () => setKnown(session) }
}
