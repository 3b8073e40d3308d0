import type { ToothNotation, UnitSystem } from '@yentrik/core'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'

type Theme = 'system' | 'plaster' | 'nightbench'

/** What one screen at one bench prefers; kept in this browser. */
export interface Preferences {
  readonly theme: Theme
  readonly units: UnitSystem
  readonly teeth: ToothNotation
  readonly sound: boolean
  /** Whether somebody here has begun a step by the large button, and knows what it does. */
  readonly knowsStart?: boolean
}

export const usePreferences = create<Preferences>()(
  persist((): Preferences => ({ theme: 'system', units: 'metric', teeth: 'fdi', sound: true }), {
    name: 'yentrik-preferences',
  }),
)

/** Puts the chosen theme on the page; "system" leaves it to the machine. */
export function applyTheme(theme: Theme): void {
  const dark = matchMedia('(prefers-color-scheme: dark)').matches
  document.documentElement.dataset.theme = theme === 'system' ? (dark ? 'nightbench' : 'plaster') : theme
}
