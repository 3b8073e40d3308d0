import { useAnswer } from '../live/queries.ts'
import { Message } from '../parts/Message.tsx'

/** How other machines reach the lab, and what they must be told once. */
export function NetworkPanel() {
  const { data: network } = useAnswer('GET /network')
  if (!network) return null
  const { certificate, names } = network
  const others = names.filter((name) => !/^(localhost|127\.|\[?::1)/.test(name))
  return (
    <section className="card-flat grid gap-3 p-6" aria-label="Network">
      <h2 className="text-xl font-semibold">Network</h2>
      <p>
        {others.length > 0
          ? `Other machines reach the lab as ${others.join(', ')}.`
          : 'Only this machine reaches the lab.'}
      </p>
      {certificate ? (
        <>
          <Message tone="good">
            {certificate.kind === 'files'
              ? 'Connections are encrypted, with the certificate of the lab.'
              : 'Connections are encrypted, with a certificate that the server made.'}
          </Message>
          <div>
            <p className="font-semibold">Fingerprint (SHA-256)</p>
            <p className="figures font-mono text-sm break-all">{certificate.fingerprint}</p>
          </div>
          {certificate.kind === 'own' && (
            <>
              <ol className="list-decimal pl-5">
                <li>
                  Open this page on the other machine. It warns: that is right, it does not know the lab yet.
                </li>
                <li>Compare the fingerprint that it shows with this one, letter by letter.</li>
                <li>Keep the certificate there and trust it in the settings of that machine.</li>
              </ol>
              <a className="act justify-self-start" href="/api/certificate.pem" download>
                Certificate for another machine
              </a>
            </>
          )}
        </>
      ) : (
        others.length > 0 && (
          <Message tone="warning">
            Connections are not encrypted: passphrases and cases can be read along in this network. Start the
            server with YENTRIK_TLS=own; the page Running a lab says how.
          </Message>
        )
      )}
    </section>
  )
}
