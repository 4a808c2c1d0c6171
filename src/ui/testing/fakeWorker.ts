type Api = Readonly<Record<string, (...args: never[]) => unknown>>;

/** What every worker's code that was loaded says that it can do; their names differ. */
const exposed: Record<string, (...args: unknown[]) => unknown> = {};

/**
 * Stands in for background threads: what a worker can do is done by its own code in this thread, once a test has loaded that
 * (`await import('@/workers/…')`), or as a test says by `answers`.
 */
export class FakeWorker {
  /** What was asked of workers, in order. */
  static asked: { readonly name: string; readonly args: readonly unknown[] }[] = [];
  /** Workers that were put an end to. */
  static ended = 0;
  /** Nothing is ever answered. */
  static isSilent = false;
  static #own: Api = {};

  /** What workers say in this test instead of what they would work out. */
  static answers(own: Api): void {
    FakeWorker.#own = own;
  }

  static reset(): void {
    FakeWorker.asked = [];
    FakeWorker.ended = 0;
    FakeWorker.isSilent = false;
    FakeWorker.#own = {};
  }

  static ask(name: string, args: readonly unknown[]): unknown {
    FakeWorker.asked.push({ name, args });
    if (FakeWorker.isSilent) return new Promise(() => undefined);
    const does = FakeWorker.#own[name] ?? exposed[name];
    if (!does) throw new Error(`No worker that is loaded can “${name}”.`);
    return does(...(args as never[]));
  }

  terminate(): void {
    FakeWorker.ended += 1;
  }
}

/** Stands in for the library by which threads call each other. */
export const comlink = {
  expose: (api: object) => void Object.assign(exposed, api),
  proxy: (value: unknown) => value,
  wrap: () =>
    new Proxy(
      {},
      {
        get:
          (_, name: string) =>
          async (...args: unknown[]) =>
            FakeWorker.ask(name, args),
      },
    ),
};
