import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:net';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest';
import { EMPTY_CALENDAR, dayAt, dayWords, plusDays } from '@/core/calendar';
import { defaultRecipe } from '@/core/generate';
import { USUAL_TEXTS } from '@/core/reminders';
import { projectBadges } from '../badges';
import { makeBlock } from '../blocks';
import { saveCalendar } from '../calendar';
import { notify, onChange } from '../live';
import { addMakers, listContacts, setContact, setMakerRemoved } from '../makers';
import { createProject } from '../projects';
import { refusal, testProject, type TestProject } from '../testing';
import { mailServer, standIn, type Carrier } from './carriers';
import {
  approveDrafts,
  changeDraft,
  countTroubled,
  draftReminders,
  listMessages,
  readOffLink,
  readReminderSettings,
  readStandIn,
  saveReminderSettings,
  sendDueMail,
  setMailTrouble,
  setWantsMail,
  turnMessages,
} from '.';

let { sql, drop, project, access, host } = {} as TestProject;
let makers: readonly { id: string; name: string }[] = [];
// Eleven in the morning: nothing is quiet.
const NOW = Date.parse(`${dayAt(Date.now(), 'UTC')}T11:00:00Z`);
const today = dayAt(NOW, 'UTC');

beforeAll(async () => {
  ({ sql, drop, project, access, host } = await testProject('Reminders'));
  const { id } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') });
  makers = await addMakers(sql, access, ['Ann', 'Bea', 'Cyd']);
  const entry = { kind: 'drop', id: 'd', day: plusDays(today, 4), title: 'Drop 1', blocks: [id], isFixed: false } as const; // prettier-ignore
  await saveCalendar(sql, access, { calendar: { ...EMPTY_CALENDAR, entries: [entry] }, revision: 0 });
});

afterAll(() => drop());

beforeEach(async () => {
  await sql`delete from message`;
  await sql`update maker set wants_mail = true`;
  await setMailTrouble(sql, access, 'none');
  for (const { id, name } of makers.slice(0, 2))
    await setContact(sql, access, id, { email: `${name}@maker.example`, timeZone: null });
});

const messages = () => listMessages(sql, project);
const states = async () => Object.fromEntries((await messages()).map(({ maker, state }) => [maker, state]));
const approve = async (some = messages()) =>
  approveDrafts(sql, access, await some, 'https://shop.example', NOW);
const taken = async () => (await readStandIn(sql, project))?.taken ?? [];
/** Lets everything that waits be due now. */
const comeDue = () => sql`update message set send_at = now() where state = 'queued'`;

test('what is due is drafted once; approved it goes out once, to those with an address, with a link that ends it', async () => {
  expect(await draftReminders(sql, access, NOW)).toEqual({ made: 3 });
  expect(await draftReminders(sql, access, NOW)).toEqual({ made: 0 });
  const [ann] = await messages();
  expect(ann).toMatchObject({ maker: 'Ann', occasion: 'drop', subject: `Drop 1 of Reminders: ${dayWords(plusDays(today, 4))}`, reason: `Drop 1 is on ${dayWords(plusDays(today, 4))}.` }); // prettier-ignore
  expect(await sendDueMail(sql)).toBe(0);
  expect(await approve()).toEqual({ queued: 2, noAddress: 1, switchedOff: 0, changed: 0 });
  await comeDue();
  expect(await sendDueMail(sql)).toBe(2);
  expect(await sendDueMail(sql)).toBe(0);
  expect(await states()).toEqual({ Ann: 'sent', Bea: 'sent', Cyd: 'draft' });
  const mail = (await taken()).find(({ recipient }) => recipient === 'Ann@maker.example');
  expect(mail?.body).toContain(`Drop 1 is handed out on ${dayWords(plusDays(today, 4))}: Star.`);
  const token = /https:\/\/shop\.example\/off\/(\S+)/.exec(mail?.body ?? '')?.[1] ?? '';
  expect(await readOffLink(sql, token)).toEqual({ maker: 'Ann', project: 'Reminders', wantsMail: true });
  await setWantsMail(sql, token, false);
  expect((await listContacts(sql, project)).map(({ wantsMail }) => wantsMail)).toEqual([false, true, true]);
  // Nothing else of hers is reached by it, and a made-up one reaches nobody.
  await expect(setWantsMail(sql, 'x'.repeat(token.length), false)).rejects.toEqual(refusal(404));
});

