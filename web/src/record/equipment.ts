import type { LabEquipment } from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'

/** Equipment of a kind that the lab has put on its list. */
export function useEquipment<K extends LabEquipment['kind']>(
  kind: K,
): readonly Extract<LabEquipment, { kind: K }>[] {
  const { data = [] } = useAnswer('GET /equipment')
  return data.filter((each): each is Extract<LabEquipment, { kind: K }> => each.kind === kind)
}
