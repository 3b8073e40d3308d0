import MiniSearch from 'minisearch'

const files = import.meta.glob<string>('../../../docs/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
})
/** Written for those who build the house; they stay in the folder. */
const forBuilders = ['architecture', 'testing', 'benchmarks']

export interface Page {
  readonly id: string
  readonly title: string
  readonly text: string
}

/** The beginning first, then the pages in the order of the work. */
const order = [
  'handbook',
  'practise',
  'mixing-and-pouring',
  'gypsum',
  'trimming',
  'mounting-and-set-up',
  'articulator',
  'survey',
  'waxing',
  'casting',
  'flasking-and-curing',
  'remount',
  'finishing',
  'ceramics',
  'delivery',
  'plan',
  'quality',
]
const rank = (id: string) => (order.includes(id) ? order.indexOf(id) : order.length)

/** Every page of the handbook: the files of docs/, as they were when this was built. */
export const pages: readonly Page[] = Object.entries(files)
  .map(([path, text]) => ({
    id: path.replace(/^.*\/|\.md$/g, ''),
    title: /^# (.+)$/m.exec(text)?.[1] ?? path,
    text,
  }))
  .filter(({ id }) => !forBuilders.includes(id))
  .sort((a, b) => rank(a.id) - rank(b.id) || a.title.localeCompare(b.title))

interface Part {
  readonly id: string
  readonly page: string
  readonly title: string
  readonly heading: string
  readonly text: string
}

/** A page cut at its headings: what is found is shown with the heading above it. */
const parts: readonly Part[] = pages.flatMap(({ id, title, text }) =>
  text.split(/^## /m).map((part, n) => {
    const [heading = '', ...lines] = part.split('\n')
    return { id: `${id}#${n}`, page: id, title, heading: n === 0 ? title : heading, text: lines.join(' ') }
  }),
)

const index = new MiniSearch<Part>({
  fields: ['heading', 'text'],
  storeFields: ['page', 'title', 'heading', 'text'],
  searchOptions: { prefix: true, fuzzy: 0.15, boost: { heading: 3 }, combineWith: 'AND' },
})
index.addAll(parts)

export interface Found {
  readonly id: string
  readonly page: string
  readonly title: string
  readonly heading: string
  readonly passage: string
}
const MOST_FOUND = 12
const PASSAGE_LETTERS = 160

/** What the handbook says of some words, the best first. */
export function searchHandbook(words: string): readonly Found[] {
  if (words.trim().length < 2) return []
  return index
    .search(words)
    .slice(0, MOST_FOUND)
    .map(({ id, page, title, heading, text, terms }) => ({
      id: String(id),
      page: String(page),
      title: String(title),
      heading: String(heading),
      passage: passageOf(plain(String(text)), terms[0] ?? ''),
    }))
}

/** Without the marks of its formatting. */
const plain = (text: string) => text.replace(/[*_`#|]|!?\[|\]\([^)]*\)/g, '').replace(/\s+/g, ' ')

function passageOf(text: string, term: string): string {
  const at = Math.max(0, text.toLowerCase().indexOf(term.toLowerCase()))
  const from = Math.max(0, at - PASSAGE_LETTERS / 3)
  const cut = text.slice(from, from + PASSAGE_LETTERS).trim()
  return `${from > 0 ? '… ' : ''}${cut}${from + PASSAGE_LETTERS < text.length ? ' …' : ''}`
}

/** The anchor of a heading, as the links of the pages have it. */
export const anchorOf = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[^a-z0-9 -]/g, '')
    .trim()
    .replace(/ /g, '-')
