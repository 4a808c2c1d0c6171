import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { hexagonMosaic } from '@/core/testing';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** Chromium against two server processes on one database, as host and maker meet it. */
let application: Application;
let host: Browser;
let phone: Browser;
let project = '';
let makerLink = '';
const scratch = mkdtempSync(path.join(tmpdir(), 'kevlo-walk-'));

const STAR = path.join(process.cwd(), 'demo/blocks/star-chart.svg');
const FAULTY = path.join(process.cwd(), 'e2e/faulty.svg');

beforeAll(async () => {
  application = await Application.shared();
  [host, phone] = await Promise.all([
    Browser.open(application.addresses[0] ?? ''),
    Browser.open(application.addresses[1] ?? '', 390, 844),
  ]);
});

afterAll(async () => {
  await Promise.all([host?.close(), phone?.close()]);
  rmSync(scratch, { recursive: true, force: true });
});

async function choose(file: string): Promise<void> {
  const input = await host.driver.wait(until.elementLocated(By.css('input[type=file]')), PATIENCE_MS);
  await input.sendKeys(file);
}

async function expectAccessible(browser: Browser, screen: string): Promise<void> {
  expect(await browser.faults(), screen).toEqual([]);
}

test('an empty installation makes its first host, keeping what was typed when it is refused', async () => {
  await host.go('/');
  await host.see('The first host');
  await host.fill('Your name', 'Test Host');
  await host.fill('E-mail address', 'host@test.example');
  await host.fill('Password', 'short');
  await host.press('Make the account');
  await host.see('Correct it');
  const typed = await host.driver.findElement(By.css('input[type=email]')).getAttribute('value');
  expect(typed).toBe('host@test.example');
  await host.fill('Password', 'a long password');
  await host.press('Make the account');
  await host.see('Your projects');
  await host.fill('Name', 'Saturday class');
  await host.press('Make the project');
  await host.see('No block yet');
  project = new URL(await host.driver.getCurrentUrl()).pathname.split('/').slice(0, 3).join('/');
});

test('a drawing’s problems are shown at their places before anything is saved', async () => {
  await host.press('Bring in a drawing');
  await choose(FAULTY);
  await host.see('cover each other by 130.0 mm²');
  await host.see('0.60 mm apart');
  const rings = await host.driver.findElements(By.css('svg[role=img] circle[stroke*=error]'));
  expect(rings).toHaveLength(2);
  const bad = path.join(scratch, 'curve.svg');
  writeFileSync(
    bad,
    readFileSync(FAULTY, 'utf8').replace('</svg>', '<path id="bent" d="M0 0L30 30L30 0L0 30Z"/></svg>'),
  );
  await choose(bad);
  await host.see('The drawing cannot be used yet');
  await host.see('crosses or touches itself');
  expect(await host.driver.findElements(By.xpath("//button[starts-with(., 'Save')]"))).toEqual([]);
  await expectAccessible(host, 'import');
});

test('a drawing becomes a block with named papers and a seam report', async () => {
  await choose(STAR);
  await host.see('18 papers');
  await host.fill('Name of the block', 'Star Chart');
  await host.press('Save the block');
  await host.see('Seam report');
  const text = await host.text();
  expect(text).toContain('1½″ 60° diamond');
  expect(text).toContain('1½″ half hexagon');
  expect(text).toContain('6; no order has fewer');
  await expectAccessible(host, 'block');
  await host.press('Front · flip');
  await host.see('Back · flip');
});

test('a name that is taken is refused and stays in the form', async () => {
  await host.go(`${project}/blocks/new`);
  await choose(STAR);
  await host.see('18 papers');
  await host.press('Save the block');
  await host.see('already has a block named Star Chart');
  const field = await host.driver.findElement(
    By.xpath("//label[starts-with(., 'Name of the block')]/following::input[1]"),
  );
  expect(await field.getAttribute('value')).toBe('Star Chart');
});

test('makers are added and get personal links', async () => {
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann Example\nBen Example');
  await host.press('Add 2 makers');
  await host.see('Shown this once');
  const links = await host.driver.findElements(By.css('[data-testid=maker-link]'));
  makerLink = (await links[0]?.getAttribute('href')) ?? '';
  expect(makerLink).toMatch(/\/m\/[\w-]{32}$/);
  await host.press('Close');
});

test('bags are listed, printed for every maker, and marked packed with undo', async () => {
  await host.go(`${project}/bags/print`);
  await host.see('2 labels');
  const text = await host.text();
  expect(text).toContain('Star Chart 13 × 2');
  expect(text).toMatch(/Star Chart\s+Ann Example/);
  const { data } = await host.tool<{ data: string }>('Page.printToPDF', { preferCSSPageSize: true });
  expect(Buffer.from(data, 'base64').subarray(0, 5).toString()).toBe('%PDF-');
  await host.go(`${project}/bags`);
  await host.press('Ann Example, Star Chart: to pack');
  await host.see('Ann Example, Star Chart: packed.');
  await host.press('Undo');
  await host.see('Ann Example, Star Chart: to pack.');
  await expectAccessible(host, 'bags');
});

test('the order of work is stepped through by keys, each step also in words', async () => {
  await host.go(`${project}/blocks`);
  await host.press('Star Chart');
  await host.press('Order of work');
  await host.see('Step 1 of 21');
  const step = async (key: string) => host.driver.actions().sendKeys(key).perform();
  for (let i = 0; i < 4; i++) await step(Key.ARROW_RIGHT);
  await host.see('Step 5 of 21');
  await host.see('Right sides together, sew');
  await step(Key.ARROW_LEFT);
  await host.see('Step 4 of 21');
  await step('f');
  await host.see('Back · flip');
  await expectAccessible(host, 'order');
});

