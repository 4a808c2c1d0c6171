import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { BlockDocument } from '@/core/block';
import { hexagonMosaic, rosette, starOfDiamonds } from '@/core/testing';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** The order of work as a teacher bends it, and as a maker in the middle meets the change. */
let application: Application;
let host: Browser;
let phone: Browser;
let project = '';

/** A block's document as it is kept. */
interface Kept {
  readonly document: BlockDocument;
  readonly revision: number;
}

/** What a maker's page is told of a block. */
interface MakersBlock {
  readonly name: string;
  readonly done: readonly string[];
  readonly covered: readonly string[];
  readonly sheet: { readonly steps: readonly { readonly id: string; readonly kind: string }[] };
}

const scratch = mkdtempSync(path.join(tmpdir(), 'kevlo-order-'));

beforeAll(async () => {
  application = await Application.shared();
  const base = application.addresses[0] ?? '';
  [host, phone] = await Promise.all([Browser.open(base), Browser.open(base, 390, 844)]);
  project = await host.beginProject('host@order.example', 'a long password', 'Order');
});

afterAll(async () => {
  await Promise.all([host?.close(), phone?.close()]);
  rmSync(scratch, { recursive: true, force: true });
});

test('the schools stand side by side, one is chosen, the steps follow, and undo brings the first back', async () => {
  const id = await host.addBlock(project, 'Flower', rosette(1));
  await host.go(`${project}/order/${id}`);
  await host.see('every order was weighed');
  await host.see('If something goes wrong here');
  await host.press('Compare the schools');
  await host.see('Made alike');
  await host.press('Use Centre out');
  await host.see('The order of work is changed');
  await host.driver.wait(async () => !(await host.text()).includes('every order was weighed'), PATIENCE_MS);
  // Someone else writes a note meanwhile: undo takes back only what was done here.
  const block = `/api${project.replace('/p/', '/projects/')}/blocks/${id}`;
  const { document, revision } = await host.askJson<Kept>(`${block}/document`);
  const noted = { ...document, notes: { elsewhere: 'Press first.' } };
  const { status } = await host.ask(`${block}/document`, 'PUT', { document: noted, revision });
  expect(status).toBe(200);
  await host.press('Undo');
  await host.see('every order was weighed');
  const kept = await host.askJson<Kept>(`${block}/document`);
  expect([kept.document.notes, kept.document.order]).toEqual([{ elsewhere: 'Press first.' }, undefined]);
  expect((await host.ask(`${block}/print?what=steps`)).text).toMatch(/^%PDF-/);
});

test('tails that clash are told and mended by one press; a note of the host goes with its step', async () => {
  const id = await host.addBlock(project, 'Compass', starOfDiamonds(8), {
    basting: { patches: { p0: 'counter-clockwise' } },
  });
  await host.go(`${project}/order/${id}`);
  await host.see('four layers and a lump');
  await host.see('fewer would not do');
  await host.press('Fold 1 anew');
  await host.see('No two tails lie over one seam');
  await host.press('Add a note for makers');
  await host.fill('Note for makers', 'Bring your small scissors.');
  await host.press('Save the note');
  await host.see('Your note:');
  await host.see('Bring your small scissors.');
});

test('when to baste is chosen, the steps follow, and the papers of the whole project are told for any time of basting', async () => {
  const id = await host.addBlock(project, 'Streamed', rosette(3));
  await host.go(`${project}/order/${id}`);
  await host.see('37 papers to cut');
  const isBasting = (step: string | undefined) => step?.includes('Baste') ?? false;
  expect((await steps()).filter(isBasting).length).toBeLessThan(5);
  await choose('When to baste', 'Baste each just before it is joined');
  await host.see('Basting stands elsewhere in the order now');
  const basted = (now: readonly string[]) => now.filter(isBasting).length;
  await untilSteps((now) => basted(now) > 10, 'basting did not move into the stream');
  // Only the two patches of the first join are basted before it: in one batch, or in two of different cloths.
  expect((await steps()).findIndex((step) => !isBasting(step))).toBeLessThanOrEqual(2);
  await host.press('Undo');
  await untilSteps((now) => basted(now) < 5, 'undo did not bring the batches back');
  expect(await host.faults()).toEqual([]);

  await host.press('Papers of the whole project');
  await host.see('Papers of the project');
  await host.see('How the blocks are joined is not settled yet');
  await host.see('Stay in until the top is finished: 18 × 1″ hexagon');
  const needed = () =>
    host.driver.executeScript<number[]>(
      'return [...document.querySelectorAll(\'table[aria-label="Papers by kind"] tbody tr\')].map((row) => Number(row.children[6].textContent))',
    );
  const first = await needed();
  await choose('When makers baste', 'Baste each just before it is joined');
  await host.driver.wait(
    async () => (await needed()).some((one, kind) => one < (first[kind] ?? 0)),
    PATIENCE_MS,
    'basting later needs no fewer papers',
  );
  expect((await needed()).every((one, kind) => one <= (first[kind] ?? 0))).toBe(true);
  expect(await host.faults()).toEqual([]);
});

