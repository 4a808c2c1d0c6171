import { By, Key, until } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe, generate } from '@/core/generate';
import { practiceQuestions, type Question } from '@/core/practice';
import { batchesOf } from '@/core/sheet';
import { plannedSheet } from '@/core/testing';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/** Practice at the desk by keys, before a class, on a phone by touch; the steps on a projector; like units by their counter. */
let application: Application;
let host: Browser;
let phone: Browser;
let order = '';
let makerPath = '';

const patches = generate(defaultRecipe('beams'));
const sheet = plannedSheet(patches, { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' });
const questions = practiceQuestions(sheet);

beforeAll(async () => {
  application = await Application.shared();
  const [base = ''] = application.addresses;
  host = await Browser.open(base);
  phone = await Browser.open(base, 390, 844);
  const project = await host.beginProject('host@practice.example', 'a long password', 'Practised');
  const block = await host.addBlock(project, 'Beams', patches);
  order = `${project}/order/${block}`;
  await host.go(`${project}/makers`);
  await host.fill('Names, one to a line', 'Ann Example');
  await host.press('Add the maker');
  await host.see('Shown this once');
  const [link] = await host.driver.findElements(By.css('[data-testid=maker-link]'));
  makerPath = new URL((await link?.getAttribute('href')) ?? '').pathname;
});

afterAll(async () => {
  await host?.close();
  await phone?.close();
});

/** The question on screen. */
async function asked(browser: Browser): Promise<Question> {
  const heading = await browser.driver.wait(
    until.elementLocated(By.css('[aria-label=Practice] h1')),
    PATIENCE_MS,
  );
  const text = await heading.getText();
  const found = questions.find(({ asks }) => asks === text);
  if (!found) throw new Error(`No question asks “${text}”.`);
  return found;
}

test('at the desk by keys alone: a number chooses, Enter goes on; it is right or not at once, with the reason', async () => {
  await host.go(`${order}/practice`);
  await host.see('This stays on this device');
  expect(await host.faults()).toEqual([]);
  const all = new Set(questions.map(({ kind }) => kind));
  const kinds = new Set<string>();
  for (let i = 0; i < 4 * all.size && kinds.size < all.size; i++) {
    const { kind, answer } = await asked(host);
    kinds.add(kind);
    if (answer.form === 'choice') await host.driver.actions().sendKeys('1').perform();
    else if (answer.form === 'tap') {
      // The first paper by Tab and Space.
      const first = await host.driver.findElement(By.css('[role=checkbox]'));
      await host.driver.executeScript('arguments[0].focus()', first);
      await host.driver.actions().sendKeys(' ').perform();
      await host.see('These 1 may come out');
      await host.driver.actions().sendKeys(Key.ENTER).perform();
    } else {
      await host.fill('Papers', String(answer.right));
      await host.press('Answer');
    }
    await host.see('Next question');
    expect(await host.faults()).toEqual([]);
    await host.driver.executeScript('document.activeElement.blur()');
    await host.driver.actions().sendKeys(Key.ENTER).perform();
    // Until the next question stands there, the heading is still that of the last.
    await host.gone('Next question');
  }
  expect(kinds).toEqual(all);
});

test('a class is asked on the whole screen; what it misses is told to the host', async () => {
  await host.press('Class view');
  await host.see('Close (Esc)');
  expect(await host.faults()).toEqual([]);
  await host.driver.actions().sendKeys(Key.ESCAPE).perform();
  await host.see('Teach next time');
  await host.see('Nothing is missed often yet');
});

test('on a phone by touch; the page of the maker leads there and back', async () => {
  await phone.go(makerPath);
  await phone.press('Practise this block');
  await phone.see('not who missed them');
  const { answer } = await asked(phone);
  if (answer.form === 'tap') {
    const [paper] = await phone.driver.findElements(By.css('[role=checkbox]'));
    await phone.driver.actions().move({ origin: paper! }).click().perform();
    await phone.press('These 1 may come out');
  } else if (answer.form === 'choice') await phone.press('1 · ');
  await phone.see('Next question');
  expect(await phone.faults()).toEqual([]);
  await phone.press('Next question');
  await phone.gone('Next question');
  await phone.press('← Beams');
  await phone.see('Step 1 of');
});

test('a clicker goes through the steps on a projector, B darkens it', async () => {
  await host.go(order);
  await host.press('Projector');
  await host.see('step 1 of');
  expect(await host.faults()).toEqual([]);
  await host.driver.actions().sendKeys(Key.PAGE_DOWN, Key.PAGE_DOWN).perform();
  await host.see('Beams, step 3 of');
  await host.driver.actions().sendKeys('b').perform();
  await host.gone('Beams, step 3 of');
  await host.driver.actions().sendKeys('b', Key.PAGE_UP).perform();
  await host.see('Beams, step 2 of');
  await host.driver.actions().sendKeys(Key.ESCAPE).perform();
  await host.see('Step 2 of');
});

test('in the bag, and number stickers: what a maker needs before the first seam', async () => {
  await phone.press('In the bag, and how to begin');
  await phone.see('Lay ready:');
  expect(await phone.faults()).toEqual([]);
  const stickers = `/api${order.replace('/p/', '/projects/').replace('/order/', '/blocks/')}/print?what=stickers`;
  expect(await host.ask(stickers)).toMatchObject({ status: 200, type: 'application/pdf' });
});

test('like units are ticked by their counter on a phone, each of all its steps', async () => {
  const [batch] = batchesOf(sheet.steps);
  const { count = 0, size = 0 } = batch ?? {};
  expect(count * size).toBeGreaterThan(3);
  await phone.press('All steps, and the whole block');
  const at = "//section[@aria-label='All steps']//button[starts-with(normalize-space(.), 'All ')]";
  await phone.see(`All ${count} done`);
  const [all] = await phone.driver.findElements(By.xpath(at));
  await phone.driver.executeScript(
    'arguments[0].scrollIntoView({ block: "center" }); arguments[0].click()',
    all,
  );
  await phone.see(`${count} to make · ${count} done`);
  await phone.see(`${count * size} of ${sheet.steps.length} steps done`);
  expect(await phone.faults()).toEqual([]);
});
