/**
 * Takes one picture of each main view from the running demo into docs/screenshots.
 * Run: npx tsx e2e/screenshots.ts BASE-ADDRESS DEMO-SIGN-INS.json
 */
import { readFileSync } from 'node:fs';
import { By } from 'selenium-webdriver';
import type { DemoSignIns } from '@/server/demo';
import { Browser } from './browser';

const [base = '', file = '', only = ''] = process.argv.slice(2);
const signIns = JSON.parse(readFileSync(file, 'utf8')) as DemoSignIns;
const browser = await Browser.open(base);
const picture = async (name: string, work: () => Promise<void>) => {
  if (only !== '' && !name.includes(only)) return;
  await work();
  await new Promise((resolve) => setTimeout(resolve, 900));
  await browser.shoot(`docs/screenshots/${name}.png`);
};
try {
  await browser.signIn(signIns.email, signIns.password);
  await browser.press('Night Ferry');
  await browser.see('Today');
  const project = new URL(await browser.driver.getCurrentUrl()).pathname;
  await picture('today', () => browser.go(project));
  await picture('blocks', () => browser.go(`${project}/blocks`));
  await browser.go(`${project}/blocks`);
  await browser.press('Star Chart');
  await browser.see('Seam report');
  const blockPath = new URL(await browser.driver.getCurrentUrl()).pathname;
  await picture('block', () => browser.go(blockPath));
  await picture('import', async () => {
    await browser.go(`${project}/blocks/new`);
    const input = await browser.driver.findElement({ css: 'input[type=file]' });
    await input.sendKeys(new URL('faulty.svg', import.meta.url).pathname);
    await browser.see('to look at');
  });
  await picture('cloth', async () => {
    await browser.go(`${project}/cloth`);
    await browser.see('From bolt to bags');
    const papers = await browser.driver.findElement({ css: '#motif [role=combobox]' });
    await browser.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', papers);
    await papers.click();
    await browser.press('Lighthouse, Beacon: 6 ×');
    await browser.press('Turn the motif outwards in the block');
    await browser.driver.executeScript("document.getElementById('motif').scrollIntoView()");
  });
  await picture('bolt', async () => {
    await browser.go(`${project}/cloth`);
    await browser.see('From bolt to bags');
    await browser.driver.executeScript("document.getElementById('bolt').scrollIntoView()");
  });
  await picture('papers', async () => {
    await browser.go(`${project}/blocks/papers`);
    await browser.press('Diamond');
  });
  await picture('setting', async () => {
    await browser.go(`${project}/blocks/setting`);
    await (await browser.driver.findElement({ css: '[aria-label^="Place 5"]' })).click();
  });
  const workshopOf = async (name: string) => {
    await browser.go(`${project}/blocks`);
    await browser.press(name);
    await browser.see('Seam report');
    await browser.press('Workshop');
    await browser.see('Place (2)');
  };
  await picture('workshop', async () => {
    await workshopOf('Lighthouse');
    await browser.driver.executeScript("document.querySelector('[role=application]').focus()");
    await browser.driver.actions().sendKeys('\uE015', ' ').perform();
  });
  await picture('order', async () => {
    await browser.go(blockPath.replace('/blocks/', '/order/'));
    await browser.see('Step 1 of');
    for (let i = 0; i < 14; i++) await browser.driver.actions().sendKeys('\uE014').perform();
  });
  await picture('calendar', () => browser.go(`${project}/calendar`));
  await picture('bags', () => browser.go(`${project}/bags`));
  await picture('packing', async () => {
    await browser.go(`${project}/bags/pack`);
    await browser.press('Wake, Dorothea Imms');
    await browser.see('Not yet:');
    await browser.press('All 29 in');
    await browser.press('1 in, Calico');
  });
  await picture('practice', async () => {
    await browser.go(`${blockPath.replace('/blocks/', '/order/')}/practice`);
    await browser.see('This stays on this device');
    await browser.press('None may come out');
    await browser.see('Next question');
  });
  await picture('stuck', () => browser.go(`${project}/makers`));
  await picture('makers', async () => {
    await browser.go(`${project}/makers`);
    const wall = await browser.see('Sewn of each drop');
    await browser.driver.executeScript('arguments[0].scrollIntoView({ block: "start" })', wall);
  });
  await picture('sorter', async () => {
    await browser.go(`${project}/bags/sorter`);
    await browser.see('Round 1');
  });
  await picture('reminders', async () => {
    await browser.go(`${project}/calendar/reminders`);
    await browser.press('Draft what is due');
    await browser.see('Anselm Drury');
    // What was done is told, whatever it was; the picture is taken when that has gone.
    const notices = () => browser.driver.findElements(By.css('.MuiSnackbar-root'));
    await browser.driver.wait(async () => (await notices()).length > 0, 10_000);
    await browser.driver.wait(async () => (await notices()).length === 0, 30_000);
  });
  await browser.resize(390, 844);
  const maker = signIns.makers[4];
  await picture('maker-phone', () => browser.go(`/m/${maker?.token}`));
} finally {
  await browser.close();
}
