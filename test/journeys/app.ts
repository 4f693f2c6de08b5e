// The running app for journeys: the built server on a free port, and Chromium to walk through it.
import { expect } from 'chai';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Browser, type BrowserContext, type Download, type Page } from 'playwright-core';

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export interface RunningApp {
  readonly url: string;
  readonly stop: () => void;
}

/** Starts the built server and waits for the address that it prints. */
export function startApp(): Promise<RunningApp> {
  const program = fileURLToPath(new URL('../../dist/server/main.mjs', import.meta.url));
  const server: ChildProcess = spawn(process.execPath, [program], {
    env: { ...process.env, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    server.stdout!.on('data', (data: Buffer) => {
      const found = /(http:\/\/127\.0\.0\.1:\d+\/)/.exec(data.toString());
      if (found !== null) resolve({ url: found[1], stop: () => server.kill() });
    });
  });
}

export interface Visit {
  readonly page: Page;
  readonly context: BrowserContext;
  /** Addresses of requests that left for elsewhere, and errors that the page reported. */
  readonly strays: string[];
  readonly errors: string[];
}

/** A fresh browser profile at 1280 x 800, watched for stray requests and errors. */
export async function visit(browser: Browser, app: RunningApp): Promise<Visit> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
  const strays: string[] = [];
  const errors: string[] = [];
  context.on('request', (request) => {
    if (!/^(blob|data):/.test(request.url()) && !request.url().startsWith(app.url)) strays.push(request.url());
  });
  const page = await context.newPage();
  watch(page, errors);
  context.on('page', (other) => watch(other, errors));
  return { page, context, strays, errors };
}

function watch(page: Page, errors: string[]): void {
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(message.text());
  });
}

export const launch = () => chromium.launch(CHROMIUM);

/** A browser whose profile outlives it. */
export async function openProfile(profile: string): Promise<{ context: BrowserContext; page: Page }> {
  const context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 1280, height: 800 },
  });
  const page = context.pages()[0] ?? (await context.newPage());
  return { context, page };
}

/** Ends every process of the browser that lives in the profile at once, as a power cut would. */
export function killBrowser(profile: string): void {
  spawnSync('pkill', ['-9', '-f', '--', `--user-data-dir=${profile}`]);
}

/** What a journey walks through in one visit: filled before its first step. */
export interface Journey {
  app: RunningApp;
  browser: Browser;
  here: Visit;
  page: Page;
}

/** One visit for all steps of a `describe`: begins with `arrive`, ends by closing all, and has seen no error. */
export function journey(arrive: (page: Page, app: RunningApp) => Promise<void>): Journey {
  const walk = {} as Journey;
  before(async () => {
    walk.app = await startApp();
    walk.browser = await launch();
    walk.here = await visit(walk.browser, walk.app);
    walk.page = walk.here.page;
    await arrive(walk.page, walk.app);
  });
  after(async () => {
    await walk.here?.context.close();
    await walk.browser?.close();
    walk.app?.stop();
    expect(walk.here?.errors).to.deep.equal([]);
  });
  return walk;
}

/** Opens the demonstration book from the Shelf and waits for its first page. */
export async function openDemo(page: Page, app: RunningApp): Promise<void> {
  await page.goto(app.url);
  await page.getByRole('link', { name: 'Open The Ferry Register' }).click();
  await page.locator('article [data-width]').first().waitFor();
}

/** Puts files on an element as if they were dropped on it. */
export async function dropFiles(
  page: Page,
  selector: string,
  files: readonly { name: string; bytes: Uint8Array }[],
): Promise<void> {
  const data = files.map((file) => ({ name: file.name, base64: Buffer.from(file.bytes).toString('base64') }));
  const transfer = await page.evaluateHandle((list) => {
    const made = new DataTransfer();
    for (const { name, base64 } of list) {
      made.items.add(new File([Uint8Array.from(atob(base64), (char) => char.charCodeAt(0))], name));
    }
    return made;
  }, data);
  await page.dispatchEvent(selector, 'dragover', { dataTransfer: transfer });
  await page.dispatchEvent(selector, 'drop', { dataTransfer: transfer });
}

export async function bytesOf(download: Download): Promise<Uint8Array> {
  return new Uint8Array(readFileSync(await download.path()));
}

/** The count beside a stage in the top bar, once the pages are those of the newest text. */
export async function stageFact(page: Page, stage: string): Promise<string> {
  await page.waitForFunction(() => document.querySelector('[data-progress]') === null);
  const words = await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: new RegExp(`^${stage}`) })
    .innerText();
  return words.replace(stage, '').trim();
}

/** Waits until the count beside a stage satisfies the question. */
export async function untilFact(page: Page, stage: string, isRight: (fact: string) => boolean): Promise<string> {
  for (let tries = 0; tries < 100; tries += 1) {
    const fact = await stageFact(page, stage);
    if (isRight(fact)) return fact;
    await page.waitForTimeout(100);
  }
  throw new Error(`${stage} still says ${await stageFact(page, stage)}`);
}

/** Words of a page's text layer, lines joined. */
export async function wordsOnPage(page: Page, number: number): Promise<string> {
  const text = await page.locator(`article[data-page="${number}"]`).textContent();
  return (text ?? '').replace(/\s+/g, ' ').trim();
}
