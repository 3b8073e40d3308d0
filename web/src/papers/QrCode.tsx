import { toString as qrSvg } from 'qrcode'
import { useEffect, useState } from 'react'

/** A QR code as a drawing, for paper; the text stands beside it wherever it is used. */
export function QrCode({ text, className }: { text: string; className: string }) {
  const [picture, setPicture] = useState('')
  useEffect(() => {
    let current = true
    void qrSvg(text, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' }).then((svg) => {
      if (current) setPicture(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`)
    })
    return () => {
      current = false
    }
  }, [text])
  return <img src={picture || undefined} alt={`QR code: ${text}`} className={className} />
}
