/** A thing that is made when it is first asked for, and then is the same. */
export function once<Thing>(make: () => Thing): () => Thing {
  let made: { thing: Thing } | null = null
  return () => (made ??= { thing: make() }).thing
}
