import { fileURLToPath } from 'node:url'
import { warmUp } from './case/warm-up.ts'
import { createApp } from './create-app.ts'
import { endOn } from './database/start-fault.ts'
import { NetworkController } from './network/network.controller.ts'
import { FirstStartCode } from './people/first-start-code.ts'
import { PeopleService } from './people/people.service.ts'
import { isLoopback, settingsFrom } from './settings/server-settings.ts'

const builtWeb = fileURLToPath(new URL('../../web/dist', import.meta.url))
const settings = settingsFrom({ YENTRIK_WEB: builtWeb, ...process.env })
const app = await createApp(settings).catch(endOn)
await warmUp()
await app.listen(settings.port, settings.host)
if (await app.get(PeopleService).isFirstStart())
  console.log(
    `First start. From another machine the lab is begun with the code ${app.get(FirstStartCode).code}`,
  )
const { certificate } = app.get(NetworkController).state()
if (certificate) console.log(`Its certificate has the fingerprint ${certificate.fingerprint}`)
else if (!isLoopback(settings.host))
  console.log(
    'It answers in plain http: passphrases and cases can be read along in the network. See docs/running-a-lab.md.',
  )
console.log(`Yentrik is at ${await app.getUrl()} with the data in ${settings.dataFile}`)
