import { readFileSync } from 'node:fs';
import path from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** The small things that a host relies on: keys, undo, two people at once, what was typed, both units. */
let application: Application;
let host: Browser;
let helper: Browser;
let project = '';

const EMAIL = 'host@manners.example';
const PASSWORD = 'a long password';

beforeAll(async () => {
  application = await Application.shared();
  const base = application.addresses[0] ?? '';
  [host, helper] = await Promise.all([Browser.open(base), Browser.open(base)]);
  project = await host.beginProject(EMAIL, PASSWORD, 'Manners');
});

afterAll(async () => {
  await Promise.all([host?.close(), helper?.close()]);
});

async function keys(browser: Browser, ...pressed: string[]): Promise<void> {
  for (const key of pressed) await browser.driver.actions().sendKeys(key).perform();
}

test('a block is made from figures, wrong ones are named, and what was typed stays', async () => {
  await host.press('Make from figures');
  await host.see('19 papers');
  await host.fill('Rings round the middle', 'many');
  await host.see('“many” is no whole number');
  await host.fill('Rings round the middle', '99');
  await host.see('Give a whole number from 0 to 20');
  await host.fill('Rings round the middle', '1');
  await host.see('7 papers');
  await host.fill('Hexagon edge', '1 1/2"');
  await host.see('7 of 1½″ hexagon');
  await host.fill('Name of the block', 'Rosette');
  await host.press('Save the block');
  await host.see('Seam report');
  expect(await host.text()).toContain('1½″ hexagon');
});

test('it is made again with other figures; of two who do so at once one is told and keeps the form', async () => {
  await helper.signIn(EMAIL, PASSWORD);
  const block = new URL(await host.driver.getCurrentUrl()).pathname;
  await helper.go(`${block}/remake`);
  await helper.see('Make Rosette again');
  await host.press('Change its figures');
  await host.see('Make Rosette again');
  await host.fill('Rings round the middle', '2');
  await host.press('Save the change');
  await host.see('Seam report');
  await host.see('19');
  await helper.fill('Rings round the middle', '3');
  await helper.press('Save the change');
  await helper.see('Someone changed this block meanwhile');
  const typed = await helper.driver
    .findElement(By.xpath("//label[starts-with(., 'Rings')]/following::input[1]"))
    .getAttribute('value');
  expect(typed).toBe('3');
});

test('a new name is taken back by undo, and so is taking a block out', async () => {
  await host.press('Rename');
  await host.fill('Name of the block', 'Lily');
  await host.press('Rename');
  await host.see('Renamed to Lily');
  await host.see('Lily', '//h2/..');
  await host.press('Undo');
  await host.see('Rosette', '//h2/..');
  await host.press('Take out of the project');
  await host.see('Rosette is taken out');
  await host.see('No block yet');
  await host.press('Undo');
  await host.see('Seam report');
});

test('stations are reached by g and a letter, and ? lists the keys; keys typed into fields do nothing else', async () => {
  await keys(host, 'g', 'm');
  await host.see('No makers yet');
  await keys(host, 'g', 'g');
  await host.see('One bag per block is packed for each maker');
  await keys(host, '?');
  await host.see('flip front and back');
  await keys(host, Key.ESCAPE);
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'gb');
  expect(new URL(await host.driver.getCurrentUrl()).pathname).toBe(`${project}/makers`);
  const typed = await host.driver.findElement(By.css('textarea')).getAttribute('value');
  expect(typed).toBe('gb');
});

test('every patch of a drawing is reached by keys and read out, from the front and from the back', async () => {
  await host.go(`${project}/blocks`);
  await host.press('Rosette');
  await host.see('Seam report');
  const svg = await host.driver.wait(until.elementLocated(By.css('svg[role=img][tabindex]')), PATIENCE_MS);
  await svg.sendKeys(Key.ARROW_DOWN);
  await host.see('Patch 1 (hexagon-1): 1½″ hexagon');
  await svg.sendKeys(Key.ARROW_UP);
  await host.see('Patch 19');
  await keys(host, 'f');
  await host.see('seen from the back');
});

