/** The clock of the page, set by the server's and running at its speed: one tick for everything that counts down. */
class Now {
  #base = Date.now();
  #set = Date.now();
  speed = $state(1);
  value = $state(Date.now());

  constructor() {
    setInterval(() => (this.value = this.#now()), 250);
  }

  #now(): number {
    return this.#base + (Date.now() - this.#set) * this.speed;
  }

  /** Take the server's moment as the right one. */
  set(serverMoment: string, speed = 1): void {
    this.#base = Date.parse(serverMoment);
    this.#set = Date.now();
    this.speed = speed;
    this.value = this.#base;
  }

  iso(): string {
    return new Date(this.#now()).toISOString();
  }
}

export const now = new Now();
