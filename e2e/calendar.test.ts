import { By, Key, until } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** The calendar: dates dragged and moved by keys, levelled and taken back, read by another calendar, seen by Today. */
let application: Application;
let host: Browser;
let project = '';

beforeAll(async () => {
  application = await Application.shared();
  host = await Browser.open(application.addresses[0] ?? '');
  await host.beginProject('host@calendar.example', 'a long password', 'My own');
  await host.go('/');
  await host.press('Make a sample');
  await host.see('Jory Tamblyn and Suvi Arrowsmith are stuck');
  project = new URL(await host.driver.getCurrentUrl()).pathname;
});

afterAll(async () => {
  await host?.close();
});

/** Where a date’s chip stands: the words of its day. */
async function dayOf(title: string): Promise<string> {
  const chip = await host.driver.wait(
    until.elementLocated(By.css(`button[aria-label^="${title}"]`)),
    PATIENCE_MS,
  );
  return ((await chip.getAttribute('aria-label')) ?? '').replace(/^[^,]*, /, '').replace(/\..*$/s, '');
}

/** The day of a date once it is another than it was; what a hand did is drawn a moment later on a busy machine. */
async function dayAfter(title: string, before: string): Promise<string> {
  await host.driver.wait(async () => (await dayOf(title)) !== before, PATIENCE_MS, `“${title}” stays on ${before}.`); // prettier-ignore
  return dayOf(title);
}

test('a drop is dragged to another day and moved by keys, undone, kept; the page has no faults', async () => {
  await host.go(`${project}/calendar`);
  const before = await dayOf('Drop: Drop 4');
  const chip = await host.driver.findElement(By.css('button[aria-label^="Drop: Drop 4"]'));
  await host.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', chip);
  const { width } = await chip.getRect();
  // A Monday has no day to its left in the same week.
  const side = before.startsWith('Mon') ? 1 : -1;
  const move = host.driver.actions().move({ origin: chip }).press();
  await move.move({ origin: chip, x: 30, y: 0 }).move({ origin: chip, x: side * Math.round(width), y: 0 }).release().perform(); // prettier-ignore
  const dragged = await dayAfter('Drop: Drop 4', before);
  await host.press('Undo');
  expect(await dayAfter('Drop: Drop 4', dragged)).toBe(before);
  const again = await host.driver.findElement(By.css('button[aria-label^="Drop: Drop 4"]'));
  await again.sendKeys(Key.chord(Key.ALT, Key.ARROW_DOWN));
  const moved = await dayAfter('Drop: Drop 4', before);
  await host.see('Saved');
  expect(await host.faults()).toEqual([]);
  await host.go(`${project}/calendar`);
  expect(await dayOf('Drop: Drop 4')).toBe(moved);
});

test('the load is levelled on the server, shown before and after, taken, and taken back', async () => {
  await host.go(`${project}/calendar`);
  const before = await dayOf('Drop: Drop 4');
  await host.press('Level the load');
  await host.see('The heaviest stretch goes from');
  expect(await host.faults()).toEqual([]);
  await host.press('Take it');
  await host.see('Saved');
  await host.press('Undo');
  await host.driver.wait(async () => (await dayOf('Drop: Drop 4')) === before, PATIENCE_MS, `Drop 4 is not on ${before} again.`); // prettier-ignore
  await host.press('List with reasons');
  await host.see('by the next drop with even chances');
  await host.press('Add a meeting');
  expect(await host.faults()).toEqual([]);
});

test('another calendar reads the dates at the secret address, and no longer at an old one', async () => {
  await host.go(`${project}/calendar`);
  const renew = async () => {
    await host.press('New secret address');
    const shown = await host.see('/api/feed/');
    return (await shown.getText()).match(/http\S+/)?.[0] ?? '';
  };
  const address = await renew();
  const text = await (await fetch(address)).text();
  expect(text).toContain('BEGIN:VCALENDAR');
  expect(text.match(/SUMMARY:Drop \d/g)).toHaveLength(5);
  await host.go(`${project}/calendar`);
  const fresh = await renew();
  expect([(await fetch(address)).status, (await fetch(fresh)).status]).toEqual([404, 200]);
});

test('Today opens with the next drop, and who has not been heard from', async () => {
  await host.go(project);
  await host.see('Drop 3 is in');
  await host.see('Kit Larkrise has not been heard from');
  expect(await host.faults()).toEqual([]);
});
