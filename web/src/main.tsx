import { QueryClientProvider } from '@tanstack/react-query'
import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router/dom'
import './app/theme.css'
import { router } from './app/router.tsx'
import { queryClient } from './live/queries.ts'
import { applyTheme, usePreferences } from './preferences/preferences.ts'

applyTheme(usePreferences.getState().theme)
usePreferences.subscribe(({ theme }) => applyTheme(theme))
matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () =>
  applyTheme(usePreferences.getState().theme),
)
createRoot(document.getElementById('root') as HTMLElement).render(
  <QueryClientProvider client={queryClient}>
    <RouterProvider router={router} />
  </QueryClientProvider>,
)
