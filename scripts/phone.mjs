// Serves this network over https, so that a phone's browser opens its microphone: a certificate made on the spot for this
// computer's own addresses, which are printed with a code for the phone's camera. Nothing but the app itself is served.
import { createServer } from 'node:https'
import { networkInterfaces, hostname } from 'node:os'
import next from 'next'
import QRCode from 'qrcode'
import selfsigned from 'selfsigned'

const PORT = Number(process.env.PORT ?? 3443)
const DAYS = 30
/** Type numbers of names in a certificate (RFC 5280, 4.2.1.6): DNS name and IP address. */
const DNS_NAME = 2
const IP_ADDRESS = 7

const network = Object.values(networkInterfaces())
  .flat()
  .filter(({ family, internal }) => family === 'IPv4' && !internal)
  .map(({ address }) => address)
const ips = [...network, '127.0.0.1']
const names = ['localhost', hostname()]
const ends = new Date(Date.now() + DAYS * 86_400_000)
const { private: key, cert } = await selfsigned.generate(
  [{ name: 'commonName', value: 'Humbra on this network' }],
  {
    keySize: 2048,
    algorithm: 'sha256',
    notAfterDate: ends,
    extensions: [
      { name: 'basicConstraints', cA: false },
      {
        name: 'subjectAltName',
        altNames: [
          ...names.map((value) => ({ type: DNS_NAME, value })),
          ...ips.map((ip) => ({ type: IP_ADDRESS, ip })),
        ],
      },
    ],
  },
)
const addresses = (network.length ? network : ['localhost']).map((host) => `https://${host}:${PORT}`)
process.env.HUMBRA_ADDRESSES = addresses.join(' ')

const app = next({ dev: false, hostname: 'localhost', port: PORT })
await app.prepare()
const handle = app.getRequestHandler()
const server = createServer({ key, cert }, (request, response) => void handle(request, response))
server.on('error', (error) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${PORT} is taken by another program. Try another: PORT=3444 make phone`
      : `The network cannot be served: ${error.message}`,
  )
  process.exit(1)
})
server.listen(PORT, async () => {
  console.log('Humbra serves this network. On the phone, in the same network, open:')
  for (const address of addresses) console.log(`  ${address}`)
  console.log(
    await QRCode.toString(addresses[0], { type: 'terminal', small: true, errorCorrectionLevel: 'L' }),
  )
  console.log(
    'The phone will say that it does not know this computer: its certificate was made here just now, and',
  )
  console.log(
    'nobody vouches for it. Go on all the same. Then it asks for the microphone. What you read stays on the phone.',
  )
  console.log('Stop with Ctrl+C.')
})