test('whoever switched off, or was taken out after the approval, is not written to', async () => {
  await draftReminders(sql, access, NOW);
  await approve();
  await sql`update maker set wants_mail = false where name = 'Ann'`;
  await setMakerRemoved(sql, access, makers[1]?.id ?? '', true);
  await comeDue();
  expect(await sendDueMail(sql)).toBe(0);
  await setMakerRemoved(sql, access, makers[1]?.id ?? '', false);
  expect(await states()).toEqual({ Ann: 'put-aside', Bea: 'put-aside', Cyd: 'draft' });
  await turnMessages(sql, access, 'back', (await messages()).map(({ id }) => id)); // prettier-ignore
  expect(await approve()).toEqual({ queued: 1, noAddress: 1, switchedOff: 1, changed: 0 });
});

test('a letter whose day is over goes no more; one of today does', async () => {
  await draftReminders(sql, access, NOW);
  await approve();
  await sql`update message set send_at = now(), good_until = current_date where maker_id = ${makers[0]?.id ?? ''}`;
  await sql`update message set send_at = now(), good_until = current_date - 2 where maker_id = ${makers[1]?.id ?? ''}`;
  expect(await sendDueMail(sql)).toBe(1);
  expect(await states()).toMatchObject({ Ann: 'sent', Bea: 'put-aside' });
});

test('own words are kept by revision; a draft changed meanwhile is neither overwritten nor sent as it was looked at', async () => {
  const { settings, revision } = await readReminderSettings(sql, project);
  const texts = { ...USUAL_TEXTS, drop: { subject: 'Soon: {drop}', body: 'Hello {name}' } };
  await saveReminderSettings(sql, access, { settings: { ...settings, texts }, revision });
  await expect(saveReminderSettings(sql, access, { settings, revision })).rejects.toEqual(refusal(409));
  const wrong = { ...texts, quiet: { subject: '{nobody}', body: '' } };
  const refused = saveReminderSettings(sql, access, { settings: { ...settings, texts: wrong }, revision: revision + 1 }); // prettier-ignore
  await expect(refused).rejects.toMatchObject({ status: 422, body: { where: 'quiet.subject' } });
  await draftReminders(sql, access, NOW);
  const looked = await messages();
  const [ann] = looked as [(typeof looked)[number]];
  expect([ann.subject, ann.body]).toEqual(['Soon: Drop 1', 'Hello Ann']);
  const change = { id: ann.id, subject: 'Mine', body: 'Own words', revision: ann.revision };
  expect(await changeDraft(sql, access, change)).toEqual({ revision: 2 });
  await expect(changeDraft(sql, access, change)).rejects.toMatchObject({ status: 409, body: { current: { body: 'Own words' } } }); // prettier-ignore
  // Written anew, hers is left as it was changed.
  expect(await draftReminders(sql, access, NOW, true)).toEqual({ made: 2 });
  expect((await messages()).find(({ maker }) => maker === 'Ann')?.body).toBe('Own words');
  expect(
    await approve(messages().then((all) => all.map((one) => looked.find(({ id }) => id === one.id) ?? one))),
  ).toMatchObject({ queued: 1, changed: 1 });
  expect(await states()).toMatchObject({ Ann: 'draft', Bea: 'queued' });
});

test('nothing of another project is sent off, turned or read', async () => {
  await draftReminders(sql, access, NOW);
  const looked = await messages();
  const ids = looked.map(({ id }) => id);
  const other = await createProject(sql, host, { name: 'Other' });
  expect(await approveDrafts(sql, other, looked, '', NOW)).toMatchObject({ queued: 0, changed: 3 });
  expect(await turnMessages(sql, other, 'aside', ids)).toEqual({ turned: 0 });
  expect(await listMessages(sql, other.project)).toEqual([]);
  expect(await states()).toEqual({ Ann: 'draft', Bea: 'draft', Cyd: 'draft' });
});

test('at night letters wait for the morning of whoever gets them', async () => {
  await setContact(sql, access, makers[0]?.id ?? '', { email: 'ann@maker.example', timeZone: 'Asia/Tokyo' });
  await expect(setContact(sql, access, makers[0]?.id ?? '', { email: null, timeZone: 'Moon/Sea' })).rejects.toEqual(refusal(422)); // prettier-ignore
  await draftReminders(sql, access, NOW);
  await approve();
  const at = Object.fromEntries((await messages()).map(({ maker, sendAt }) => [maker, sendAt]));
  // Eleven in the morning here is eight in the evening there: she hears of it at eight next morning, twelve hours later.
  // Nothing leaves so quickly that it could not be called back.
  expect(at.Bea).toBe(new Date(NOW + 15_000).toISOString());
  expect(at.Ann).toBe(new Date(NOW + 12 * 3600_000).toISOString());
});

