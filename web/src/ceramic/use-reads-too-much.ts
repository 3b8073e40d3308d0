import { silverOffset } from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { useEquipment } from '../record/equipment.ts'

/** By how much a ceramic furnace shows too much, °C, by its silver test; undefined: none was made. */
export function useReadsTooMuch(machine: string | undefined): number | undefined {
  const shown = useEquipment('kiln').find(({ name }) => name === machine)?.silverShownCelsius
  return shown === undefined ? undefined : attempt(() => silverOffset(shown)).answer
}
