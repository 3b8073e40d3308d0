import {
  type CaseStatus,
  day,
  type Enlargement,
  enlargementShape,
  equipmentShape,
  figure,
  id,
  instant,
  type LabEquipment,
  type LabProduct,
  type LotShare,
  list,
  type MaterialCard,
  type MeltHistory,
  maybe,
  type Of,
  productShape,
  type RouteTemplate,
  record,
  type Saying,
  type ToothSet,
  text,
  toothMeasuresShape,
  typedAs,
  whole,
  yesNo,
} from '@yentrik/core'
import { nothing, result, results, route } from './route.ts'

const number = text(60, { example: '24-0817', pattern: '\\S' })
const grams = figure(0, 1_000_000)
const orNull = <T>(shape: object) => typedAs<T | null>({ ...shape, nullable: true })

const lotShape = record({
  lotId: id(),
  /** Names a card of the core. */
  materialId: id(),
  /** As printed on the pack. */
  number,
  receivedAt: instant(),
  expiresOn: orNull<string>(day()),
  inUse: yesNo(),
  /** The lab's product that it is a batch of; null: of the class as such. */
  productId: orNull<string>(id()),
  openedOn: orNull<string>(day()),
  /** Powder that came, g; null: the stock of it is not kept. */
  receivedGrams: orNull<number>(grams),
  /** Below this it is said to run low, g. */
  lowBelowGrams: orNull<number>(grams),
  /** Why nobody may use it; null: it may be used. */
  quarantine: orNull<string>(text(500)),
  /** Of a zirconia blank, as its label says; null: not entered. */
  enlargement: orNull<Enlargement>(enlargementShape),
})
/** A batch of a material. */
export type Lot = Of<typeof lotShape>

const lotOnShelfShape = record({
  ...lotShape.properties,
  usedGrams: grams,
  /** null where the stock is not kept. */
  leftGrams: orNull<number>(grams),
  runsLow: yesNo(),
  openCases: whole(0, 1e6),
})
/** A lot with what is left of it. */
export type LotOnShelf = Of<typeof lotOnShelfShape>

/** A case that used a lot. */
export interface CaseOfLot {
  readonly caseId: string
  readonly docket: string
  readonly clinic: string
  readonly jobNames: readonly string[]
  readonly status: CaseStatus
  readonly powderGrams: number
  readonly lastAt: string
}

/** A product with the card that follows from it and what lies outside its class. */
export interface ProductOnShelf {
  readonly product: LabProduct
  readonly card: MaterialCard
  readonly flags: readonly Saying[]
}
const productOnShelf = result<ProductOnShelf>('A product with its card')

/** A piece of alloy on the shelf: weighed in, or the button of a case. */
export interface AlloyPieceOnShelf {
  readonly pieceId: string
  readonly materialId: string
  readonly productId: string | null
  readonly grams: number
  readonly lots: readonly LotShare[]
  readonly history: MeltHistory
  readonly weighedAt: string
  readonly fromCase: string | null
  readonly takenBy: string | null
}
const pieces = results<AlloyPieceOnShelf>('A piece of alloy')