test('a drawing is dropped on the page, and a large one can be cancelled', async () => {
  await host.go(`${project}/blocks/new`);
  await host.see('drop an SVG file');
  const drawing = readFileSync(path.join(process.cwd(), 'demo/blocks/gangway.svg'), 'utf8');
  await host.driver.executeScript(
    `const place = [...document.querySelectorAll('main *')].find((one) => getComputedStyle(one).borderStyle === 'dashed');
     const data = new DataTransfer();
     data.items.add(new File([arguments[0]], 'my-gang_way.svg', { type: 'image/svg+xml' }));
     place.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));`,
    drawing,
  );
  await host.see('54 papers');
  const named = await host.driver
    .findElement(By.xpath("//label[starts-with(., 'Name of the block')]/following::input[1]"))
    .getAttribute('value');
  expect(named).toBe('My Gang Way');
});

test('a drawing without a size is helped by a width typed in', async () => {
  await host.driver.executeScript(
    `const place = [...document.querySelectorAll('main *')].find((one) => getComputedStyle(one).borderStyle === 'dashed');
     const data = new DataTransfer();
     data.items.add(new File(['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect id="r" width="10" height="10"/></svg>'], 'x.svg'));
     place.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));`,
  );
  await host.see('does not say how large it is');
  await host.fill('Finished width of the drawing', '3 in');
  await host.press('Use this width');
  await host.see('3″ square');
});

test('settings change what is cut, in inches and in centimetres, and bad ones keep what was typed', async () => {
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann Example');
  await host.press('Add the maker');
  await host.see('Shown this once');
  await host.go(`${project}/bags`);
  await host.press('In each bag');
  // 1½″ hexagon: 2.598″ and 3″ across, ¼″ all round, up to the next ⅛″.
  await host.see('3⅛″ × 3½″');
  await host.go(`${project}/settings`);
  await host.fill('Seam allowance', 'wide');
  await host.press('Save the settings');
  await host.see('“wide” is not a length');
  await host.fill('Seam allowance', '3/8"');
  await host.fill('Spare papers, %', '200');
  await host.press('Save the settings');
  await host.see('Correct it');
  await host.fill('Spare papers, %', '10');
  await host.press('Save the settings');
  await host.see('Settings saved');
  await host.go(`${project}/bags`);
  await host.press('In each bag');
  await host.see('3⅜″ × 3¾″');
  await host.see('(19 + 2 spare)');
});

test('of two people at the packing wall each sees what the other packed', async () => {
  // Pages that were left while they were still connecting must not silence those that come after.
  await host.driver.executeScript(
    'for (let i = 0; i < 20; i++) { const live = new EventSource(arguments[0]); setTimeout(() => live.close(), i % 4); }',
    `/api/projects/${project.split('/').at(-1)}/live`,
  );
  await helper.go(`${project}/bags`);
  await host.go(`${project}/bags`);
  await host.press('Ann Example, Rosette: to pack');
  await host.driver.wait(
    until.elementLocated(By.css('[aria-label="Ann Example, Rosette: packed"]')),
    PATIENCE_MS,
    'the host’s own press was lost',
  );
  await helper.driver.wait(
    until.elementLocated(By.css('[aria-label="Ann Example, Rosette: packed"]')),
    PATIENCE_MS,
    'the helper did not see the bag packed',
  );
  await helper.press('Ann Example, Rosette: packed');
  await host.driver.wait(
    until.elementLocated(By.css('[aria-label="Ann Example, Rosette: handed over"]')),
    PATIENCE_MS,
  );
});

test('after signing out nothing opens any more, and a wrong password says what to check', async () => {
  await helper.press('Sign out');
  await helper.see('Makers use the personal link');
  await helper.go(`${project}/bags`);
  await helper.see('Makers use the personal link');
  await helper.fill('E-mail address', EMAIL);
  await helper.fill('Password', 'not the password');
  await helper.press('Sign in');
  await helper.see('do not belong together');
  const typed = await helper.driver.findElement(By.css('input[type=email]')).getAttribute('value');
  expect(typed).toBe(EMAIL);
});