test('what is refused is tried again, ever later, six times; then it waits for the host', async () => {
  await setMailTrouble(sql, access, 'refuses');
  await draftReminders(sql, access, NOW);
  await approve();
  for (let tries = 1; tries <= 6; tries++) {
    await comeDue();
    expect(await sendDueMail(sql)).toBe(0);
    const [wait] = await sql`select extract(epoch from send_at - now())::float8 as s, state, says from message where state in ('queued', 'failed') limit 1`; // prettier-ignore
    expect(wait?.says).toContain('refuses');
    if (tries < 6) expect(Math.abs(Number(wait?.s) - 60 * 2 ** tries)).toBeLessThan(20);
  }
  expect(await states()).toEqual({ Ann: 'failed', Bea: 'failed', Cyd: 'draft' });
  expect(await countTroubled(sql, project)).toBe(2);
  expect((await projectBadges(sql, project)).calendar.calls).toBe('2 due, 2 unsent');
  await setMailTrouble(sql, access, 'slow');
  await turnMessages(sql, access, 'again', (await messages()).map(({ id }) => id)); // prettier-ignore
  expect(await sendDueMail(sql)).toBe(0);
  expect(await states()).toMatchObject({ Ann: 'queued' });
  await comeDue();
  expect(await sendDueMail(sql)).toBe(2);
});

test('the stand-in shows the two hundred letters that came last, the newest first', async () => {
  await sql`
    with sent as (
      insert into message (project_id, maker_id, occasion, cause, reason, subject, body, base, state, send_at)
      select ${project.id}, ${makers[0]!.id}, 'drop', 'c' || n, '', 'S' || n, '', '', 'sent', now() from generate_series(1, 205) n
      returning id, subject)
    insert into stand_in_mail (message_id, recipient, subject, body, at)
    select id, 'a@maker.example', subject, '', now() + substr(subject, 2)::int * interval '1 second' from sent`;
  const shown = (await taken()).map(({ subject }) => subject);
  expect([shown.length, shown[0], shown.at(-1)]).toEqual([200, 'S205', 'S6']);
});

test('many senders that are lost at any place lose no letter and double none', async () => {
  const count = 300;
  const [maker] = makers;
  const rows = Array.from({ length: count }, (_, i) => ({ project_id: project.id, maker_id: maker?.id ?? '', occasion: 'drop', cause: `c${i}`, reason: '', subject: `S${i}`, body: '', state: 'queued', send_at: new Date(0) })); // prettier-ignore
  await sql`insert into message ${sql(rows)}`;
  await allTold();
  let handed = 0;
  const own = standIn(sql);
  /** Ends the senders that were lost, so that nothing of them is heard in later tests. */
  let end = (): void => undefined;
  const lost = new Promise<void>((_, reject) => (end = () => reject(new Error('long gone'))));
  lost.catch(() => undefined);
  const senders: Promise<number>[] = [];
  /** Dies before or after the letter is out, as a kill would: nothing is written of it. */
  const dying: Carrier = {
    ...own,
    send: async (mail) => {
      handed += 1;
      if (handed % 7 === 1) return lost;
      await own.send(mail);
      if (handed % 5 === 2) return lost;
    },
  };
  for (let round = 0; round < 60 && (await taken()).length < 200; round++)
    for (let i = 0; i < 10; i++) senders.push(sendDueMail(sql, dying));
  await expect.poll(async () => (await sql`select count(*)::int as n from message where state = 'sending'`)[0]?.n, { timeout: 60_000 }).toBeGreaterThan(10); // prettier-ignore
  for (let round = 0; round < 20; round++) {
    await sql`update message set seen_at = now() - interval '301 seconds' where state = 'sending'`;
    await Promise.all(Array.from({ length: 4 }, () => sendDueMail(sql, own)));
    await comeDue();
  }
  end();
  await Promise.all(senders);
  const [out] =
    await sql`select count(*)::int as n, count(distinct subject)::int as different from stand_in_mail`;
  expect(out).toEqual({ n: count, different: count });
  expect(await sql`select distinct state from message`).toEqual([{ state: 'sent' }]);
});

test('one who is busy sending is not taken for lost before five minutes', async () => {
  await draftReminders(sql, access, NOW);
  await sql`update message set state = 'sending', seen_at = now() - interval '290 seconds'`;
  await sendDueMail(sql);
  expect(await states()).toEqual({ Ann: 'sending', Bea: 'sending', Cyd: 'sending' });
  // A mail server cannot say whether it had a letter: the host is asked.
  await sql`update message set seen_at = now() - interval '301 seconds'`;
  const silent: Carrier = { send: () => Promise.reject(new Error('never asked')), has: () => Promise.resolve(undefined) }; // prettier-ignore
  await sendDueMail(sql, silent);
  expect(await states()).toEqual({ Ann: 'unsure', Bea: 'unsure', Cyd: 'unsure' });
  const ids = (await messages()).map(({ id }) => id);
  expect(await turnMessages(sql, access, 'back', ids)).toEqual({ turned: 0 });
  expect(await turnMessages(sql, access, 'arrived', ids)).toEqual({ turned: 3 });
});

