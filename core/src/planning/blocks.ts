export interface Link {
  readonly from: number
  readonly fromEnd: boolean
  readonly to: number
  readonly min: number
  /** -1: it may wait for ever. */
  readonly max: number
}
export interface Hold {
  readonly machines: readonly number[]
  readonly size: number
  readonly from: number
  readonly fromEnd: boolean
  readonly to: number
  readonly toEnd: boolean
  readonly program: number
  /** It is shorter under no plan. */
  readonly leastMinutes: number
}

interface Blocks {
  /** Steps of each block in their order. */
  readonly blocks: readonly (readonly number[])[]
  readonly blockOf: Int32Array
  readonly blocksBefore: readonly (readonly number[])[]
}

/**
 * Groups steps that have to be planned as one: tied by a longest wait, by a machine that is held from one to the other, or by
 * being one person's. What lies between two tied steps belongs to them, else a block would have to go before and after another.
 */
export function blocksOf(
  count: number,
  links: readonly Link[],
  holds: readonly Hold[],
  samePersonAs: Int32Array,
): Blocks {
  const tied: [number, number][] = [
    ...links.filter(({ max }) => max >= 0).map(({ from, to }) => [from, to] as [number, number]),
    ...holds.flatMap(({ from, to, program }) => [
      [from, to] as [number, number],
      ...(program >= 0 ? [[from, program] as [number, number]] : []),
    ]),
    ...[...samePersonAs].flatMap((other, step) => (other >= 0 ? [[other, step] as [number, number]] : [])),
  ]
  const next: number[][] = Array.from({ length: count }, () => [])
  for (const { from, to } of links) next[from]!.push(to)
  // A tie leads both ways, so what is tied, and what lies between, is one strongly connected part.
  for (const [a, b] of tied) {
    next[a]!.push(b)
    next[b]!.push(a)
  }
  const part = connectedParts(count, next)
  const blockOf = new Int32Array(count)
  const numbers = new Map<number, number>()
  const blocks: number[][] = []
  // Steps are in an order in which links only lead on; but of two blocks the one that begins first may have to wait for the other.
  for (const step of partsInOrder(count, links, part)) {
    const known = numbers.get(part[step]!)
    const block = known ?? blocks.length
    if (known === undefined) {
      numbers.set(part[step]!, block)
      blocks.push([])
    }
    blocks[block]!.push(step)
    blockOf[step] = block
  }
  for (const block of blocks) block.sort((a, b) => a - b)
  const before = blocks.map(() => new Set<number>())
  for (const { from, to } of links)
    if (blockOf[from] !== blockOf[to]) before[blockOf[to]!]!.add(blockOf[from]!)
  return { blocks, blockOf, blocksBefore: before.map((set) => [...set].sort((a, b) => a - b)) }
}

/** Strongly connected parts (Tarjan 1972), without recursion: cases are long chains. */
function connectedParts(count: number, next: readonly (readonly number[])[]): Int32Array {
  const part = new Int32Array(count).fill(-1)
  const index = new Int32Array(count).fill(-1)
  const low = new Int32Array(count)
  const onStack = new Uint8Array(count)
  const stack: number[] = []
  let visited = 0
  let parts = 0
  for (let root = 0; root < count; root++) {
    if (index[root] !== -1) continue
    const work: [number, number][] = [[root, 0]]
    while (work.length > 0) {
      const frame = work.at(-1)!
      const [step, edge] = frame
      if (edge === 0) {
        index[step] = low[step] = visited++
        stack.push(step)
        onStack[step] = 1
      }
      if (edge < next[step]!.length) {
        frame[1]++
        const other = next[step]![edge]!
        if (index[other] === -1) work.push([other, 0])
        else if (onStack[other]) low[step] = Math.min(low[step]!, index[other]!)
        continue
      }
      work.pop()
      const parent = work.at(-1)?.[0]
      if (parent !== undefined) low[parent] = Math.min(low[parent]!, low[step]!)
      if (low[step] === index[step]) {
        for (let other = -1; other !== step; ) {
          other = stack.pop()!
          onStack[other] = 0
          part[other] = parts
        }
        parts++
      }
    }
  }
  return part
}

/** Steps in an order in which every part comes whole, none before one that it follows. */
function partsInOrder(count: number, links: readonly Link[], part: Int32Array): number[] {
  const members = new Map<number, number[]>()
  for (let step = 0; step < count; step++)
    members.set(part[step]!, [...(members.get(part[step]!) ?? []), step])
  const after = new Map<number, Set<number>>()
  const waits = new Map<number, number>([...members.keys()].map((key) => [key, 0]))
  for (const { from, to } of links) {
    const a = part[from]!
    const b = part[to]!
    if (a === b || after.get(a)?.has(b)) continue
    after.set(a, (after.get(a) ?? new Set()).add(b))
    waits.set(b, waits.get(b)! + 1)
  }
  const first = (key: number) => members.get(key)![0]!
  const ready = [...members.keys()].filter((key) => waits.get(key) === 0).sort((a, b) => first(a) - first(b))
  const order: number[] = []
  while (ready.length > 0) {
    const key = ready.shift()!
    order.push(...members.get(key)!)
    for (const other of after.get(key) ?? []) {
      waits.set(other, waits.get(other)! - 1)
      if (waits.get(other) !== 0) continue
      const at = ready.findIndex((each) => first(each) > first(other))
      ready.splice(at < 0 ? ready.length : at, 0, other)
    }
  }
  return order
}
