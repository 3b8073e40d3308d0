import { Search } from 'lucide-react'
import { type ReactNode, useEffect, useState } from 'react'
import Markdown from 'react-markdown'
import { Link, useLocation, useParams } from 'react-router'
import remarkGfm from 'remark-gfm'
import { TextField } from '../parts/TextField.tsx'
import { anchorOf, pages, searchHandbook } from './texts.ts'

/** The handbook, in the application: the same text as in the folder, searched as one types. */
export function HandbookScreen() {
  const { page: wanted = 'handbook' } = useParams()
  const { hash } = useLocation()
  const [words, setWords] = useState('')
  const page = pages.find(({ id }) => id === wanted) ?? pages[0]!
  useEffect(() => {
    const at = hash ? document.getElementById(hash.slice(1)) : undefined
    if (at) at.scrollIntoView()
    else scrollTo(0, 0)
  }, [hash])
  const found = searchHandbook(words)
  return (
    <main className="mx-auto grid max-w-[1400px] gap-x-8 gap-y-4 p-4 sm:p-6 lg:grid-cols-[17rem_minmax(0,1fr)]">
      <nav
        className="grid content-start gap-3 lg:sticky lg:top-6 lg:self-start"
        aria-label="Pages of the handbook"
      >
        <div className="relative">
          <TextField label="Search the handbook" text={words} onText={setWords} />
          <Search className="pointer-events-none absolute right-3 bottom-3 size-6 opacity-60" aria-hidden />
        </div>
        <ul className="max-lg:hidden">
          {pages.map(({ id, title }) => (
            <li key={id}>
              <Link
                to={`/handbook/${id}`}
                onClick={() => setWords('')}
                aria-current={id === page.id ? 'page' : undefined}
                className={`flex min-h-11 items-center rounded-xl px-3 leading-tight ${id === page.id ? 'bg-base-100 font-bold' : 'hover:bg-base-300/60'}`}
              >
                {title}
              </Link>
            </li>
          ))}
        </ul>
      </nav>
      {words.trim().length >= 2 ? (
        <section aria-label="Found" aria-live="polite">
          <h1 className="mb-3 text-3xl font-bold">
            {found.length === 0 ? `Nothing on “${words.trim()}”` : `On “${words.trim()}”`}
          </h1>
          {found.length === 0 && <p>Try one word of the trade: rebase, dough, pin, enlargement.</p>}
          <ul className="grid gap-2">
            {found.map(({ id, page: of, title, heading, passage }) => (
              <li key={id}>
                <Link
                  to={`/handbook/${of}${heading === title ? '' : `#${anchorOf(heading)}`}`}
                  onClick={() => setWords('')}
                  className="card-flat hover:border-primary block p-4"
                >
                  <b className="text-lg">{heading}</b>
                  {heading !== title && <span className="opacity-80"> · {title}</span>}
                  <p>{passage}</p>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ) : (
        <article className="card-flat handbook max-w-[52rem] p-6 sm:p-8" aria-label={page.title}>
          <Markdown remarkPlugins={[remarkGfm]} components={parts}>
            {page.text}
          </Markdown>
        </article>
      )}
    </main>
  )
}

const wordsOf = (children: ReactNode): string =>
  Array.isArray(children) ? children.map(wordsOf).join('') : typeof children === 'string' ? children : ''

/** Links between pages stay in the application; pictures of it are left to the folder: here is the thing itself. */
const parts = {
  a: ({ href = '', children }: { href?: string; children?: ReactNode }) => {
    const page = /^([a-z-]+)\.md(#.*)?$/.exec(href)
    if (page && pages.some(({ id }) => id === page[1]))
      return <Link to={`/handbook/${page[1]}${page[2] ?? ''}`}>{children}</Link>
    // No page leads out of the house.
    return <span>{children}</span>
  },
  img: () => null,
  h2: ({ children }: { children?: ReactNode }) => <h2 id={anchorOf(wordsOf(children))}>{children}</h2>,
  table: ({ children }: { children?: ReactNode }) => (
    <div className="overflow-x-auto">
      <table>{children}</table>
    </div>
  ),
}
