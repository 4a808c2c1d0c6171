import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import axe from 'axe-core';
import { Builder, By, Key, error, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome';
import { BLOCK_FORMAT } from '@/core/block';

/** How long a page may take to show something, ms. */
export const PATIENCE_MS = 60_000;

const ARGUMENTS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-dev-shm-usage',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // Nobody opens the browser's own side panels: they take as long to start as all the rest.
  '--disable-features=PreloadTopChromeWebUI,PreloadTopChromeWebUILessNavigations,InitialWebUI',
  '--force-color-profile=srgb',
];

/** Whether the page listens to an element: links and files work without, buttons do not. */
const LISTENS =
  "const [e] = arguments; return e.tagName !== 'BUTTON' || Object.keys(e).some((key) => key.startsWith('__reactProps'))";

/** Whether an element stands still from one picture to the next: in a menu that is still opening, the press would land on its neighbour. */
const IS_STILL = `
  const [e, answer] = arguments;
  const place = () => JSON.stringify(e.getBoundingClientRect());
  const before = place();
  requestAnimationFrame(() => requestAnimationFrame(() => answer(e.isConnected && place() === before)));`;

/** What an address answered to a page. */
interface Answer {
  readonly status: number;
  readonly type: string;
  readonly text: string;
}

/** A browser window of its own, with the finders a person's eyes would be. */
export class Browser {
  private constructor(
    readonly driver: WebDriver,
    private readonly profile: string,
    readonly base: string,
  ) {}

  /** @param more arguments of the browser besides the usual */
  static async open(
    base: string,
    width = 1280,
    height = 800,
    more: readonly string[] = [],
  ): Promise<Browser> {
    const profile = mkdtempSync(path.join(tmpdir(), 'kevlo-browser-'));
    const options = new chrome.Options();
    options.setChromeBinaryPath('/usr/bin/chromium');
    options.addArguments(...ARGUMENTS, ...more, `--user-data-dir=${profile}`);
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
      .build();
    await driver.manage().setTimeouts({ script: PATIENCE_MS });
    const browser = new Browser(driver, profile, base);
    await browser.resize(width, height);
    return browser;
  }

  async resize(width: number, height: number): Promise<void> {
    const metrics = { width, height, deviceScaleFactor: 1, mobile: width < 600 };
    await (this.driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', metrics);
  }

  /** Sends a command of the browser's developer tools. */
  async tool<T>(command: string, options: object): Promise<T> {
    return (await (this.driver as chrome.Driver).sendAndGetDevToolsCommand(command, options)) as T;
  }

  async close(): Promise<void> {
    await this.driver.quit();
    rmSync(this.profile, { recursive: true, force: true, maxRetries: 3 });
  }

  async go(address: string): Promise<void> {
    await this.driver.get(address.startsWith('http') ? address : `${this.base}${address}`);
    // A press on a button that the page does not listen to yet would be lost: a person is never that quick.
    const listens =
      "return [...document.querySelectorAll('button')].every((one) => Object.keys(one).some((key) => key.startsWith('__reactProps')))";
    await this.driver.wait(() => this.driver.executeScript<boolean>(listens), 5000).catch(() => undefined);
  }

  /** Presses a tab: where a station has the same name, that is not meant. */
  openTab(name: string): Promise<void> {
    return this.press(name, "@role='tab'");
  }

  /** Waits for an element that holds a text. */
  async see(text: string, within = '//body', patienceMs = PATIENCE_MS): Promise<WebElement> {
    const holds = `contains(normalize-space(.), ${quote(text)})`;
    const place = By.xpath(
      `${within}//*[not(self::script)][${holds}][not(.//*[not(self::script)][${holds}])]`,
    );
    try {
      return await this.driver.wait(until.elementLocated(place), patienceMs);
    } catch (problem) {
      if (!(problem instanceof error.TimeoutError)) throw problem;
      throw new Error(`“${text}” did not appear; ${await this.showing()}`, { cause: problem });
    }
  }

  /** What a failure should tell: where the page is and what it shows, what lies on top first. */
  private async showing(): Promise<string> {
    const shown = await this.driver.executeScript<string>(
      "return [...document.querySelectorAll('[role=dialog], [role=menu], [role=alert], main, body')].map((one) => one.innerText.replace(/\\s+/g, ' ').slice(0, 300)).filter(Boolean).slice(0, 4).join(' | ')",
    );
    return `${await this.driver.getCurrentUrl()} shows: ${shown}`;
  }

  /** Waits until a text is no longer on the page. */
  async gone(text: string): Promise<void> {
    // By the browser's own text: WebDriver's takes half a second of a processor on a large page, at every look.
    const isThere =
      "return !document.body || document.body.innerText.replace(/\\s+/g, ' ').includes(arguments[0])";
    await this.driver.wait(
      async () => !(await this.driver.executeScript<boolean>(isThere, text)),
      PATIENCE_MS,
      `“${text}” is still there`,
    );
  }

  async press(
    name: string,
    kinds = "self::button or self::a or @role='tab' or @role='menuitem' or @role='option' or self::label",
  ): Promise<void> {
    const label = quote(name);
    // What cannot be pressed, or lies behind a dialog, is not what is meant.
    const place = By.xpath(
      `//*[${kinds}][not(@disabled) and not(ancestor::*[@aria-hidden='true'])][starts-with(normalize-space(.), ${label}) or starts-with(@aria-label, ${label})]`,
    );
    // A page that is still settling may replace the element under the finger: look again until it takes the press.
    await this.driver.wait(
      async () => {
        try {
          const element = await this.driver.findElement(place);
          await this.driver.executeScript('arguments[0].scrollIntoView({block:"center"})', element);
          if (!(await element.isEnabled())) return false;
          // What has only just been streamed in does not listen yet: a press on it would be lost.
          if (!(await this.driver.executeScript<boolean>(LISTENS, element))) return false;
          if (!(await this.driver.executeAsyncScript<boolean>(IS_STILL, element))) return false;
          await element.click();
          return true;
        } catch (problem) {
          if (problem instanceof error.WebDriverError) return false;
          throw problem;
        }
      },
      PATIENCE_MS,
      `no “${name}” to press`,
    );
  }

  /** Types into the field with a label, in place of what is there. */
  async fill(label: string, text: string): Promise<void> {
    const at = `//label[starts-with(normalize-space(.), ${quote(label)})]`;
    const typed = "*[self::input or self::textarea][not(@aria-hidden='true')]";
    // Within its label, or the first after it.
    const place = By.xpath(`(${at}//${typed} | ${at}/following::${typed}[1])[1]`);
    const field = await this.driver.wait(until.elementLocated(place), PATIENCE_MS, `no field “${label}”`);
    // Emptied by keys, as a person would: `clear` goes past the page's own handling of typing.
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE, text);
  }

