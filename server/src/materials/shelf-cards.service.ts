import { randomUUID } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import type { ProductOnShelf } from '@yentrik/contract'
import {
  DomainError,
  type LabProduct,
  type MaterialCard,
  materials,
  productCard,
  productFaults,
  productFlags,
} from '@yentrik/core'
import { DataSource } from 'typeorm'
import { LabProductRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'

/** The generic cards of the core, and the lab's own products that inherit from them. */
@Injectable()
export class ShelfCards {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly live: LiveService,
  ) {}

  async products(): Promise<ProductOnShelf[]> {
    const rows = await this.dataSource.manager.find(LabProductRow)
    return rows
      .map((row) => onShelf(row.product as LabProduct))
      .sort((a, b) => a.product.name.localeCompare(b.product.name))
  }

  /** The card that a mix goes by: of the product where one is named and still there, else of the class. */
  async cardOf(materialId: string, productId: string | null): Promise<MaterialCard | undefined> {
    const row = productId && (await this.dataSource.manager.findOneBy(LabProductRow, { productId }))
    return row ? onShelf(row.product as LabProduct).card : materials.get(materialId)
  }

  /** Stores a new product, or the changed figures of one. @throws {Refusal} `no-such-material`, `product-faulty`, `product-known` */
  async keep(entered: Omit<LabProduct, 'productId'>, productId?: string): Promise<ProductOnShelf> {
    const product: LabProduct = { ...entered, productId: productId ?? randomUUID() }
    const classCard = classOf(product.materialId)
    const [fault] = productFaults(product, classCard)
    if (fault)
      throw new DomainError('product-faulty', fault.sentence, 'Correct it and store it again.', fault.field)
    await this.queue.write(async (manager) => {
      const rows = await manager.find(LabProductRow)
      if (productId && !rows.some((row) => row.productId === productId)) throw noSuchProduct(productId)
      const others = rows
        .map((row) => row.product as LabProduct)
        .filter((other) => other.productId !== product.productId)
      if (others.some(({ name }) => name.toLowerCase() === product.name.trim().toLowerCase()))
        throw new Refusal(
          409,
          'product-known',
          `There is a product called ${product.name} already.`,
          'Give this one another name.',
          {
            field: 'name',
          },
        )
      await manager.upsert(LabProductRow, { productId: product.productId, product: product as object }, [
        'productId',
      ])
    })
    this.live.announce({ kind: 'lots' })
    return onShelf(product)
  }

  /** @throws {Refusal} `no-such-material`, `no-such-product` when a lot names what is not there */
  async mustHave(materialId: string, productId?: string): Promise<void> {
    classOf(materialId)
    if (!productId) return
    const row = await this.dataSource.manager.findOneBy(LabProductRow, { productId })
    if ((row?.product as LabProduct | undefined)?.materialId !== materialId) throw noSuchProduct(productId)
  }
}

function onShelf(product: LabProduct): ProductOnShelf {
  const classCard = classOf(product.materialId)
  return { product, card: productCard(product, classCard), flags: productFlags(product, classCard) }
}

function classOf(materialId: string): MaterialCard {
  const card = materials.get(materialId)
  if (!card)
    throw new Refusal(
      422,
      'no-such-material',
      `There is no material ${materialId}.`,
      'Choose one from the list.',
      {
        field: 'materialId',
      },
    )
  return card
}

function noSuchProduct(productId: string): Refusal {
  return new Refusal(
    422,
    'no-such-product',
    `There is no product ${productId} of this class.`,
    'Reload the shelf.',
    {
      field: 'productId',
    },
  )
}
