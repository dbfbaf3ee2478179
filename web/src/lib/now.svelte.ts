/**
 * The clock of the page, set by the server's and running at its speed: one tick for everything that counts down. What
 * passes in between is told by a clock that nobody sets.
 */
class Now {
  #base = Date.now();
  #set = performance.now();
  speed = $state(1);
  value = $state(Date.now());

  constructor() {
    setInterval(() => (this.value = this.#now()), 250);
  }

  #now(): number {
    return this.#base + (performance.now() - this.#set) * this.speed;
  }

  /** Take the server's moment as the right one. */
  set(serverMoment: string, speed = 1): void {
    this.#base = Date.parse(serverMoment);
    this.#set = performance.now();
    this.speed = speed;
    this.value = this.#base;
  }

  iso(): string {
    return new Date(this.#now()).toISOString();
  }
}

export const now = new Now();
