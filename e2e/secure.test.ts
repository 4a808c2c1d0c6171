import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe, generate } from '@/core/generate';
import { Application } from './application';
import { Browser } from './browser';
import { SecureProxy } from './secureProxy';

/** As a shop runs it: behind a reverse proxy, over HTTPS, under a public address. The phone is no loopback: only HTTPS lets it keep a page. */
let proxy: SecureProxy;
let application: Application;
let host: Browser;
let phone: Browser;
let project = '';
let link = '';

beforeAll(async () => {
  proxy = await SecureProxy.make();
  application = await Application.start(1, { PUBLIC_URL: proxy.address, KEVLO_PROXIES: '1' });
  await proxy.start(application.addresses[0] ?? '');
  [host, phone] = await Promise.all([
    Browser.open(proxy.address, 1280, 800, proxy.browserArguments),
    Browser.open(proxy.address, 390, 844, proxy.browserArguments),
  ]);
  project = await host.beginProject('host@secure.example', 'a long password', 'Secure');
  await host.addBlock(project, 'Star', generate(defaultRecipe('star')));
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann');
  await host.press('Add the maker');
  await host.see('Shown this once');
  link = await host.driver.executeScript<string>("return document.querySelector('[data-testid=maker-link]').href");
}); // prettier-ignore

afterAll(async () => {
  await Promise.all([host?.close(), phone?.close()]);
  await proxy?.stop();
  await application?.stop();
});

test('links bear the public address, the session is for HTTPS alone, and the live stream passes the proxy', async () => {
  expect(link.startsWith(`${proxy.address}/m/`)).toBe(true);
  expect(await host.text()).not.toContain('A phone cannot open these');
  const cookie = (await host.driver.manage().getCookies()).find(({ name }) => name === 'kevlo_session');
  expect([cookie?.secure, cookie?.httpOnly]).toEqual([true, true]);
  await host.press('Close');
  await phone.go(link);
  await phone.see('Step 1 of');
  expect(await phone.driver.executeScript('return window.isSecureContext')).toBe(true);
  await phone.press('Done');
  await host.see('1 of', '//*[@data-maker="Ann"]');
});

test('the page is kept on the phone: with the line cut it opens and counts on, and what waited arrives once it is back', async () => {
  await phone.see('This page is kept on this phone');
  await proxy.cut();
  await phone.go(link);
  await phone.see('Step 2 of');
  await phone.press('Done');
  await phone.see('1 tick waits on this phone');
  await phone.go(link);
  await phone.see('Step 3 of');
  await proxy.start(application.addresses[0] ?? '');
  await phone.gone('tick waits');
  await host.go(`${project}/makers`);
  await host.see('2 of', '//*[@data-maker="Ann"]');
});