export const shelfRoutes = {
  'GET /materials': route({
    room: 'materials',
    summary: 'Material cards with their sources',
    keepable: true,
    answer: results<MaterialCard>('A material card'),
  }),
  'GET /route-templates': route({
    room: 'materials',
    summary: 'Route templates: every job, step, check and variant',
    keepable: true,
    answer: results<RouteTemplate>('A route template'),
  }),
  'GET /products': route({
    room: 'materials',
    summary: "The lab's products: the class each inherits from, its card, what is out of class",
    keepable: true,
    answer: results<ProductOnShelf>('A product with its card'),
  }),
  'POST /products': route({
    room: 'materials',
    right: 'stock',
    summary: 'A new product',
    body: productShape,
    answer: productOnShelf,
    status: 201,
  }),
  'PUT /products/:productId': route({
    room: 'materials',
    right: 'stock',
    summary: 'Change what the pack of a product says',
    body: productShape,
    answer: productOnShelf,
  }),
  'GET /lots': route({
    room: 'materials',
    summary: 'Lots on the shelf with what is left of them',
    keepable: true,
    answer: list(lotOnShelfShape, 100_000),
  }),
  'POST /lots': route({
    room: 'materials',
    right: 'stock',
    summary: 'Take a lot onto the shelf',
    body: record({
      materialId: id('dental-stone'),
      productId: maybe(id()),
      number,
      expiresOn: maybe(day({ example: '2028-05-01' })),
      receivedGrams: maybe(figure(1, 1_000_000, { example: 5000 })),
      lowBelowGrams: maybe(figure(0, 1_000_000, { example: 500 })),
      enlargement: maybe(enlargementShape),
    }),
    answer: lotShape,
    status: 201,
  }),
  'POST /lots/:lotId/use': route({
    room: 'materials',
    right: 'stock',
    summary: 'Mark a lot used up, or in use again',
    body: record({ inUse: yesNo() }),
    answer: nothing,
    status: 204,
  }),
  'POST /lots/:lotId/open': route({
    room: 'materials',
    right: 'work',
    summary: 'The pack was opened today',
    answer: nothing,
    status: 204,
  }),
  'POST /lots/:lotId/enlargement': route({
    room: 'materials',
    right: 'work',
    summary: 'What the label of a zirconia blank says of its own lot',
    body: enlargementShape,
    answer: nothing,
    status: 204,
  }),
  'POST /lots/:lotId/quarantine': route({
    room: 'materials',
    right: 'work',
    summary: 'Nobody may use this lot until it is released',
    body: record({ reason: text(500, { example: 'Set soft in two cases', pattern: '\\S' }) }),
    answer: nothing,
    status: 204,
  }),
  'POST /lots/:lotId/release': route({
    room: 'materials',
    right: 'lead',
    summary: 'The lot may be used again',
    answer: nothing,
    status: 204,
  }),
  'GET /lots/:lotId/cases': route({
    room: 'materials',
    summary: 'The cases that used a lot, the open ones first',
    answer: results<CaseOfLot>('A case that used the lot'),
  }),
  'GET /tooth-sets': route({
    room: 'set-up',
    summary: 'Every tooth set of the lab, by name',
    keepable: true,
    answer: results<ToothSet>('A tooth set'),
  }),
  'PUT /tooth-sets/:name': route({
    room: 'set-up',
    right: 'stock',
    summary: 'Store a set as measured, or its changed figures',
    body: toothMeasuresShape,
    answer: result<ToothSet>('A tooth set'),
  }),
  'DELETE /tooth-sets/:name': route({
    room: 'set-up',
    right: 'stock',
    summary: 'Take a set off the list; plans made with it keep its figures',
    answer: nothing,
    status: 204,
  }),
  'GET /equipment': route({
    room: 'equipment',
    summary: 'All equipment of the lab, by name',
    keepable: true,
    answer: results<LabEquipment>('Equipment as measured'),
  }),
  'PUT /equipment/:name': route({
    room: 'equipment',
    right: 'stock',
    summary: 'Store equipment as measured, or its changed figures',
    body: equipmentShape,
    answer: result<LabEquipment>('Equipment as measured'),
  }),
  'DELETE /equipment/:name': route({
    room: 'equipment',
    right: 'stock',
    summary: 'Take equipment off the list',
    answer: nothing,
    status: 204,
  }),
  'GET /alloy-pieces': route({
    room: 'casting',
    summary: 'The pieces that nobody has melted yet',
    answer: pieces,
  }),
  'POST /alloy-pieces': route({
    room: 'casting',
    right: 'stock',
    summary: 'Weigh pieces of a lot in',
    body: record({
      lotId: text(80, { description: 'The lot of an alloy' }),
      grams: list(figure(0, 10_000), 60, 1, { example: [6.02, 5.97] }),
      meltedBefore: maybe(
        whole(0, 10, { example: 0, description: 'How often it was melted before; left out: new' }),
      ),
    }),
    answer: pieces,
    status: 201,
  }),
  'DELETE /alloy-pieces/:pieceId': route({
    room: 'casting',
    right: 'stock',
    summary: 'A piece was scrapped; one that a case has melted stays on record',
    answer: nothing,
    status: 204,
  }),
}
