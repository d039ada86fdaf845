/**
 * What was worked out of a value that never changes, kept with it and gone with it. One answer a question: the newest things
 * that it was asked about, compared by identity.
 */
export class Memo {
  readonly #known = new Map<string, { on: readonly unknown[]; value: unknown }>()

  has(what: string, on: readonly unknown[]): boolean {
    const known = this.#known.get(what)
    return known?.on.length === on.length && known.on.every((each, i) => Object.is(each, on[i]))
  }

  of<Value>(what: string, on: readonly unknown[], work: () => Value): Value {
    if (this.has(what, on)) return this.#known.get(what)!.value as Value
    const value = work()
    this.#known.set(what, { on, value })
    return value
  }
}
