import path from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** The cloth station: what is bought, one bag laid out in a real worker, two people at one shelf. */
let application: Application;
let host: Browser;
let second: Browser;
let cloth = '';

const EMAIL = 'host@cloth.example';
const PASSWORD = 'a long password';

beforeAll(async () => {
  application = await Application.shared();
  const [base = ''] = application.addresses;
  [host, second] = (await Promise.all([Browser.open(base), Browser.open(base)])) as [Browser, Browser];
  await host.beginProject(EMAIL, PASSWORD, 'My own');
  await second.signIn(EMAIL, PASSWORD);
  await host.go('/');
  await host.press('Make a sample');
  await host.see('Jory Tamblyn and Suvi Arrowsmith are stuck');
  cloth = `${new URL(await host.driver.getCurrentUrl()).pathname}/cloth`;
});

afterAll(async () => {
  await Promise.all([host?.close(), second?.close()]);
});

const dialog = '//*[@role="dialog"]';

test('a cloth’s price is kept and reckoned; whoever had the older view is told, and nothing typed is lost', async () => {
  await host.go(cloth);
  await second.go(cloth);
  await second.see('Reckoned for all bags');
  await host.press('Change Woad');
  await host.fill('Price of a yard', '20');
  expect(await host.faults()).toEqual([]);
  await host.press('Save');
  await host.see('Undo the change of Woad');
  await second.press('Change Woad');
  await second.fill('Price of a yard', '30');
  await second.press('Save');
  await second.see('Someone else changed this cloth meanwhile', dialog);
  const field = await second.driver.findElement(By.xpath(`${dialog}//input[@value="30"]`));
  expect(await field.getAttribute('value')).toBe('30');
  await host.go(cloth);
  const row = await host.driver.findElement(By.xpath('//tr[.//*[normalize-space(.)="Woad"]]'));
  expect(await row.getText()).not.toContain('no price');
});

test('one bag is laid out as it gets better; stopped, the best so far stays, and the page has no faults', async () => {
  await host.go(cloth);
  await host.press('Lay it out');
  const drawing = await host.driver.wait(until.elementLocated(By.css('svg[aria-label*="pieces laid on"]')), PATIENCE_MS); // prettier-ignore
  await host.press('Stop and keep this');
  await host.see('off the bolt');
  expect((await drawing.findElements(By.css('polygon'))).length).toBeGreaterThan(10);
  expect(await host.faults()).toEqual([]);
  const order = await host.driver.findElement(By.css('a[download="order.csv"]'));
  expect(decodeURIComponent((await order.getAttribute('href')) ?? '')).toContain('Woad,');
});

test('an order: figures save themselves, what is still to buy is noted as ordered, comes, and can be taken back; the bolt is drawn; the PDF is one', async () => {
  await host.go(cloth);
  await host.see('From bolt to bags');
  await host.fill('Papers in a pack', '25');
  await host.see('× pack of 25');
  await host.see('Saved');
  await host.fill('Name of this order', 'Spring');
  await host.press('Note ');
  await host.see('All that the bags take is there or on its way.');
  // Another window sees it, as it was ordered.
  await second.go(cloth);
  await second.see('Spring');
  await host.driver.findElement(By.css('summary')).click();
  expect(await host.faults()).toEqual([]);
  await host.press('It came');
  await host.see('now in stock');
  await host.press('Undo');
  await host.press('It was not sent');
  await host.gone('Spring:');
  const order = await host.ask(`/api${cloth.replace('/p/', '/projects/').replace('/cloth', '/orders')}`);
  expect(order).toMatchObject({ status: 200, type: 'application/pdf' });
});

test('a cloth that ran out is another for one maker: their bag at the table, and back again', async () => {
  await host.go(cloth);
  await host.press('Another cloth in place of Woad', 'self::button');
  await host.fill('Which cloth', 'Fog');
  await host.press('Ottoline Pell');
  expect(await host.faults()).toEqual([]);
  await host.press('Put it in its place');
  await host.see('Fog in place of Woad for 1 maker.');
  await second.go(`${cloth.replace(/cloth$/, 'bags')}/print`);
  await second.see('Ottoline Pell: Fog for Woad');
  await host.press('Another cloth in place of Woad', 'self::button');
  await host.press('Woad for all again');
  await host.see('Woad for all again.');
  // A printed page stays as it is: it is read anew until the server has taken it back.
  await second.driver.wait(
    async () => {
      await second.go(`${cloth.replace(/cloth$/, 'bags')}/print`);
      await second.see('Ottoline Pell');
      return !(await second.text()).includes('Fog for Woad');
    },
    PATIENCE_MS,
    'the cloth is not taken back',
  );
});

test('a photo of a cloth is straightened in the browser, kept, and lies under the papers', async () => {
  await host.go(cloth);
  await host.press('A photo of Madder', 'self::button');
  await host.see('Choose a photo');
  const input = await host.driver.findElement(By.css('[role=dialog] input[type=file]'));
  await input.sendKeys(path.join(import.meta.dirname, '..', 'docs', 'screenshots', 'cloth.png'));
  await host.see('Move it until the motif lies in the middle');
  const corner = await host.driver.findElement(By.css('[aria-label^="Corner upper left"]'));
  await corner.sendKeys(Key.ARROW_RIGHT, Key.ARROW_DOWN);
  expect(await host.faults()).toEqual([]);
  await host.press('Keep this repeat');
  await host.see('Madder has its picture.');
  const source = 'image[href*="cloth=Madder"]';
  await host.driver.wait(until.elementLocated(By.css(`table ${source}`)), PATIENCE_MS);
  expect(await host.driver.findElements(By.css(`#motif ${source}`))).not.toHaveLength(0);
  const address = await host.driver.findElement(By.css(source)).getAttribute('href');
  expect(await host.ask(address ?? '')).toMatchObject({ status: 200, type: 'image/jpeg' });
});