/** Chooses in a list of choices, as a person does: opens it and presses. */
async function choose(label: string, option: string): Promise<void> {
  const box = By.xpath(
    `//*[@role='combobox'][ancestor::*[contains(@class, 'MuiFormControl-root')][1][starts-with(normalize-space(.), '${label}')]]`,
  );
  await (await host.driver.wait(until.elementLocated(box), PATIENCE_MS, `no list “${label}”`)).click();
  await host.press(option);
}

/** The steps as the list shows them. */
async function steps(): Promise<string[]> {
  return host.driver.executeScript(
    "return [...document.querySelectorAll('ol[aria-label=Steps] button')].map((one) => one.textContent)",
  );
}

async function untilSteps(isRight: (now: readonly string[]) => boolean, what: string): Promise<void> {
  await host.driver.wait(async () => isRight(await steps()), PATIENCE_MS, what);
}

async function pick(step: number): Promise<void> {
  await host.driver.executeScript(
    "document.querySelectorAll('ol[aria-label=Steps] button')[arguments[0] - 1].click()",
    step,
  );
  await host.see(`Step ${step} of`);
}

test('a teacher pins, forbids and moves joins by buttons and keys; each is told, undone and taken back', async () => {
  const id = await host.addBlock(project, 'Bent', rosette(2));
  await host.go(`${project}/order/${id}`);
  const before = await steps();
  await pick(6);
  await host.press('Always make this unit');
  await host.see('Always made: the unit of');
  await untilSteps((now) => now[5]?.includes('always made') === true, 'the unit was not marked');
  await host.press('Undo');
  await untilSteps((now) => now.join() === before.join(), 'undo did not bring the order back');
  await host.press('Not this join');
  await host.see('Never joined:');
  await untilSteps((now) => now.join() !== before.join(), 'the order stayed as it was');
  const says = await host.driver.findElement(By.css('[aria-label="Your changes to the order"]')).getText();
  expect(says).toMatch(/Your order.*the one with the fewest bends/);
  await host.press('Take back: Never joined');
  await untilSteps((now) => now.join() === before.join(), 'taking back did not bring the order back');
  await pick(7);
  await host.driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_UP).keyUp(Key.ALT).perform();
  await untilSteps((now) => now.join() !== before.join(), 'Alt and ↑ moved nothing');
  expect(await host.faults()).toEqual([]);
  await host.press('Take back');
  await untilSteps((now) => now.join() === before.join(), 'the order did not come back');
});

test('a join is taken up and put down elsewhere by keys; where it cannot stand the reason is told', async () => {
  const id = await host.addBlock(project, 'Dragged', rosette(2));
  await host.go(`${project}/order/${id}`);
  await host.see('Rearrange the joins');
  const before = await steps();
  const key = (name: string) => host.driver.actions().sendKeys(name).perform();
  await host.press('Rearrange the joins');
  const last = (await host.driver.findElements(By.css('[aria-label="Joins to rearrange"] [role=button]'))).at(
    -1,
  );
  await host.driver.executeScript('arguments[0].focus()', last);
  await key(' ');
  await new Promise((resolve) => setTimeout(resolve, 300));
  await key(Key.ARROW_UP);
  await new Promise((resolve) => setTimeout(resolve, 300));
  await key(' ');
  // The last join needs all others.
  await host.see('This join needs the unit that is made there');
  expect(await host.faults()).toEqual([]);
  await host.press('Done rearranging');
  expect(await steps()).toEqual(before);
});

/** How long is waited before the page is asked for anew. */
const SOON_MS = 5000;

