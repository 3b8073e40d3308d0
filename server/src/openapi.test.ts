import 'reflect-metadata'
import SwaggerParser from '@apidevtools/swagger-parser'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { type Document, OpenAPIClientAxios } from 'openapi-client-axios'
import { intake, TestServer } from './testing/test-server.ts'

let server: TestServer
let document: Document
beforeAll(async () => {
  server = await TestServer.open()
  document = (await server.get('/openapi.json').expect(200)).body
})
afterAll(() => server.close())

describe('the OpenAPI document', () => {
  it('is valid, and every reference in it leads somewhere', async () => {
    const whole = await SwaggerParser.validate(structuredClone(document) as never)
    expect(Object.keys(whole.paths ?? {}).length).toBeGreaterThan(60)
    expect(JSON.stringify(whole)).not.toContain('"$ref"')
  })
  it('names every operation by a name of its own', () => {
    const paths = document.paths as Record<string, Record<string, { readonly operationId: string }>>
    const names = Object.values(paths).flatMap((path) =>
      Object.values(path).map(({ operationId }) => operationId),
    )
    expect(new Set(names).size).toBe(names.length)
  })
  it('is enough to make a client of, which takes a case in, works on it and reads it', async () => {
    const url = (await server.app.getUrl()).replace('[::1]', '127.0.0.1')
    const client = await new OpenAPIClientAxios({
      definition: structuredClone(document),
      axiosConfigDefaults: { baseURL: url, adapter: 'fetch', headers: { cookie: server.cookie } },
    }).init()
    const { data: taken } = await client.CasesController_receive!(undefined, intake())
    const command = { type: 'note', text: 'by another program' }
    const stored = await client.CasesController_command!(taken.caseId, { seen: 1, command })
    expect(stored.status).toBe(201)
    const { data: record } = await client.CasesController_record!(taken.caseId)
    expect(record.events.map(({ type }: { type: string }) => type)).toEqual(['caseReceived', 'noted'])
  })
})
