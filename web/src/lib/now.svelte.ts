/** The clock of the page, set by the server's: one tick for everything that counts down. */
class Now {
  #offset = 0;
  value = $state(Date.now());

  constructor() {
    setInterval(() => (this.value = Date.now() + this.#offset), 250);
  }

  /** Take the server's moment as the right one. */
  set(serverMoment: string): void {
    this.#offset = Date.parse(serverMoment) - Date.now();
    this.value = Date.parse(serverMoment);
  }

  iso(): string {
    return new Date(Date.now() + this.#offset).toISOString();
  }
}

export const now = new Now();
