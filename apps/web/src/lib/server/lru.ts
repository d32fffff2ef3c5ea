/** The values used last, and no more of them than asked for. */
export class LRU<Value> {
  readonly #most: number;
  readonly #values = new Map<string, Value>();

  constructor(most: number) {
    this.#most = most;
  }

  has(key: string): boolean {
    return this.#values.has(key);
  }

  get(key: string): Value | undefined {
    const value = this.#values.get(key);
    if (value === undefined) return undefined;
    this.#values.delete(key);
    this.#values.set(key, value);
    return value;
  }

  set(key: string, value: Value): void {
    this.#values.delete(key);
    this.#values.set(key, value);
    if (this.#values.size <= this.#most) return;
    const [oldest] = this.#values.keys();
    if (oldest !== undefined) this.#values.delete(oldest);
  }
}
