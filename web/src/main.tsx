import { QueryClientProvider } from '@tanstack/react-query'
import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router/dom'
import './app/theme.css'
import { router } from './app/router.tsx'
import { beginWithServerOrLastSeen, rememberAnswers } from './away/last-seen.ts'
import { queryClient } from './live/queries.ts'
import { applyTheme, usePreferences } from './preferences/preferences.ts'

applyTheme(usePreferences.getState().theme)
usePreferences.subscribe(({ theme }) => applyTheme(theme))
matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () =>
  applyTheme(usePreferences.getState().theme),
)
// Without it the page does not open while the server is away; a browser has it over TLS and on the server's machine alone.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  rememberAnswers()
  void navigator.serviceWorker.register('/service-worker.js')
}
await beginWithServerOrLastSeen()
createRoot(document.getElementById('root') as HTMLElement).render(
  <QueryClientProvider client={queryClient}>
    <RouterProvider router={router} />
  </QueryClientProvider>,
)
