import { fileURLToPath } from 'node:url'
import { createApp } from './create-app.ts'
import { endOn } from './database/start-fault.ts'
import { FirstStartCode } from './people/first-start-code.ts'
import { PeopleService } from './people/people.service.ts'
import { settingsFrom } from './settings/server-settings.ts'

const builtWeb = fileURLToPath(new URL('../../web/dist', import.meta.url))
const settings = settingsFrom({ YENTRIK_WEB: builtWeb, ...process.env })
const app = await createApp(settings).catch(endOn)
await app.listen(settings.port, settings.host)
if (await app.get(PeopleService).isFirstStart())
  console.log(
    `First start. From another machine the lab is begun with the code ${app.get(FirstStartCode).code}`,
  )
console.log(`Yentrik is at ${await app.getUrl()} with the data in ${settings.dataFile}`)
