/** A key that nobody else gives; `randomUUID` is there over TLS alone. */
export const newKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join(
    '',
  )
