import {
  applyDecorators,
  createParamDecorator,
  Delete,
  type ExecutionContext,
  Get,
  Header,
  HttpCode,
  Post,
  Put,
  SetMetadata,
} from '@nestjs/common'
import { ApiBody, ApiOperation, ApiParam, ApiQuery, ApiResponse, ApiTags } from '@nestjs/swagger'
import {
  type Answer,
  type Body,
  type Declared,
  type IsOpen,
  type PathOf,
  type Person,
  type Query,
  type RouteKey,
  routes,
} from '@yentrik/contract'
import type { Shape } from '@yentrik/core'
import type { Request } from 'express'
import { checked } from './checked.ts'

const ROUTE = 'yentrik-route'

/** What somebody asks on a route, checked against its declaration. */
export interface Call<K extends RouteKey> {
  readonly body: Body<K>
  readonly query: Query<K>
  readonly path: PathOf<K>
  /** Who asks. */
  readonly me: IsOpen<K> extends true ? Person | undefined : Person
}

type Handler<K extends RouteKey> = (call: Call<K>, ...more: never[]) => Answer<K> | Promise<Answer<K>>

const verbs = { GET: Get, POST: Post, PUT: Put, DELETE: Delete }

/**
 * Makes a method of a controller answer a route of the contract: address, status, rights and description follow from its
 * declaration, and the compiler holds what the method takes and gives against it.
 */
export function Handles<K extends RouteKey>(key: K) {
  const declared: Declared = routes[key]
  const [verb, address] = key.split(' ') as [keyof typeof verbs, string]
  return <T extends Handler<K>>(
    target: object,
    name: string | symbol,
    descriptor: TypedPropertyDescriptor<T>,
  ): void => {
    AskedOf()(target, name, 0)
    applyDecorators(
      verbs[verb](address),
      HttpCode(declared.status),
      // Refusals are kept nowhere, whatever was asked for: this is told with a good answer alone.
      ...(declared.keepable ? [Header('cache-control', 'private, no-cache')] : []),
      SetMetadata(ROUTE, key),
      ApiTags(declared.room),
      ApiOperation({ summary: declared.summary }),
      ...namesIn(address).map((each) => ApiParam({ name: each, schema: { type: 'string' } })),
      ...(declared.body ? [ApiBody({ schema: described(declared.body) })] : []),
      ...queries(declared.query),
      ApiResponse({
        status: declared.status,
        ...(declared.status === 204 ? {} : { schema: described(declared.answer) }),
      }),
    )(target, name, descriptor)
  }
}

/** The declaration of the route that a request has come to; undefined for the few that are no routes of the contract. */
export function declaredRoute(context: ExecutionContext): Declared | undefined {
  const key = Reflect.getMetadata(ROUTE, context.getHandler()) as RouteKey | undefined
  return key && routes[key]
}

const AskedOf = createParamDecorator((_: unknown, context: ExecutionContext) => {
  const request = context.switchToHttp().getRequest<Request & { person?: Person }>()
  const { body, query, unchecked } = declaredRoute(context)!
  return {
    body: unchecked ? request.body : body && checked(body, request.body),
    query: query && checked(query, request.query),
    path: request.params,
    me: request.person,
  }
})

const namesIn = (address: string) => [...address.matchAll(/:(\w+)/g)].map(([, name]) => name!)

/** A shape as OpenAPI 3.0 takes it: it is written in its words already. */
const described = (shape: Shape) => JSON.parse(JSON.stringify(shape)) as object

function queries(query: Shape | undefined): MethodDecorator[] {
  if (!query) return []
  const { properties, required = [] } = described(query) as {
    properties: Record<string, object>
    required?: string[]
  }
  return Object.entries(properties).map(([name, schema]) =>
    ApiQuery({ name, schema, required: required.includes(name) }),
  )
}
