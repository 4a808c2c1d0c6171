/** A stream of changes as the server would send it, opened by the page and fed by a test. */
export class FakeStream extends EventTarget {
  static readonly CLOSED = 2;
  static readonly OPEN = 1;
  static #open: FakeStream[] = [];
  readyState: number = FakeStream.OPEN;

  constructor(readonly url: string) {
    super();
    FakeStream.#open.push(this);
  }

  close(): void {
    this.readyState = FakeStream.CLOSED;
    FakeStream.#open = FakeStream.#open.filter((one) => one !== this);
  }

  /** Tells every open page of a project that something of a kind changed. */
  static tell(kind: string): void {
    for (const one of FakeStream.#open) one.dispatchEvent(new MessageEvent('change', { data: kind }));
  }

  /** Addresses that pages listen to. */
  static get addresses(): string[] {
    return FakeStream.#open.map(({ url }) => url);
  }

  /** The server turns all pages away, as one that is just starting does. */
  static refuse(): void {
    for (const one of FakeStream.#open) {
      one.readyState = FakeStream.CLOSED;
      one.dispatchEvent(new Event('error'));
    }
  }

  static closeAll(): void {
    FakeStream.#open = [];
  }
}
