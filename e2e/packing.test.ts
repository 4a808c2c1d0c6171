import { rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { create } from 'qrcode';
import { By, Key } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe, generate } from '@/core/generate';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** Packing by two at one table: a bag in hand, taken over, a scanner, a connection that is lost, a second look. */
let application: Application;
let host: Browser;
let helper: Browser;
let table = '';
let codes: string[] = [];

beforeAll(async () => {
  application = await Application.shared();
  const [base = ''] = application.addresses;
  [host, helper] = await Promise.all([Browser.open(base), Browser.open(base, 820, 1180)]);
  const project = await host.beginProject('host@packing.example', 'a long password', 'Packed');
  await host.addBlock(project, 'Star', generate(defaultRecipe('star')));
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann\nBea');
  await host.press('Add 2 makers');
  await host.see('Shown this once');
  await host.go(`${project}/people`);
  await host.press('Make an invitation link');
  await host.see('it lets one in, once');
  const link = await host.driver.executeScript<string>(
    "return [...document.querySelectorAll('label')].find((one) => one.textContent.startsWith('Invitation link')).parentElement.querySelector('input').value",
  );
  await helper.go(link);
  await helper.fill('Your name', 'Hella Helper');
  await helper.fill('E-mail address', 'hella@packing.example');
  await helper.fill('Password', 'another long one');
  await helper.press('Make my account and join');
  await helper.see('Today', '//h2/..');
  table = `${project}/bags/pack`;
  await host.go(`${project}/bags/scanner`);
  await host.see('Star, Bea');
  codes = [...(await host.text()).matchAll(/Star, \w+ · (\S{11})/g)].map(([, code = '']) => code);
  expect(codes).toHaveLength(2);
});

afterAll(async () => {
  await Promise.all([host?.close(), helper?.close()]);
});

/** Cuts the page off from the server, or lets it through again. */
const cut = (browser: Browser, isCut: boolean) =>
  browser.driver.executeScript(
    isCut
      ? 'window.wayOut = window.fetch; window.fetch = () => Promise.reject(new TypeError("offline"))'
      : 'window.fetch = window.wayOut; window.dispatchEvent(new Event("online"))',
  );

/** Types as a hand scanner does: wherever the focus is. */
const scan = (browser: Browser, code: string) => browser.driver.actions().sendKeys(code, '\n').perform();

test('one packs, the other sees it in their hands; scanned and counted in, cut off and back, it is packed once', async () => {
  await Promise.all([host.go(table), helper.go(table)]);
  await host.see('0 of 2 bags packed.');
  expect(await host.faults()).toEqual([]);
  const [first = '', second = ''] = codes;
  await scan(host, first.replaceAll('-', ''));
  await host.see('Not yet:');
  expect(await host.faults()).toEqual([]);
  await helper.see('’s hands');
  await scan(helper, second.toLowerCase());
  await helper.see('Not yet:');
  await cut(helper, true);
  for (const _ of Array(20)) {
    const isLeft = await helper.driver.executeScript<boolean>(
      "const all = [...document.querySelectorAll('button')].find((one) => (one.getAttribute('aria-label') ?? '').startsWith('All ') && !one.disabled); all?.click(); return !!all",
    );
    if (!isLeft) break;
  }
  await helper.see('wait on this device for a connection');
  await helper.press('All in: close this bag');
  // The host does not know yet, and may not be told that it is packed.
  expect(await host.text()).not.toContain('1 of 2 bags packed.');
  await cut(helper, false);
  await helper.gone('for a connection');
  await host.press('Leave it as it is');
  await host.see('1 of 2 bags packed.');
  // A second person looks into it, brought up by the scanner stand-in.
  const here = await host.driver.getWindowHandle();
  await host.driver.switchTo().newWindow('tab');
  await host.go(table.replace('/pack', '/scanner'));
  expect(await host.faults()).toEqual([]);
  await host.fill('Find a bag, or type a code', second);
  await host.press('Send as typed');
  await host.see('Sent:');
  await host.driver.close();
  await host.driver.switchTo().window(here);
  await host.see('A second person counts again');
  await host.press('It is right');
  await host.see('looked into by');
});

test('a bag is taken over when that is said; codes that are none lose nothing', async () => {
  await scan(helper, codes[0] ?? '');
  await helper.see('Leave it as it is');
  await scan(host, codes[0] ?? '');
  await host.see('Hella Helper has this bag in hand.');
  await scan(host, '12345');
  await host.see('was not read right');
  await host.press('Take it over');
  await host.gone('has this bag in hand');
  await helper.see('has this bag in hand.');
});

