import {
  type ColumnDef,
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  type SortingState,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import { ArrowDown, ArrowUp, Download } from 'lucide-react'
import {
  type CSSProperties,
  type KeyboardEvent,
  type ReactNode,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react'
import { type CsvColumn, download, toCsv } from './csv.ts'

/** A column as it is seen. */
export interface TableColumn<Row> {
  readonly id: string
  readonly name: string
  /** By which it is sorted; what has none goes last. */
  readonly value: (row: Row) => string | number | undefined
  readonly show: (row: Row) => ReactNode
  /** A track of a CSS grid. */
  readonly width: string
  /** Numbers stand on the right. */
  readonly right?: true
  /** Left out where the screen is narrow. */
  readonly wideOnly?: true
}

interface DataTableProps<Row> {
  readonly name: string
  readonly rows: readonly Row[]
  readonly columns: readonly TableColumn<Row>[]
  readonly keyOf: (row: Row) => string
  /** What a tap or Enter on a row does. */
  readonly onOpen?: (row: Row) => void
  /** In which it stands before anybody sorts it. */
  readonly startsBy?: SortingState[number]
  /** The key of the row that is looked for: the table begins there, and it is marked. */
  readonly startsAt?: string
  /** What goes out as CSV, and the name of the file. */
  readonly csv?: { readonly file: string; readonly columns: readonly CsvColumn<Row>[] }
  readonly empty: ReactNode
  /** Height of a row as a beginning, px; rows measure themselves. */
  readonly rowHeight?: number
  /** Beside the button for CSV, under the table. */
  readonly foot?: ReactNode
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() })

/** By number where both are numbers, else as words, digits in them by their value. */
function inOrder(a: string | number | undefined, b: string | number | undefined): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b
  return String(a).localeCompare(String(b), 'en', { numeric: true })
}

