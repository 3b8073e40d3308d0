import { Controller } from '@nestjs/common'
import { materials, routeTemplates } from '@yentrik/core'
import { type Call, Handles } from '../shapes/handles.ts'
import { LotsService } from './lots.service.ts'
import { ShelfCards } from './shelf-cards.service.ts'

@Controller()
export class MaterialsController {
  constructor(
    private readonly lots: LotsService,
    private readonly shelf: ShelfCards,
  ) {}

  @Handles('GET /materials')
  cards() {
    return [...materials.values()]
  }

  @Handles('GET /route-templates')
  templates() {
    return [...routeTemplates.values()]
  }

  @Handles('GET /products')
  products() {
    return this.shelf.products()
  }

  @Handles('POST /products')
  add({ body }: Call<'POST /products'>) {
    return this.shelf.keep(body)
  }

  @Handles('PUT /products/:productId')
  change({ path, body }: Call<'PUT /products/:productId'>) {
    return this.shelf.keep(body, path.productId)
  }

  @Handles('GET /lots')
  all() {
    return this.lots.all()
  }

  @Handles('POST /lots')
  receive({ body }: Call<'POST /lots'>) {
    return this.lots.receive(body)
  }

  @Handles('POST /lots/:lotId/use')
  use({ path, body }: Call<'POST /lots/:lotId/use'>) {
    return this.lots.setInUse(path.lotId, body.inUse)
  }

  @Handles('POST /lots/:lotId/open')
  open({ path }: Call<'POST /lots/:lotId/open'>) {
    return this.lots.open(path.lotId)
  }

  @Handles('POST /lots/:lotId/enlargement')
  enlarge({ path, body }: Call<'POST /lots/:lotId/enlargement'>) {
    return this.lots.enlarge(path.lotId, body)
  }

  @Handles('POST /lots/:lotId/quarantine')
  quarantine({ path, body }: Call<'POST /lots/:lotId/quarantine'>) {
    return this.lots.quarantine(path.lotId, body.reason.trim())
  }

  @Handles('POST /lots/:lotId/release')
  release({ path }: Call<'POST /lots/:lotId/release'>) {
    return this.lots.quarantine(path.lotId, null)
  }

  @Handles('GET /lots/:lotId/cases')
  casesOf({ path }: Call<'GET /lots/:lotId/cases'>) {
    return this.lots.casesOf(path.lotId)
  }
}