  /** Chooses from a list of the device’s own, by how the choice begins. */
  async pick(label: string, choice: string): Promise<void> {
    const place = By.xpath(
      `//label[starts-with(normalize-space(.), ${quote(label)})]/following::select[1]/option[starts-with(normalize-space(.), ${quote(choice)})]`,
    );
    const option = await this.driver.wait(until.elementLocated(place), PATIENCE_MS, `no choice “${choice}”`);
    await option.click();
  }

  async signIn(email: string, password: string): Promise<void> {
    await this.go('/sign-in');
    await this.fill('E-mail address', email);
    await this.fill('Password', password);
    await this.press('Sign in');
    await this.see('Your projects');
  }

  /** Makes the first host of an empty installation, and a project. @returns the project's path */
  async beginProject(email: string, password: string, name: string): Promise<string> {
    await this.go('/');
    await this.see('The first host');
    await this.fill('Your name', 'Test Host');
    await this.fill('E-mail address', email);
    await this.fill('Password', password);
    await this.press('Make the account');
    await this.see('Your projects');
    await this.fill('Name', name);
    await this.press('Make the project');
    await this.see('No block yet');
    return new URL(await this.driver.getCurrentUrl()).pathname.split('/').slice(0, 3).join('/');
  }

  /** Makes a block in a project by the same door as the workshop does. @returns its id */
  async addBlock(
    project: string,
    name: string,
    patches: readonly unknown[],
    more: object = {},
  ): Promise<string> {
    const { status, text } = await this.ask(`/api${project.replace('/p/', '/projects/')}/blocks`, 'POST', {
      name,
      document: { format: BLOCK_FORMAT, patches, ...more },
    });
    if (status >= 300) throw new Error(`The block “${name}” was not made: ${status} ${text.slice(0, 300)}`);
    return (JSON.parse(text) as { id: string }).id;
  }

  /** Asks an address from the page, as its own scripts do. @throws Error that says why there was no answer */
  async ask(address: string, method = 'GET', body?: unknown): Promise<Answer> {
    const answer = await this.driver.executeAsyncScript<Answer | string>(
      `const [address, method, body, done] = arguments;
       const headers = body === null ? {} : { 'content-type': 'application/json' };
       fetch(address, { method, headers, ...(body !== null && { body }) })
         .then(async (r) => done({ status: r.status, type: r.headers.get('content-type') ?? '', text: await r.text() }))
         .catch((problem) => done(String(problem)));`,
      address,
      method,
      body === undefined ? null : JSON.stringify(body),
    );
    if (typeof answer === 'string') throw new Error(`${method} ${address}: ${answer}`);
    return answer;
  }

  /** What an address answers, as JSON. */
  async askJson<T>(address: string): Promise<T> {
    return JSON.parse((await this.ask(address)).text) as T;
  }

  /** What is against WCAG 2 A and AA, 2.1 AA and 2.2 AA on the page, as far as a machine can tell. */
  async faults(): Promise<string[]> {
    await this.driver.executeScript(axe.source);
    return this.driver.executeAsyncScript<string[]>(
      `const done = arguments[arguments.length - 1];
       // What fades in or out is looked at when it stands there or is gone: halfway its colours are none of the page's.
       const moving = document.getAnimations().filter((one) => one.effect && Number.isFinite(one.effect.getComputedTiming().endTime));
       const rested = Promise.race([Promise.allSettled(moving.map((one) => one.finished)), new Promise((resolve) => setTimeout(resolve, 3000))]);
       rested.then(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))).then(() => axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] })).then(({ violations }) =>
         done(violations.map(({ id, nodes }) => id + ' ' + nodes[0].html.slice(0, 200))));`,
    );
  }

  async shoot(file: string): Promise<void> {
    writeFileSync(file, await this.driver.takeScreenshot(), 'base64');
  }

  async text(): Promise<string> {
    return this.driver.findElement(By.css('body')).getText();
  }
}

function quote(text: string): string {
  return text.includes("'") ? `"${text}"` : `'${text}'`;
}
