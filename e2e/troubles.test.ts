import { afterAll, beforeAll, expect, test } from 'vitest';
import { Key } from 'selenium-webdriver';
import { generate, defaultRecipe } from '@/core/generate';
import { Application } from './application';
import { Browser } from './browser';

/** Someone is stuck without a connection, is heard, answered and taught; then the roll is called by keys. Two servers on one database. */
let application: Application;
let host: Browser;
let phone: Browser;
let project = '';
let link = '';

beforeAll(async () => {
  application = await Application.shared();
  const [first = '', second = ''] = application.addresses;
  [host, phone] = await Promise.all([Browser.open(first), Browser.open(second, 390, 844)]);
  project = await host.beginProject('host@stuck.example', 'a long password', 'Stuck');
  await host.addBlock(project, 'Star', generate(defaultRecipe('star')));
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann\nBea');
  await host.press('Add 2 makers');
  await host.see('Shown this once');
  link = await host.driver.executeScript<string>("return document.querySelector('[data-testid=maker-link]').href");
  await host.press('Close');
}); // prettier-ignore

afterAll(async () => {
  await Promise.all([host?.close(), phone?.close()]);
});

test('stuck without a connection: it waits, is heard once it is back, and the answer reaches the phone', async () => {
  await phone.go(new URL(link).pathname);
  await phone.see('Step 1 of');
  await phone.driver.executeScript(
    'window.wayOut = window.fetch; window.fetch = () => Promise.reject(new TypeError("offline"))',
  );
  await phone.press('I’m stuck');
  await phone.see('Stuck here');
  expect(await phone.faults()).toEqual([]);
  await phone.fill('Tell your host more', 'It frays wherever I touch it.');
  await phone.press('Tell my host');
  await phone.see('1 word waits');
  await phone.driver.executeScript('window.fetch = window.wayOut; window.dispatchEvent(new Event("online"))');
  await phone.gone('1 word waits');
  await host.see('It frays wherever I touch it.');
  await host.see('Stuck: 1 maker at 1 place');
  expect(await host.faults()).toEqual([]);
  await host.fill('Answer', 'A dab of starch, and let it dry.');
  await host.press('Put it to the step for everybody');
  await host.see('It stands at this step');
  await host.fill('Answer', 'A dab of starch, and let it dry.');
  await host.press('Send the answer');
  await host.see('· answered');
  await phone.driver.executeScript('window.dispatchEvent(new Event("online"))');
  await phone.see('A dab of starch, and let it dry.', "//*[@role='log']");
  // Whoever opens the page anew finds it at the step.
  await phone.go(new URL(link).pathname);
  await phone.see('From your host:');
  await phone.press('I found out myself');
  await host.gone('Stuck: 1 maker');
});

test('the roll is called by keys: counted, stuck, away, taken back; the phone sees what was counted', async () => {
  await host.go(`${project}/makers/roll`);
  await host.see('Roll call');
  expect(await host.faults()).toEqual([]);
  const type = (...keys: string[]) =>
    host.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  await type('1');
  await host.see('1 of', "//*[@role='listitem'][@aria-label='Ann']");
  await type(Key.ARROW_DOWN, 's');
  await host.see('· stuck', "//*[@role='listitem'][@aria-label='Bea']");
  await type('a');
  await host.see('away today', "//*[@role='listitem'][@aria-label='Bea']");
  await type('u');
  await host.gone('away today');
  await phone.go(new URL(link).pathname);
  await phone.see('Step 2 of');
  await host.go(`${project}/makers/class`);
  await host.see('Waves: Bea');
  expect(await host.faults()).toEqual([]);
  await host.go(`${project}/logbook`);
  await host.fill('Write it down', 'Starch ready on the table.');
  await host.press('Write', 'self::button');
  await host.see('Starch ready on the table.', '//li/..');
  expect(await host.faults()).toEqual([]);
});