test('a picture at a step reaches the maker; one that is none is refused and what was typed stays', async () => {
  const id = await host.addBlock(project, 'Pictured', rosette(1));
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann Example');
  await host.press('Add the maker');
  await host.see('Shown this once');
  const link = await host.driver.findElement(By.css('[data-testid=maker-link]')).getAttribute('href');
  await host.press('Close');
  await host.go(`${project}/order/${id}`);
  await host.see('Add a picture for makers');
  const good = path.join(scratch, 'seam.png');
  writeFileSync(
    good,
    await sharp({ create: { width: 400, height: 300, channels: 3, background: '#a67' } })
      .png()
      .toBuffer(),
  );
  const bad = path.join(scratch, 'bad.png');
  writeFileSync(bad, 'no picture at all');
  const input = () => host.driver.findElement(By.css('input[type=file]'));
  await input().sendKeys(bad);
  await host.fill('What it shows', 'How the seam should lie');
  await host.press('Put it to this step');
  await host.see('This file is no picture');
  await host.press('Leave it');
  await host.driver.wait(
    async () => (await host.driver.findElements(By.css('[role=dialog]'))).length === 0,
    PATIENCE_MS,
    'the dialog did not close',
  );
  await input().sendKeys(good);
  await host.fill('What it shows', 'How the seam should lie');
  await host.press('Put it to this step');
  await host.driver.wait(until.elementLocated(By.css('img[alt="How the seam should lie"]')), PATIENCE_MS);
  await phone.go(new URL(link ?? '').pathname);
  await phone.pick('Block', 'Pictured: 0 of');
  const shown = await phone.driver.wait(
    until.elementLocated(By.css('img[alt="How the seam should lie"]')),
    PATIENCE_MS,
  );
  await phone.driver.wait(
    async () => Number(await shown.getAttribute('naturalWidth')) === 400,
    PATIENCE_MS,
    'the picture did not load',
  );
  expect(await phone.faults()).toEqual([]);

  // The same maker sews two joins; then the host changes the order.
  const total = await host.driver.executeScript<number>(
    "return document.querySelectorAll('ol[aria-label=Steps] button').length",
  );
  const basting = (await steps()).filter((one) => one.includes('Baste')).length;
  for (let done = 1; done <= basting + 3; done++) {
    await phone.press('Done');
    await phone.see(`Step ${done + 1} of ${total}`);
  }
  await host.go(`${project}/order/${id}`);
  await host.see('1 maker has begun this block');
  await host.press('Compare the schools');
  await host.press('Use Rows');
  await host.see('The order of work is changed');
  await host.see('What they sewed by an older order counts');
  await phone.driver.wait(
    async () => {
      await phone.driver.navigate().refresh();
      // The page is drawn from what the device keeps first: a moment for what the server says.
      return phone.see('What you have sewn counts', '//body', SOON_MS).then(
        () => true,
        () => false,
      );
    },
    PATIENCE_MS,
    'the maker is not told that the order changed',
  );
  // Three joins are sewn: three of six are left, whatever their order.
  const { blocks } = await phone.askJson<{ blocks: MakersBlock[] }>(
    `/api/m/${new URL(link ?? '').pathname.split('/').at(-1)}`,
  );
  const pictured = blocks.find(({ name }) => name === 'Pictured');
  const sewn = new Set([...(pictured?.done ?? []), ...(pictured?.covered ?? [])]);
  const left = pictured?.sheet.steps.filter(({ id, kind }) => kind === 'join' && !sewn.has(id));
  expect(left).toHaveLength(3);
});

/** A step changes a few patches: it takes no longer than this share of drawing all of them. */
const MOST_OF_DRAWING = 1.2;

test('a step of five hundred patches is shown within a frame or two', async () => {
  const id = await host.addBlock(project, 'Large', hexagonMosaic(500));
  await host.go(`${project}/order/${id}`);
  await host.driver.wait(async () => (await host.text()).includes('of sewing'), 60_000);
  await pick(200);
  // Turn by turn: the next step, and, to measure it by, the whole drawing put on the page once more and taken away.
  const [turned, drawn] = await host.driver.executeAsyncScript<[number[], number[]]>(`
    const done = arguments[arguments.length - 1];
    const [turned, drawn] = [[], []];
    const next = [...document.querySelectorAll('button')].find((one) => one.textContent.startsWith('Next'));
    const drawing = [...document.querySelectorAll('svg')].find((one) => one.querySelectorAll('[data-patch]').length > 400);
    const timed = (list, work, then) => {
      const start = performance.now();
      work();
      requestAnimationFrame(() => setTimeout(() => {
        list.push(performance.now() - start);
        setTimeout(then, 30);
      }));
    };
    const turn = () => timed(turned, () => next.click(), () => {
      const copy = drawing.cloneNode(true);
      timed(drawn, () => drawing.after(copy), () => {
        copy.remove();
        if (turned.length < 25) turn(); else done([turned, drawn]);
      });
    });
    turn();`);
  const median = (list: number[]) => list.sort((a, b) => a - b)[12] ?? Infinity;
  const [step, whole] = [median(turned), median(drawn)];
  process.stdout.write(`a step of 484 patches takes ${(step / whole).toFixed(2)} of drawing them all (${step.toFixed(0)} ms)\n`); // prettier-ignore
  expect(step).toBeLessThan(whole * MOST_OF_DRAWING);
});
