/** A value as it is kept: DTO instances carry every optional field as undefined, the record must not. */
export function plain<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
