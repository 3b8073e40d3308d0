import { X509Certificate } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { generate } from 'selfsigned'
import { StartFault } from '../database/start-fault.ts'
import type { ServerSettings } from '../settings/server-settings.ts'
import { ownNames } from './own-site.ts'

const DAY = 86_400_000
/** Browsers take no certificate that is good for longer (CA/Browser Forum: 825 days, recalled). */
const GOOD_FOR_DAYS = 800
/** One that ends sooner is made anew at the start. */
const RENEW_BEFORE_DAYS = 60

/** What the server proves itself with. */
export interface Tls {
  readonly cert: string
  readonly key: string
  /** `files`: of the lab. `own`: made by the server itself; every machine must be told once to trust it. */
  readonly kind: 'files' | 'own'
  /** SHA-256, as browsers show it. */
  readonly fingerprint: string
}

/**
 * The certificate by the settings: files of the lab, or one of its own, kept beside the data file.
 * @returns undefined: plain http @throws {StartFault} when the files cannot be read or do not go together
 */
export async function tlsOf(settings: ServerSettings, now = Date.now()): Promise<Tls | undefined> {
  const { tls } = settings
  if (!tls) return undefined
  return tls === 'own' ? ownTls(settings, now) : filesTls(tls, now)
}

function filesTls(files: { readonly cert: string; readonly key: string }, now: number): Tls {
  try {
    const cert = readFileSync(files.cert, 'utf8')
    const key = readFileSync(files.key, 'utf8')
    const read = new X509Certificate(cert)
    if (Date.parse(read.validTo) < now) throw new Error(`it ended on ${read.validTo}`)
    return { cert, key, kind: 'files', fingerprint: read.fingerprint256 }
  } catch (error) {
    throw new StartFault(
      `The certificate ${files.cert} cannot be used: ${error instanceof Error ? error.message : String(error)}.`,
      'Look at YENTRIK_TLS_CERT and YENTRIK_TLS_KEY, or set YENTRIK_TLS=own for one that the server makes.',
    )
  }
}

async function ownTls(settings: ServerSettings, now: number): Promise<Tls> {
  const file = `${settings.dataFile}.certificate.pem`
  const keyFile = `${settings.dataFile}.certificate-key.pem`
  const names = [...ownNames(settings)].map((name) => name.replace(/^\[|\]$/g, ''))
  const kept = existsSync(file) && existsSync(keyFile) ? new X509Certificate(readFileSync(file)) : undefined
  if (!kept || !covers(kept, names, now)) {
    const made = await make(names, now)
    writeFileSync(keyFile, made.private, { mode: 0o600 })
    writeFileSync(file, made.cert)
  }
  const cert = readFileSync(file, 'utf8')
  return {
    cert,
    key: readFileSync(keyFile, 'utf8'),
    kind: 'own',
    fingerprint: new X509Certificate(cert).fingerprint256,
  }
}

/** Good for long enough, and for every name. */
function covers(kept: X509Certificate, names: readonly string[], now: number): boolean {
  return (
    Date.parse(kept.validTo) - now > RENEW_BEFORE_DAYS * DAY &&
    names.every((name) => (isIP(name) ? kept.checkIP(name) : kept.checkHost(name)) !== undefined)
  )
}

function make(names: readonly string[], now: number) {
  return generate([{ name: 'commonName', value: 'Yentrik of this lab' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    // A clock at a bench may be behind.
    notBeforeDate: new Date(now - DAY),
    notAfterDate: new Date(now + GOOD_FOR_DAYS * DAY),
    extensions: [
      // Phones only let a certificate be trusted that may stand at the beginning of a chain.
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyCertSign: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) =>
          isIP(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
        ),
      },
    ],
  })
}