test('a maker’s tick on the phone reaches the host’s wall within two seconds, across two servers', async () => {
  await host.go(`${project}/makers`);
  await host.see('0 of 21', '//*[@data-maker="Ann Example"]');
  await host.driver.executeScript('window.neverReloaded = true');
  // The link was made by the first server; the phone talks to the second.
  await phone.go(new URL(makerLink).pathname);
  await phone.see('Step 1 of 21');
  // What a phone has to fetch before the page works: script as it goes over the air, bytes.
  const script = await phone.driver.executeScript<number>(
    "return performance.getEntriesByType('resource').filter(({ name }) => name.includes('.js')).reduce((sum, one) => sum + one.encodedBodySize, 0)",
  );
  expect(script).toBeGreaterThan(50_000);
  expect(script).toBeLessThanOrEqual(200_000);
  await expectAccessible(phone, 'maker');
  await new Promise((resolve) => setTimeout(resolve, 1000));
  const start = Date.now();
  await phone.press('Done');
  await host.see('1 of 21', '//*[@data-maker="Ann Example"]');
  const heardAfter = Date.now() - start;
  expect(await host.driver.executeScript('return window.neverReloaded')).toBe(true);
  // Two seconds on an idle machine; on a busy one as much longer as a page takes to load.
  const loading = Date.now();
  await host.go(`${project}/makers`);
  await host.see('1 of 21', '//*[@data-maker="Ann Example"]');
  expect(heardAfter).toBeLessThan(Math.max(2000, 3 * (Date.now() - loading)));
  await phone.see('Step 2 of 21');
  await phone.press('I’m stuck');
  await host.see('stuck on Star Chart');
  await expectAccessible(host, 'makers');
});

test('ticks made without a connection are kept and sent later', async () => {
  // The page's own way out is closed, at once and for certain: the browser applies its offline mode a moment late.
  await phone.see('Your host knows');
  await phone.driver.executeScript(
    'window.wayOut = window.fetch; window.fetch = () => Promise.reject(new TypeError("offline"))',
  );
  await phone.press('Done');
  // One tick waits, or two when the cry for help was still on its way.
  await phone.see('on this phone and will be sent');
  await phone.see('Step 3 of 21');
  await phone.driver.executeScript('window.fetch = window.wayOut');
  await host.see('2 of 21', '//*[@data-maker="Ann Example"]');
});

test('all steps on the phone: the whole block, a tick out of order that the wall counts, one that waits; signs and how-to', async () => {
  await phone.press('All steps, and the whole block');
  await phone.see('2 of 21 steps done');
  // A later paper may be basted before its turn; the last join may not.
  await phone.press('Step 4: done');
  await phone.see('3 of 21 steps done');
  await host.see('3 of 21', '//*[@data-maker="Ann Example"]');
  expect(await phone.driver.findElements(By.css('[aria-label="Step 21: done"]'))).toEqual([]);
  await phone.press('Step 21: look');
  await phone.see('Step 21 of 21');
  await phone.press('Back to where I am');
  await phone.see('Step 3 of 21');
  await phone.press('Step 4: not done after all');
  await host.see('2 of 21', '//*[@data-maker="Ann Example"]');
  await phone.press('Signs, and how to');
  await phone.see('The needle slides hidden through a fold.');
  await expectAccessible(phone, 'maker, all open');
});

test('a revoked link is refused, and its page says what to do', async () => {
  await host.press('Blocks and link of Ann Example');
  await host.press('Revoke the link');
  await host.see('no longer works');
  await phone.go(new URL(makerLink).pathname);
  await phone.see('Ask your host for the present link');
});

test('a thousand patches stay smooth to zoom: frames with and without them', async () => {
  const file = path.join(scratch, 'thousand.svg');
  const shapes = hexagonMosaic(1000).map(
    ({ id, outline }) =>
      `<polygon id="${id}" points="${outline.corners.map(({ x, y }) => `${x.toFixed(3)},${y.toFixed(3)}`).join(' ')}"/>`,
  );
  writeFileSync(
    file,
    `<svg xmlns="http://www.w3.org/2000/svg" width="1500mm" height="1500mm" viewBox="-50 -50 1500 1500">${shapes.join('')}</svg>`,
  );
  await host.go(`${project}/blocks/new`);
  await choose(file);
  await host.driver.wait(async () => (await host.text()).includes('1024 papers'), 60_000);
  // Frames of the page at rest and while zooming, in turn: on a shared machine only their ratio says anything.
  const ratios = await host.driver.executeAsyncScript<number[]>(`
    const done = arguments[arguments.length - 1];
    const svg = document.querySelector('svg[role=img][tabindex]').parentElement;
    const box = svg.getBoundingClientRect();
    const frames = (isZooming) => new Promise((resolve) => {
      let count = 0; const start = performance.now();
      const frame = () => {
        if (isZooming)
          svg.dispatchEvent(new WheelEvent('wheel', { deltaY: count % 20 < 10 ? -30 : 30, clientX: box.x + 200, clientY: box.y + 150, bubbles: true, cancelable: true }));
        count += 1;
        if (performance.now() - start < 1200) requestAnimationFrame(frame); else resolve(count);
      };
      requestAnimationFrame(frame);
    });
    (async () => {
      const found = [];
      for (let i = 0; i < 5; i++) { const still = await frames(false); found.push((await frames(true)) / still); }
      done(found);
    })();`);
  process.stdout.write(
    `zooming 1 024 patches: ${ratios.map((one) => one.toFixed(2)).join(', ')} of the frames at rest\n`,
  );
  // One quiet moment of several is enough; headless Chromium draws in software.
  expect(Math.max(...ratios)).toBeGreaterThan(1 / 3);
});
