import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router/dom'
import './app/theme.css'
import { applyTheme, usePreferences } from './app/preferences.ts'
import { router } from './app/router.tsx'

applyTheme(usePreferences.getState().theme)
usePreferences.subscribe(({ theme }) => applyTheme(theme))
matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () =>
  applyTheme(usePreferences.getState().theme),
)
createRoot(document.getElementById('root') as HTMLElement).render(<RouterProvider router={router} />)
