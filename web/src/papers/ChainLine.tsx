import type { Chain } from '@yentrik/contract'

/** How the record hangs together, and the hash by which a later change of it would show. */
export function ChainLine({ chain }: { chain: Chain }) {
  return (
    <p className="mt-4 break-inside-avoid text-[8.5pt]">
      {chain.looseAt === null
        ? `Made from ${chain.events} entries; each fits the one before it.`
        : `Made from ${chain.events} entries. Entry ${chain.looseAt} does not fit the one before it: the record was changed outside of Yentrik, or is damaged.`}{' '}
      Hash of the newest (SHA-256): <span className="figures font-mono break-all">{chain.newest}</span>
    </p>
  )
}
