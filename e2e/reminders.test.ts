import { until, By } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { connect } from '@/server/database';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** Reminders from draft to the mail stand-in, through trouble, to the maker who switches them off. */
let application: Application;
let host: Browser;
let at = '';

beforeAll(async () => {
  application = await Application.start(2);
  host = await Browser.open(application.addresses[0] ?? '');
  await host.beginProject('host@mail.example', 'a long password', 'My own');
  await host.go('/');
  await host.press('Make a sample');
  await host.see('Jory Tamblyn and Suvi Arrowsmith are stuck');
  at = new URL(await host.driver.getCurrentUrl()).pathname;
});

afterAll(async () => {
  await host?.close();
  await application?.stop();
});

test('reminders are drafted, read and changed; nothing leaves before it is sent off', async () => {
  await host.go(`${at}/calendar`);
  await host.press('Reminders');
  await host.see('No draft waits');
  await host.press('Draft what is due');
  await host.see('Nothing has left the house');
  expect(await host.faults()).toEqual([]);
  await host.press('Read the reminder to Bram Vesterly');
  await host.see('Dear Bram Vesterly', '//*[@role="dialog"]');
  expect(await host.faults()).toEqual([]);
  await host.fill('Text', 'A word to Bram');
  await host.press('Keep these words');
  await host.see('A word to Bram');
  await host.press('Your words');
  await host.see('Nobody is written to from');
  expect(await host.faults()).toEqual([]);
  // At any hour of the day on which this runs the letters may go.
  await host.driver.executeScript(
    "for (const field of document.querySelectorAll('input[type=time]')) { Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '12:00'); field.dispatchEvent(new Event('input', { bubbles: true })); }",
  );
  // It saves itself once the hands rest.
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await host.see('Saved');
});

test('a mail that refuses is seen and tried again; nobody is written to twice', async () => {
  await host.press('Mail stand-in');
  await host.press('takes every letter', "@role='combobox'");
  await host.press('refuses every letter');
  await host.see('It has taken nothing yet');
  await host.press('Drafts (');
  await host.press('Send off ');
  await host.see('on the way.');
  await host.press('Sent off');
  await host.see('refuses mail for now');
  expect(await host.faults()).toEqual([]);
  await host.press('Call back: Bram Vesterly');
  await host.see('Bram Vesterly: call back.');
  await host.press('Mail stand-in');
  await host.press('refuses every letter', "@role='combobox'");
  await host.press('takes every letter');
  await host.press('Drafts (');
  await host.press('Send off 1');
  await host.see('1 reminder on the way.');
  await host.press('Mail stand-in');
  await host.see('A word to Bram');
  const count = async () => (await host.driver.findElements(By.css('details summary strong'))).length;
  expect(await count()).toBe(1);
});

test('the maker switches reminders off by the link in one, and the host sees it', async () => {
  const letter = await host.driver.findElement(By.xpath('//details[.//strong]')).getAttribute('textContent');
  const link = /\/off\/[\w-]+/.exec(letter ?? '')?.[0] ?? '';
  const maker = await Browser.open(application.addresses[1] ?? '');
  try {
    await maker.go(link);
    await maker.see('Reminders are on.');
    expect(await maker.faults()).toEqual([]);
    await maker.press('Switch them off');
    await maker.see('You get no more of them');
  } finally {
    await maker.close();
  }
  await host.press('Addresses');
  await host.driver.wait(until.elementLocated(By.xpath('//tr[contains(., "Bram Vesterly") and contains(., "switched off by them")]')), PATIENCE_MS); // prettier-ignore
});

test('ten thousand reminders through kills of both processes: none is lost, none goes out twice', async () => {
  const sql = connect(application.url, 2);
  const count = 10_000;
  await sql`update project set mail_trouble = 'none'`;
  await sql`
    insert into message (project_id, maker_id, occasion, cause, reason, subject, body, base, state, send_at)
    select one.project_id, one.id, 'drop', 'c' || n, '', 'S' || n, '', 'https://shop.example', 'queued', now()
    from generate_series(1, ${count}) n,
      (select id, project_id from maker where email is not null and wants_mail and removed_at is null limit 1) one`;
  const taken = async () => {
    // Letters of the tests before, which were refused then, may be tried again meanwhile.
    const [row] = await sql<{ n: number }[]>`
      select count(*)::int as n from stand_in_mail s join message m on m.id = s.message_id where m.subject ~ '^S[0-9]+$'`;
    return row?.n ?? 0;
  };
  let lost = 0;
  for (const share of [0.1, 0.4, 0.7]) {
    while ((await taken()) < share * count) await new Promise((resolve) => setTimeout(resolve, 200));
    await application.cut();
    expect(await taken()).toBeLessThan(count);
    // Whoever was killed with a letter in hand has not been heard of for long.
    lost += (await sql`update message set seen_at = now() - interval '1 hour' where state = 'sending' returning id`).length;
    await application.restore();
  }
  await expect.poll(taken, { timeout: 600_000, interval: 500 }).toBe(count);
  await expect.poll(async () => (await sql`select 1 from message where subject ~ '^S[0-9]+$' and state <> 'sent'`).length, { timeout: 30_000 }).toBe(0);
  const [out] = await sql`
    select count(*)::int as n, count(distinct s.subject)::int as different
    from stand_in_mail s join message m on m.id = s.message_id where m.subject ~ '^S[0-9]+$'`;
  expect(out).toEqual({ n: count, different: count });
  // The kills came while letters were in hand, or this says little.
  expect(lost).toBeGreaterThan(0);
  await sql.end();
}, 900_000); // prettier-ignore
