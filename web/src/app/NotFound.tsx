import { Link, useRouteError } from 'react-router'

/** An address that leads nowhere, or a screen that failed to load. */
export function NotFound() {
  const error = useRouteError()
  return (
    <main className="p-8">
      <h1 className="text-3xl font-bold">
        {error ? 'This screen did not load' : 'There is nothing at this address'}
      </h1>
      <p className="mt-2">
        {error
          ? 'Reload the page. What was stored is safe on the server.'
          : 'Perhaps the code was cut short.'}
      </p>
      <Link to="/" className="act-main mt-6">
        To the bench
      </Link>
    </main>
  )
}
