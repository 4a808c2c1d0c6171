import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Maker } from '@/server/makers';
import type { Project } from '@/server/projects';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, refused, sheetOf } from '@/ui/testing';
import { BoughtLabels } from './BoughtLabels';
import { PRINTER_CHANNEL } from './labelPrinter';
import { PrinterPanel } from './PrinterPanel';
import { PrinterStandIn } from './PrinterStandIn';

const { bag, bagMark } = sheetOf('star');
const blocks = [{ id: 'b', name: 'Star', bag, bagMark, saved: '' }];
const makers: Maker[] = ['Ann', 'Bea', 'Cy'].map((name) => ({ id: name, name, hasLink: true, skips: [], ...PLAIN_MAKER })); // prettier-ignore

/** Windows of one browser: what one says all others hear, unless the line is cut. */
let isCut = false;
class Channel extends EventTarget {
  static readonly all = new Set<Channel>();
  constructor(readonly name: string) {
    super();
    Channel.all.add(this);
  }
  postMessage(data: unknown): void {
    if (isCut) return;
    for (const other of Channel.all)
      if (other !== this && other.name === this.name) queueMicrotask(() => other.dispatchEvent(new MessageEvent('message', { data }))); // prettier-ignore
  }
  close(): void {
    Channel.all.delete(this);
  }
}

beforeEach(() => {
  isCut = false;
  Channel.all.clear();
  vi.useFakeTimers();
  vi.stubGlobal('BroadcastChannel', Channel);
});
afterEach(() => vi.unstubAllGlobals());

const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
const out = () =>
  screen.queryAllByRole('listitem').map((one) => /Ann|Bea|Cy/.exec(one.textContent ?? '')?.[0]);

test('labels come out once, in their order: over a jam, an empty roll, a lost answer and a pulled plug', async () => {
  render(
    <>
      <PrinterPanel project={{ id: 'p', unitSystem: 'inch' } as Project} blocks={blocks} makers={makers} />
      <PrinterStandIn />
    </>,
  );
  await after(10);
  const set = (state: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'The printer is' }));
    fireEvent.click(screen.getByRole('option', { name: state }));
  };
  const roll = (count: number) => fireEvent.change(screen.getByRole('textbox', { name: 'Labels on the roll' }), { target: { value: String(count) } }); // prettier-ignore
  set('jammed');
  await after(500);
  fireEvent.click(screen.getByRole('button', { name: '3 labels to the label printer', hidden: true }));
  await after(50);
  expect(screen.getByText(/3 labels wait: the printer is jammed/)).toBeTruthy();
  roll(1);
  set('ready');
  await after(4500);
  expect(out()).toEqual(['Ann']);
  expect(screen.getByText(/2 labels wait: the printer has run out of labels/)).toBeTruthy();
  roll(5);
  set('unplugged: it hears nothing');
  await after(6500);
  expect(screen.getByText(/2 labels wait: no printer answers/)).toBeTruthy();
  set('ready');
  await after(6500);
  expect(out()).toEqual(['Cy', 'Bea', 'Ann']);
  expect(screen.queryByText(/labels? waits?/)).toBeNull();
  // An answer that was lost: sent again, it does not come out again.
  const [first] = JSON.parse(localStorage.getItem('kevlo-label-printer-out') ?? '[]') as {
    id: string;
    label: object;
  }[];
  const answers: unknown[] = [];
  const listener = new Channel(PRINTER_CHANNEL);
  listener.addEventListener('message', (event) => answers.push((event as MessageEvent).data));
  listener.postMessage({
    format: 'kevlo.label-printer/1',
    kind: 'print',
    id: first?.id,
    label: first?.label,
  });
  await after(20);
  expect(answers).toMatchObject([{ kind: 'printed', id: first?.id }]);
  expect(out()).toHaveLength(3);
});

test('the figures of a sheet are remembered; those that cannot be are said, and nothing is printed by them', async () => {
  vi.useRealTimers();
  const { unmount } = render(<BoughtLabels projectId="p" labels={30} mayEdit={false} />);
  expect(screen.getByText('24 labels a sheet, 2 sheets.')).toBeTruthy();
  const field = (name: string) => screen.getByRole('textbox', { name });
  fireEvent.change(field('Labels down'), { target: { value: '7' } });
  expect(await screen.findByText('21 labels a sheet, 2 sheets.')).toBeTruthy();
  const link = () => screen.getByRole('link', { name: '30 labels on bought sheets (PDF)' });
  expect(new URL(link().getAttribute('href')!, 'http://x').searchParams.get('rows')).toBe('7');
  fireEvent.change(field('Label to label down, mm'), { target: { value: '30' } });
  expect(await screen.findByText(/Labels lie over each other from top to bottom/)).toBeTruthy();
  expect(link().getAttribute('aria-disabled')).toBe('true');
  fireEvent.change(field('Label to label down, mm'), { target: { value: '38,1' } });
  await waitFor(() => expect(screen.queryByText(/lie over each other/)).toBeNull());
  // Twelve are gone from the first sheet of 21: 42 places, which is two sheets; one more, and it is three. None may be gone again.
  const used = (text: string) =>
    fireEvent.change(field('Used on the first sheet'), { target: { value: text } });
  used('12');
  expect(screen.getByText('21 labels a sheet, 2 sheets.')).toBeTruthy();
  used('13');
  expect(screen.getByText('21 labels a sheet, 3 sheets.')).toBeTruthy();
  used('0');
  expect(new URL(link().getAttribute('href')!, 'http://x').searchParams.get('used')).toBe('0');
  unmount();
  render(<BoughtLabels projectId="p" labels={30} mayEdit={false} />);
  expect((field('Labels down') as HTMLInputElement).value).toBe('7');
});

test('cards with the codes of makers’ pages are the host’s to print: they come as a file, and a refusal is said', async () => {
  vi.useRealTimers();
  const saved: string[] = [];
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    saved.push(this.download);
  });
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:1', revokeObjectURL: () => undefined }));
  const answers = [refused(409, 'busy'), new Response('%PDF')];
  const asked = answering({ 'POST /api/projects/p/bags/print': () => answers.shift() });
  const { unmount } = render(<BoughtLabels projectId="p" labels={30} mayEdit={false} />);
  expect(screen.queryByRole('button', { name: /code of their page/ })).toBeNull();
  unmount();
  render(<Notices><BoughtLabels projectId="p" labels={30} mayEdit /></Notices>);
  const press = async () => fireEvent.click(await screen.findByRole('button', { name: /code of their page/ }));
  await press();
  expect(await screen.findByText(/Refused: busy/)).toBeTruthy();
  expect(saved).toEqual([]);
  await press();
  await waitFor(() => expect(saved).toEqual(['bag cards.pdf']));
  expect(asked).toHaveLength(2);
}); // prettier-ignore