test('a code is read by the camera of the device; without a camera it is said what to do', async () => {
  const film = path.join(tmpdir(), `kevlo-label-${process.pid}.y4m`);
  writeFileSync(film, filmOf(codes[1] ?? ''));
  const [base = ''] = application.addresses;
  const phone = await Browser.open(base, 820, 1180, [
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-video-capture=${film}`,
  ]);
  try {
    await phone.signIn('hella@packing.example', 'another long one');
    await phone.go(table);
    await phone.press('Read codes by camera');
    await phone.see('Star, Bea', '//h3/..');
    await phone.press('Camera off');
    await phone.gone('Hold the square code');
  } finally {
    await phone.close();
    rmSync(film);
  }
  await host.press('Read codes by camera');
  await host.see('Type the code');
});

/** A film of a label's square code, as a camera would send it: grey, each dot eight pixels wide, with the quiet zone round it. */
function filmOf(code: string): Buffer {
  const { modules } = create(code, { errorCorrectionLevel: 'M' });
  const side = 8 * (modules.size + 8);
  const light = Buffer.alloc(side * side, 235);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const [row, column] = [Math.floor(y / 8) - 4, Math.floor(x / 8) - 4];
      const isDot = row >= 0 && column >= 0 && row < modules.size && column < modules.size;
      if (isDot && modules.get(row, column)) light[y * side + x] = 16;
    }
  const frame = Buffer.concat([Buffer.from('FRAME\n'), light, Buffer.alloc(side * side * 0.5, 128)]);
  return Buffer.concat([Buffer.from(`YUV4MPEG2 W${side} H${side} F10:1 Ip A1:1 C420jpeg\n`), ...Array<Buffer>(10).fill(frame)]); // prettier-ignore
}

test('labels come out of the printer stand-in, once; the packed bag is handed over by post and its receipt stands there', async () => {
  const here = await host.driver.getWindowHandle();
  await host.driver.switchTo().newWindow('tab');
  await host.go(table.replace('/pack', '/printer'));
  await host.see('0 labels came out.');
  expect(await host.faults()).toEqual([]);
  const printer = await host.driver.getWindowHandle();
  await host.driver.switchTo().window(here);
  await host.go(table.replace('/pack', '/print'));
  await host.see('Figures as they stand on the packet');
  expect(await host.faults()).toEqual([]);
  await host.press('2 labels to the label printer');
  await host.driver.switchTo().window(printer);
  await host.see('2 labels came out.');
  await host.see(codes[0] ?? '');
  await host.driver.close();
  await host.driver.switchTo().window(here);
  await host.go(table.replace('/pack', '/hand'));
  await host.see('1 maker with packed bags.');
  expect(await host.faults()).toEqual([]);
  await host.press('Hand over 1 bag');
  await host.see('No packed bag waits for its maker.');
  await host.see('at the counter');
  await host.press('Take back:');
  await host.see('1 maker with packed bags.');
});

test('places of the shelf are put in their order by keys: kept, and the pick list walks along it', async () => {
  const places = () => host.driver.executeScript<string[]>("return [...document.querySelectorAll('[aria-label=\"Places along the shelf\"] li')].map((one) => one.textContent.replace('≡', ''))"); // prettier-ignore
  const open = async () => {
    await host.go(table.replace('/pack', ''));
    await host.openTab('Pick list');
    await host.press('Order of the shelf');
    await host.see('Drag a place');
  };
  await open();
  expect(await host.faults()).toEqual([]);
  const before = await places();
  const [, second] = await host.driver.findElements(By.css('[aria-label="Places along the shelf"] [role=button]')); // prettier-ignore
  await host.driver.executeScript('arguments[0].focus()', second);
  for (const key of [' ', Key.ARROW_UP, ' ']) {
    await host.driver.actions().sendKeys(key).perform();
    await new Promise((resolve) => setTimeout(resolve, 300));
  }
  const after = [before[1], before[0], ...before.slice(2)];
  await host.driver.wait(async () => JSON.stringify(await places()) === JSON.stringify(after), PATIENCE_MS);
  await host.openTab('How bags are made');
  await host.see('Saved');
  expect(await host.faults()).toEqual([]);
  await open();
  expect(await places()).toEqual(after);
});
