/** Asked while it runs, not when it was built: one build serves `make demo`, `make start` and `make phone`. */
export const dynamic = 'force-dynamic'

/**
 * How this server was started: whether an empty device begins with the demo kit (`HUMBRA_START=demo`) or with the welcome, and by
 * which addresses phones reach it (`HUMBRA_ADDRESSES`, with blanks between).
 */
export function GET(): Response {
  const { HUMBRA_START, HUMBRA_ADDRESSES = '' } = process.env
  return Response.json({
    demo: HUMBRA_START === 'demo',
    addresses: HUMBRA_ADDRESSES.split(/\s+/).filter(Boolean),
  })
}
