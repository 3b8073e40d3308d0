import type { Session } from '@yentrik/contract'
import { createContext, useContext } from 'react'

/** Before anybody is known. */
export const nobody: Session = {
  person: null,
  firstStart: false,
  codeNeeded: false,
  readable: false,
  demo: false,
  names: [],
  pins: [],
}

/** Who is at the bench. */
export const SessionContext = createContext<Session>(nobody)

/** Whether it may be a PIN: the server wants the same. */
export const isPin = (typed: string): boolean => /^\d{4,8}$/.test(typed)

export function useSession() {
  return useContext(SessionContext)
}
