import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { bagCode, sayCode } from '@/core/packing';
import { CameraReader } from './CameraReader';
import { ScaleStandIn } from './ScaleStandIn';
import { ScannerStandIn } from './ScannerStandIn';
import { SCALE_CHANNEL } from './useScale';
import { SCANNER_CHANNEL, useScanner } from './useScanner';

const id = (last: string) => `00000000-0000-4000-8000-00000000000${last}`;
const bags = Array.from({ length: 61 }, (_, i) => ({ blockId: id('1'), makerId: `${id('2').slice(0, -2)}${String(i).padStart(2, '0')}`, block: i < 60 ? 'Star' : 'Wake', maker: `Maker ${i}` })); // prettier-ignore
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const channels: BroadcastChannel[] = [];
const hear = (name: string) => {
  const heard: unknown[] = [];
  const channel = new BroadcastChannel(name);
  channels.push(channel);
  channel.addEventListener('message', ({ data }) => heard.push(data));
  return heard;
};
afterEach(() => channels.splice(0).forEach((channel) => channel.close()));

test('the scanner stand-in finds a bag by block or maker and sends its code, or what was typed', async () => {
  const heard = hear(SCANNER_CHANNEL);
  render(<ScannerStandIn bags={bags} />);
  const shown = () => screen.getAllByRole('button', { name: /^(Star|Wake), / });
  expect(shown()).toHaveLength(60);
  expect(screen.getByRole('status').textContent).toBe('');
  press('Send as typed');
  const field = screen.getByRole('textbox', { name: 'Find a bag, or type a code' });
  fireEvent.change(field, { target: { value: '  WAKE, maker 60 ' } });
  const [wake, ...others] = shown();
  const code = bagCode(bags[60]!.blockId, bags[60]!.makerId);
  expect([wake?.textContent, others]).toEqual([`Wake, Maker 60 · ${sayCode(code)}`, []]);
  fireEvent.click(wake!);
  expect(screen.getByRole('status').textContent).toBe(`Sent: ${code}`);
  fireEvent.change(field, { target: { value: 'torn label' } });
  fireEvent.submit(field.closest('form')!);
  await waitFor(() => expect(heard).toEqual([code, 'torn label']));
});

test('a scanner that types reaches its field from anywhere, but not what is typed elsewhere, nor keys that do something', async () => {
  const codes: string[] = [];
  function Table() {
    const field = useScanner((code) => codes.push(code));
    return <><input aria-label="Code" ref={field} /><input aria-label="Other" /><p>Text</p></>;
  }
  const { unmount } = render(<Table />);
  const code = screen.getByRole('textbox', { name: 'Code' });
  const key = (on: Element, name: string, more = {}) => fireEvent.keyDown(on, { key: name, ...more });
  const isOn = () => document.activeElement === code;
  key(screen.getByRole('textbox', { name: 'Other' }), '4');
  for (const name of ['Enter', ' ', 'ArrowDown']) key(document.body, name);
  for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }]) key(document.body, '4', more);
  expect(isOn()).toBe(false);
  key(screen.getByText('Text'), '4');
  expect(isOn()).toBe(true);
  const scanner = new BroadcastChannel(SCANNER_CHANNEL);
  channels.push(scanner);
  scanner.postMessage('ABC');
  await waitFor(() => expect(codes).toEqual(['ABC']));
  unmount();
  scanner.postMessage('late');
  await act(() => new Promise((resolve) => setTimeout(resolve, 60)));
  expect(codes).toEqual(['ABC']);
}); // prettier-ignore

test('the scale stand-in wanders with time, is tared, and begins at nothing again', async () => {
  vi.useFakeTimers({ now: 0 });
  vi.spyOn(Math, 'random').mockReturnValue(0.25);
  const type = (name: string, text: string) => fireEvent.change(screen.getByLabelText(name), { target: { value: text } }); // prettier-ignore
  const display = () => screen.getByRole('status').textContent;
  const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
  render(<ScaleStandIn papers={[{ name: 'square', areaMm2: 10_000 }]} />);
  expect(display()).toBe('…');
  for (const [name, text] of [['Spread of readings, g', '0'], ['Step of the display, g', '0.1'], ['Wanders in ten minutes, g', '2'], ['True weight of the card, g/m²', '200'], ['square', '3']] as const) type(name, text); // prettier-ignore
  // Three hundredths of a square metre of 200 g/m².
  await after(400);
  expect(display()).toBe('6.0 g');
  await after(300_000);
  expect(display()).toBe('7.0 g');
  press('Tare');
  await after(400);
  expect(display()).toBe('0.0 g');
  press('Empty and set to zero');
  await after(400);
  expect(display()).toBe('0.0 g');
  press('Empty and set to zero');
  await after(600_000);
  expect(display()).toBe('2.0 g');
  type('Step of the display, g', '0.5');
  await after(400);
  expect(display()).toBe('2.0 g');
  type('Step of the display, g', '2');
  await after(400);
  expect(display()).toBe('2 g');
});

test('a load is told to be at rest once it has lain for a while', async () => {
  const heard = hear(SCALE_CHANNEL) as { isStable: boolean }[];
  render(<ScaleStandIn papers={[{ name: 'square', areaMm2: 10_000 }]} />);
  await waitFor(() => expect(heard.length).toBeGreaterThan(3));
  const first = heard.findIndex(({ isStable }) => isStable);
  expect(first).toBeGreaterThan(0);
  expect(heard.slice(first).every(({ isStable }) => isStable)).toBe(true);
});

test.each([
  ['NotAllowedError', /not allowed for this page/],
  ['NotFoundError', /has no camera/],
  ['AbortError', /another program may have it/],
])('a camera that fails with %s is said, with what to do instead', async (name, says) => {
  vi.stubGlobal('navigator', {
    mediaDevices: { getUserMedia: () => Promise.reject(new DOMException('', name)) },
  });
  render(<CameraReader onCode={() => undefined} />);
  press('Read codes by camera');
  expect((await screen.findByRole('alert')).textContent).toMatch(says);
  expect(screen.queryByLabelText('What the camera sees')).toBeNull();
  press('Read codes by camera');
  expect(screen.queryByRole('alert')).toBeNull();
  await screen.findByRole('alert');
});

test('without HTTPS there is no camera, and that is said', async () => {
  vi.stubGlobal('navigator', {});
  render(<CameraReader onCode={() => undefined} />);
  press('Read codes by camera');
  expect((await screen.findByRole('alert')).textContent).toMatch(/only to pages behind HTTPS/);
});

test('the camera is let go when it is switched off', async () => {
  const stop = vi.fn();
  vi.stubGlobal('navigator', {
    mediaDevices: { getUserMedia: () => Promise.resolve({ getTracks: () => [{ stop }] }) },
  });
  vi.spyOn(HTMLMediaElement.prototype, 'play').mockResolvedValue();
  vi.spyOn(HTMLVideoElement.prototype, 'srcObject', 'set').mockImplementation(() => undefined);
  render(<CameraReader onCode={() => undefined} />);
  press('Read codes by camera');
  expect(screen.getByLabelText('What the camera sees')).toBeTruthy();
  await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
  expect(stop).not.toHaveBeenCalled();
  press('Camera off');
  await waitFor(() => expect(stop).toHaveBeenCalledOnce());
  expect(screen.queryByRole('alert')).toBeNull();
});
