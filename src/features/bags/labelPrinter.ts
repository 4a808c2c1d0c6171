/** Over this, windows of one browser talk to a label printer: jobs to it, and what became of them back. */
export const PRINTER_CHANNEL = 'kevlo-label-printer';
export const PRINTER_FORMAT = 'kevlo.label-printer/1';

/** One label to print; its id tells it from others, so that it is printed once however often it is sent. */
export interface LabelJob {
  readonly format: typeof PRINTER_FORMAT;
  readonly kind: 'print';
  readonly id: string;
  readonly label: PrintedLabel;
}

/** What a printer says of a job: it came out (now or before), or why it waits. */
export type PrinterAnswer = { readonly format: typeof PRINTER_FORMAT; readonly id: string } & (
  { readonly kind: 'printed' } | { readonly kind: 'waits'; readonly why: string }
);

/** What stands on a label. */
export interface PrintedLabel {
  readonly block: string;
  readonly maker: string;
  readonly code: string;
  readonly lines: readonly string[];
}

/** A printer that has not answered after so long is not there, ms. */
const ANSWER_MS = 1500;

/** Sends a job and waits for what becomes of it. @returns why it waits; nothing where it came out */
export function printLabel(id: string, label: PrintedLabel): Promise<string | undefined> {
  return new Promise((resolve) => {
    const channel = new BroadcastChannel(PRINTER_CHANNEL);
    const end = (why: string | undefined) => {
      clearTimeout(timer);
      channel.close();
      resolve(why);
    };
    const timer = setTimeout(() => end('No printer answers'), ANSWER_MS);
    channel.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      const { format, id: own, kind, ...rest } = (data ?? {}) as Partial<PrinterAnswer>;
      if (format !== PRINTER_FORMAT || own !== id) return;
      if (kind === 'printed') end(undefined);
      else if (kind === 'waits') end(String((rest as { why?: string }).why ?? 'The printer waits'));
    });
    channel.postMessage({ format: PRINTER_FORMAT, kind: 'print', id, label } satisfies LabelJob);
  });
}

/** Whether something that came over the channel is a job. */
export function isJob(data: unknown): data is LabelJob {
  const { format, kind, id, label } = (data ?? {}) as Partial<LabelJob>;
  return format === PRINTER_FORMAT && kind === 'print' && typeof id === 'string' && typeof label === 'object';
}
