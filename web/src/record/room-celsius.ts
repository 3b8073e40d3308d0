import { JAR_CELSIUS, qty, saying, USUAL_ROOM_CELSIUS } from '@yentrik/core'
import { useDraft } from '../parts/draft.ts'
import { readNumber } from '../parts/read-number.ts'

/** The room as somebody last entered it at this bench, and its field. */
export function useRoomCelsius() {
  const [text, keep] = useDraft<string>('room celsius', () => String(USUAL_ROOM_CELSIUS))
  const { value, fault } = readNumber(text, '°C')
  const { min, max } = JAR_CELSIUS
  const outside =
    value !== undefined && !(value >= min && value <= max)
      ? saying`Enter the temperature of the room: ${min} to ${qty.celsius(max)}.`
      : undefined
  return {
    roomCelsius: outside ? undefined : value,
    field: { text, onText: keep, fault: fault ?? outside },
  }
}
