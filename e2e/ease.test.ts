import { By, until } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** What makes a newcomer's first hour and a full Saturday easy: a sample, help, choices per maker, many bags at once. */
let application: Application;
let host: Browser;
let second: Browser;
let sample = '';

const EMAIL = 'host@ease.example';
const PASSWORD = 'a long password';

beforeAll(async () => {
  application = await Application.shared();
  [host, second] = (await Promise.all(application.addresses.map((base) => Browser.open(base)))) as [
    Browser,
    Browser,
  ];
  await host.beginProject(EMAIL, PASSWORD, 'My own');
  await second.signIn(EMAIL, PASSWORD);
});

afterAll(async () => {
  await Promise.all([host?.close(), second?.close()]);
});

const seeLabel = (browser: Browser, label: string) =>
  browser.driver.wait(
    until.elementLocated(By.css(`[aria-label="${label}"]`)),
    PATIENCE_MS,
    `nothing is called “${label}”`,
  );

test('a sample is made at the press of a button, with help for each station', async () => {
  await host.go('/');
  await host.press('Make a sample');
  await host.see('Jory Tamblyn and Suvi Arrowsmith are stuck');
  sample = new URL(await host.driver.getCurrentUrl()).pathname;
  for (const [path, says] of [
    ['', 'What wants a decision now'],
    ['/blocks', 'measured, told apart and checked'],
    ['/bags', 'One bag per block and maker'],
    ['/order', 'How a block is basted and sewn'],
    ['/makers', 'Who is where, and who is stuck'],
  ] as const) {
    await host.go(sample + path);
    await host.press('Help');
    await host.see(says, '//*[@role="dialog"]');
    if (path === '/bags') expect(await host.faults()).toEqual([]);
    await host.press('Close');
  }
});

test('a maker sews the blocks that are ticked: the tape knows it at once, on another server too', async () => {
  await second.go(`${sample}/bags`);
  await second.see('61 to pack');
  await host.go(`${sample}/makers`);
  await host.press('Blocks and link of Kit Larkrise');
  await host.press('Choose the blocks');
  await host.see('Blocks that Kit Larkrise sews');
  expect(await host.faults()).toEqual([]);
  for (const block of ['Lighthouse', 'Landing']) {
    const box = By.xpath(`//*[@role="dialog"]//label[normalize-space(.)="${block}"]`);
    await host.driver.findElement(box).click();
  }
  await second.see('59 to pack');
  await host.press('Done');
  await host.see('7 of 9 blocks');
  await host.go(`${sample}/bags`);
  await seeLabel(host, 'Kit Larkrise does not sew Landing');
});

test('all bags of a name are packed by one press; what another packed meanwhile is left; undo takes back one’s own', async () => {
  await seeLabel(host, 'Dorothea Imms, Kelp: to pack');
  await second.go(`${sample}/bags`);
  await second.press('Dorothea Imms, Kelp: to pack');
  await seeLabel(host, 'Dorothea Imms, Kelp: packed');
  await host.press('All bags of Kelp');
  await host.press('Mark 13 bags as packed');
  await host.see('Kelp: 13 bags packed');
  await second.see('45 to pack');
  await host.press('Undo');
  await host.see('Taken back: Kelp: 13 bags packed');
  await second.see('58 to pack');
  await seeLabel(second, 'Dorothea Imms, Kelp: packed');
});

test('a change that takes its time says so at once, and is not taken twice', async () => {
  const order = await host.driver.executeScript<string>(
    "return document.querySelector('nav[aria-label=Stations] a[href*=\"/order/\"]').getAttribute('href')",
  );
  await host.go(order);
  await host.press('Add a note for makers');
  await host.fill('Note for makers at this step', 'Pin first.');
  // What is asked of the server is held back until it is let go, so that what is shown meanwhile can be seen.
  await host.driver.executeScript(`
    const free = window.fetch;
    const gate = new Promise((resolve) => (window.letGo = resolve));
    window.writes = 0;
    window.fetch = (address, options) => {
      if (options?.method === 'PUT') window.writes += 1;
      return gate.then(() => free(address, options));
    };`);
  await host.press('Save the note');
  await host.see('Being worked out');
  await host.press('Save the note');
  await host.see('The change before is still being worked out');
  await host.driver.executeScript('window.letGo()');
  await host.see('The note is on the makers’ pages now');
  expect(await host.driver.executeScript('return window.writes')).toBe(1);
});

test('the sample is thrown away again; one’s own project stays', async () => {
  await host.go('/');
  await host.press('Throw the sample away');
  await host.driver.switchTo().alert().accept();
  await host.see('Make a sample');
  expect(await host.text()).toContain('My own');
  expect(await host.text()).not.toContain('Night Ferry');
  await host.go(sample);
  await host.see('There is nothing here');
});
