/**
 * What was worked out of a value that never changes, kept with it and gone with it. One answer a question: the newest things
 * that it was asked about, compared by identity.
 */
export class Memo {
  readonly #known = new Map<string, { on: readonly unknown[]; value: unknown }>()

  of<Value>(what: string, on: readonly unknown[], work: () => Value): Value {
    const known = this.#known.get(what)
    if (known && known.on.length === on.length && known.on.every((each, i) => Object.is(each, on[i])))
      return known.value as Value
    const value = work()
    this.#known.set(what, { on, value })
    return value
  }
}