/** Letters to the first maker that are due now. */
const queue = (count: number) => sql`
  insert into message (project_id, maker_id, occasion, cause, reason, subject, body, base, state, send_at)
  select ${project.id}, ${makers[0]?.id ?? ''}, 'drop', 'c' || n, '', 'S' || n, '', 'https://shop.example', 'queued', now()
  from generate_series(1, ${count}) n`;

/** What was told before has arrived: it comes in its order, and a last word with it. */
const allTold = () =>
  new Promise<void>((resolve) => {
    const word = randomUUID();
    void onChange(sql, ({ projectId }) => projectId === word && resolve()).then(() =>
      notify(sql, word, 'reminders'),
    );
  });

test('many letters are not told of one by one: now and then, and once all are out', async () => {
  await queue(40);
  await sql`update message set state = 'sending', seen_at = now() - interval '301 seconds' where substr(subject, 2)::int <= 20`;
  await allTold();
  let told = 0;
  const stop = await onChange(sql, ({ projectId, kind }) => void (told += projectId === project.id && kind === 'reminders' ? 1 : 0));
  const began = Date.now();
  expect(await sendDueMail(sql)).toBe(40);
  await allTold();
  stop();
  expect(told).toBeGreaterThanOrEqual(1);
  // Once a second, however long it takes, and once at the end.
  expect(told).toBeLessThan(3 + (Date.now() - began) / 1000);
}); // prettier-ignore

test('a letter that left is told while the next one still hangs', async () => {
  await queue(2);
  await allTold();
  let handed = 0;
  const heard = new Promise<void>((resolve) => {
    void onChange(sql, ({ projectId, kind }) => projectId === project.id && kind === 'reminders' && resolve());
  });
  const hangs: Carrier = { send: () => ((handed += 1) < 2 ? Promise.resolve() : heard), has: () => Promise.resolve(undefined) };
  expect(await sendDueMail(sql, hangs)).toBe(2);
}); // prettier-ignore

/** A mail server of a few lines that writes down what it is sent. @param end what it does after the letter */
async function tinyServer(end: 'takes' | 'refuses' | 'hangs up after' | 'hangs up before'): Promise<{ server: Server; url: string; heard: string[] }> {
  const heard: string[] = [];
  const server = createServer((socket) => {
    if (end === 'hangs up before') return void socket.destroy();
    let isLetter = false;
    socket.write('220 tiny\r\n');
    socket.on('error', () => undefined);
    socket.on('data', (chunk) => {
      for (const line of chunk.toString().split('\r\n').filter(Boolean)) {
        heard.push(line);
        if (isLetter && line === '.') {
          isLetter = false;
          if (end === 'hangs up after') socket.destroy();
          else socket.write(end === 'takes' ? '250 taken\r\n' : '554 no\r\n');
        } else if (!isLetter) {
          isLetter = line === 'DATA';
          socket.write(isLetter ? '354 go on\r\n' : '250 ok\r\n');
        }
      }
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, url: `smtp://127.0.0.1:${(server.address() as AddressInfo).port}`, heard };
} // prettier-ignore

test.each([['takes', 'sent'], ['refuses', 'queued'], ['hangs up after', 'unsure'], ['hangs up before', 'queued']] as const)('a mail server that %s a letter leaves it %s', async (end, state) => {
  const { server, url, heard } = await tinyServer(end);
  const carrier = mailServer(url);
  await draftReminders(sql, access, NOW);
  await approve();
  await sql`update message set send_at = now() where state = 'queued' and maker_id = ${makers[0]?.id ?? ''}`;
  await sql`update message set send_at = now() + interval '1 day' where maker_id <> ${makers[0]?.id ?? ''}`;
  await sendDueMail(sql, carrier);
  carrier.close();
  server.close();
  expect(await states()).toMatchObject({ Ann: state });
  if (end === 'hangs up before') return;
  const id = (await messages()).find(({ maker }) => maker === 'Ann')?.id;
  expect(heard).toContain('RCPT TO:<Ann@maker.example>');
  expect(heard).toContain(`Message-ID: <${id}@kevlo>`);
  expect(heard.join('')).toContain('https://shop.example/off/');
}); // prettier-ignore
