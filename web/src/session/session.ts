import type { Session } from '@yentrik/contract'
import { createContext, useContext } from 'react'

/** Who is at the bench. */
export const SessionContext = createContext<Session>({
  person: null,
  firstStart: false,
  codeNeeded: false,
  readable: false,
  demo: false,
  names: [],
  pins: [],
})

export function useSession() {
  return useContext(SessionContext)
}
