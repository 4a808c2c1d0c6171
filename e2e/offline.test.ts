import { By } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** The maker's page where nobody answers: opened, ticked, opened again; then everything arrives once. */
let application: Application;
let host: Browser;
let phone: Browser;
let project = '';
let link = '';

beforeAll(async () => {
  application = await Application.start(1);
  const [base = ''] = application.addresses;
  [host, phone] = (await Promise.all([Browser.open(base), Browser.open(base, 390, 844)])) as [Browser, Browser];
  await host.beginProject('host@offline.example', 'a long password', 'My own');
  await host.go('/');
  await host.press('Make a sample');
  await host.see('Jory Tamblyn and Suvi Arrowsmith are stuck');
  project = new URL(await host.driver.getCurrentUrl()).pathname;
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann Example');
  await host.press('Add the maker');
  await host.see('Shown this once');
  link = new URL((await (await host.driver.findElement(By.css('[data-testid=maker-link]'))).getAttribute('href')) ?? '').pathname;
}); // prettier-ignore

afterAll(async () => {
  await Promise.all([host?.close(), phone?.close()]);
  await application?.stop();
});

/** Steps that all makers together have done, as the host's page hears of it. */
async function sewn(): Promise<number> {
  const all = await host.askJson<{ done: number }[]>(`${project.replace('/p/', '/api/projects/')}/progress`);
  return all.reduce((sum, { done }) => sum + done, 0);
}

test('opened once with a connection, the page opens without one, also what was never opened before; ticks wait and then arrive once', async () => {
  await phone.go(link);
  await phone.see('This page is kept on this phone');
  const before = await sewn();
  await phone.see('Step 1 of ');
  await phone.press('Done');
  await phone.see('Step 2 of ');
  await host.driver.wait(async () => (await sewn()) === before + 1, PATIENCE_MS);
  await application.cut();
  // The page was read before the first tick was sent: the tick is known all the same.
  await phone.go(link);
  await phone.see('Step 2 of ');
  await phone.press('Done');
  await phone.see('1 tick waits on this phone');
  await phone.press('All steps, and the whole block');
  await phone.see('steps done');
  await phone.go(link);
  await phone.see('Step 3 of ');
  await phone.see('1 tick waits on this phone');
  await application.restore();
  await phone.gone('1 tick waits on this phone');
  expect(await sewn()).toBe(before + 2);
  await phone.go(link);
  await phone.see('Step 3 of ');
});

/** What the browser's database of the phone holds; it is not made by looking. */
function inDatabase(): Promise<string> {
  return phone.driver.executeAsyncScript<string>(`
    const [told] = arguments;
    indexedDB.databases().then((all) => {
      if (!all.some(({ name }) => name === 'kevlo')) return told('');
      const asked = indexedDB.open('kevlo');
      asked.onsuccess = () => {
        const words = asked.result.transaction('words').objectStore('words').getAll();
        words.onsuccess = () => (asked.result.close(), told(String(words.result)));
      };
    });`);
}

test('on a phone whose storage is full a tick waits all the same, is there when the page is opened again, and arrives once', async () => {
  const before = await sewn();
  await phone.driver.executeScript(
    "let size = 1 << 20; for (let i = 0; size > 0; i++) try { localStorage.setItem(`fill${i}`, 'x'.repeat(size)); } catch { size >>= 1; }",
  );
  await application.cut();
  await phone.press('Done');
  await phone.see('Step 4 of ');
  await phone.see('1 tick waits on this phone');
  await phone.driver.wait(
    async () => (await inDatabase()).includes('"kind":"done"'),
    PATIENCE_MS,
    'the tick is not in the database',
  );
  expect(await phone.text()).not.toContain('no room left');
  await phone.go(link);
  await phone.see('Step 4 of ');
  await phone.see('1 tick waits on this phone');
  await application.restore();
  await phone.gone('1 tick waits on this phone');
  expect(await sewn()).toBe(before + 1);
  await phone.driver.executeScript(
    "for (const key of Object.keys(localStorage)) if (key.startsWith('fill')) localStorage.removeItem(key)",
  );
});

test('a page can be put on the first screen and opens its own link', async () => {
  const address = await phone.driver.executeScript<string>("return document.querySelector('link[rel=manifest]').href");
  const manifest = (await (await fetch(address)).json()) as { start_url: string; icons: { src: string }[] };
  expect(manifest.start_url).toBe(link);
  for (const { src } of manifest.icons) expect((await fetch(new URL(src, address))).headers.get('content-type')).toBe('image/png');
  expect((await fetch(new URL('/m/none/manifest.webmanifest', address))).status).toBe(404);
}); // prettier-ignore

test('a link that was ended opens nothing any more, and the phone keeps nothing of it', async () => {
  await host.go(`${project}/makers`);
  await host.press('Blocks and link of Ann Example');
  await host.press('Revoke the link');
  await host.see('link no longer works');
  await phone.go(link);
  await phone.see('does not work');
  expect(await phone.driver.executeScript('return caches.keys()')).toEqual([]);
  await application.cut();
  await phone.driver.get(`${phone.base}${link}`).catch(() => undefined);
  expect(await phone.driver.executeScript('return document.body.innerText')).not.toContain('Step 3');
});