/** Rows that are sorted by a tap on a head, walked through by the arrow keys, and written out as CSV. */
export function DataTable<Row extends object>({
  name,
  rows,
  columns,
  keyOf,
  onOpen,
  startsBy,
  startsAt,
  csv,
  empty,
  rowHeight = 64,
  foot,
}: DataTableProps<Row>) {
  const [sorting, setSorting] = useState<SortingState>(startsBy ? [startsBy] : [])
  const defined = useMemo(() => {
    const helper = createColumnHelper<typeof features, Row>()
    return columns.map(
      (column): ColumnDef<typeof features, Row, unknown> =>
        helper.accessor(column.value as (row: Row) => unknown, {
          id: column.id,
          header: column.name,
          sortFn: (a, b) => inOrder(column.value(a.original), column.value(b.original)),
          sortUndefined: 'last',
        }),
    )
  }, [columns])
  const table = useTable({
    features,
    columns: defined,
    data: rows as Row[],
    getRowId: keyOf,
    state: { sorting },
    onSortingChange: setSorting,
  })
  const sorted = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  const body = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    getItemKey: (index) => sorted[index]!.id,
    overscan: 12,
  })
  const [focused, setFocused] = useState(0)
  const at = Math.min(focused, Math.max(0, sorted.length - 1))
  const wanted = startsAt === undefined ? -1 : sorted.findIndex(({ id }) => id === startsAt)
  // Once, when it is there: afterwards the table is whoever's reads it.
  const [wasShown, setShown] = useState(false)
  useEffect(() => {
    if (wanted < 0 || wasShown) return
    setShown(true)
    setFocused(wanted)
    body.scrollToIndex(wanted, { align: 'center' })
  }, [wanted, wasShown, body])
  const focusOn = (index: number) => {
    const next = Math.min(sorted.length - 1, Math.max(0, index))
    setFocused(next)
    body.scrollToIndex(next)
    requestAnimationFrame(() =>
      scroller.current?.querySelector<HTMLElement>(`[data-index="${next}"]`)?.focus(),
    )
  }
  const onKey = (event: KeyboardEvent) => {
    const steps: Readonly<Record<string, number>> = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      PageDown: at + 10,
      PageUp: at - 10,
      Home: 0,
      End: sorted.length - 1,
    }
    const to = steps[event.key]
    if (to !== undefined) {
      event.preventDefault()
      focusOn(to)
    } else if (event.key === 'Enter' && event.target instanceof HTMLElement && event.target.dataset.index) {
      const row = sorted[Number(event.target.dataset.index)]
      if (row) onOpen?.(row.original)
    }
  }
  const tracks = (some: readonly TableColumn<Row>[]) => some.map(({ width }) => width).join(' ')
  const grid = {
    '--wide': tracks(columns),
    '--narrow': tracks(columns.filter(({ wideOnly }) => !wideOnly)),
  } as CSSProperties
  const cell = ({ right, wideOnly }: TableColumn<Row>) =>
    `min-w-0 ${right ? 'text-right' : 'text-left'} ${wideOnly ? 'max-sm:hidden' : ''}`
  return (
    <div className="flex min-h-0 flex-col">
      <div ref={scroller} className="card-flat max-h-[78dvh] min-h-0 overflow-auto">
        <table className="block w-full" aria-label={name} aria-rowcount={sorted.length + 1}>
          <thead className="bg-base-100 border-base-300 sticky top-0 z-10 block border-b max-sm:hidden">
            <tr className="grid grid-cols-(--narrow) gap-x-4 px-5 sm:grid-cols-(--wide)" style={grid}>
              {columns.map((column) => {
                const order =
                  sorting[0]?.id === column.id ? (sorting[0].desc ? 'descending' : 'ascending') : 'none'
                return (
                  <th key={column.id} className={cell(column)} aria-sort={order} scope="col">
                    {column.name && (
                      <button
                        type="button"
                        className="inline-flex min-h-11 min-w-11 items-center gap-1 text-sm font-semibold opacity-80"
                        onClick={() => table.getColumn(column.id)?.toggleSorting(order === 'ascending')}
                      >
                        {column.name}
                        {order === 'ascending' && <ArrowUp className="size-4" aria-hidden />}
                        {order === 'descending' && <ArrowDown className="size-4" aria-hidden />}
                      </button>
                    )}
                  </th>
                )
              })}
            </tr>
          </thead>
          <tbody className="relative block" style={{ height: body.getTotalSize() }} onKeyDown={onKey}>
            {body.getVirtualItems().map((item) => {
              const { id, original } = sorted[item.index]!
              return (
                <tr
                  key={id}
                  ref={body.measureElement}
                  data-index={item.index}
                  aria-rowindex={item.index + 2}
                  tabIndex={item.index === at ? 0 : -1}
                  className={`border-base-300 absolute inset-x-0 top-0 grid min-h-14 grid-cols-(--narrow) sm:grid-cols-(--wide) items-center gap-x-4 border-b px-5 py-2 ${id === startsAt ? 'bg-warning/15' : ''} ${onOpen ? 'hover:bg-base-200/70 cursor-pointer' : ''}`}
                  style={{ ...grid, transform: `translateY(${item.start}px)` }}
                  onFocus={() => setFocused(item.index)}
                  onClick={({ target }) => {
                    const inner = target instanceof HTMLElement && target.closest('a, button, input, label')
                    if (!inner) onOpen?.(original)
                  }}
                >
                  {columns.map((column) => (
                    <td key={column.id} className={`block ${cell(column)}`}>
                      {column.show(original)}
                    </td>
                  ))}
                </tr>
              )
            })}
          </tbody>
        </table>
        {sorted.length === 0 && <div className="p-8 text-center text-lg">{empty}</div>}
      </div>
      <footer className="mt-2 flex flex-wrap items-center justify-between gap-3">
        <p className="figures">{sorted.length === 1 ? '1 row' : `${sorted.length} rows`}</p>
        <div className="flex flex-wrap items-center gap-2">
          {foot}
          {csv && (
            <button
              type="button"
              className="small-act"
              onClick={() =>
                download(
                  csv.file,
                  toCsv(
                    csv.columns,
                    sorted.map(({ original }) => original),
                  ),
                )
              }
            >
              <Download className="size-5" aria-hidden /> CSV
            </button>
          )}
        </div>
      </footer>
    </div>
  )
}
