import { createContext, useContext } from 'react'

export interface Session {
  readonly person: { readonly name: string; readonly role: string } | null
  readonly firstStart: boolean
  readonly demo: boolean
  readonly names: readonly string[]
}

export const SessionContext = createContext<Session & { readonly reload: () => void }>({
  person: null,
  firstStart: false,
  demo: false,
  names: [],
  reload: () => undefined,
})

export function useSession() {
  return useContext(SessionContext)
}
