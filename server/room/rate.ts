/** How often something may be done within a minute, by who does it. */
export class Rate {
  readonly #most: number;
  #minute = 0;
  #counts = new Map<string, number>();

  constructor(most: number) {
    this.#most = most;
  }

  allows(who: string, now: Date, count = 1): boolean {
    const minute = Math.floor(now.getTime() / 60_000);
    // Counts of minutes that are over are worth nothing, so that nothing grows.
    if (minute !== this.#minute) {
      this.#minute = minute;
      this.#counts = new Map();
    }
    const next = (this.#counts.get(who) ?? 0) + count;
    if (next > this.#most) return false;
    this.#counts.set(who, next);
    return true;
  }
}
