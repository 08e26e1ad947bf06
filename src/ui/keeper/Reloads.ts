/** Somebody who wants what the page shows loaded anew. */
export interface Wish {
  /** Called when the server is there and is about to read its records. */
  readonly whenBegun?: (() => void) | undefined;
  /** Called once the page shows it, or when the server was not there for it. */
  readonly whenOver: () => void;
}

/**
 * What a page shows is loaded anew by one at a time: whoever wants it meanwhile is served together by the next.
 * A page that is opened waits for those before it, so that each one less is a quicker page.
 */
export class Reloads {
  private next: Wish[] = [];
  private served: readonly Wish[] | null = null;
  private isLoading = false;

  /** `isThere` asks whether the server answers; `load` begins to load, and `loaded` is called when that is over. */
  constructor(
    private readonly isThere: () => Promise<boolean>,
    private readonly load: () => void,
  ) {}

  /** Loads anew for one more: now, or after what is under way, which may have read the records too early for it. */
  ask(wish: Wish): void {
    this.next.push(wish);
    void this.begin();
  }

  /** The page shows what was loaded. */
  loaded(): void {
    if (this.isLoading) this.end();
  }

  private async begin(): Promise<void> {
    if (this.served !== null || this.next.length === 0) return;
    const wishes = this.next;
    this.next = [];
    this.served = wishes;
    if (!(await this.isThere())) return this.end();
    for (const { whenBegun } of wishes) whenBegun?.();
    this.isLoading = true;
    this.load();
  }

  private end(): void {
    const over = this.served ?? [];
    this.served = null;
    this.isLoading = false;
    for (const { whenOver } of over) whenOver();
    void this.begin();
  }
}
