// The running app for journeys: the built server on a free port, and Chromium to walk through it.
import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Browser, type BrowserContext, type Download, type Page } from 'playwright-core';

/**
 * What Chromium would do besides: no journey needs it. The popups of the address bar alone are two pages of script in each window,
 * more work than the app's own. The list takes the place of the driver's, whose entries it repeats as far as they matter here.
 */
const UNWANTED = [
  ...['WebUIOmniboxPopup', 'WebUIOmniboxAimPopup'],
  ...['AimEnabled', 'HttpsUpgrades', 'LensOverlay', 'MediaRouter', 'NetworkTimeServiceQuerying', 'OptimizationHints'],
  ...['PaintHolding', 'PreconnectToSearch', 'ThirdPartyStoragePartitioning', 'Translate'],
];

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
    '--disable-extensions',
    '--disable-default-apps',
    `--disable-features=${UNWANTED.join(',')}`,
  ],
};

export interface RunningApp {
  readonly url: string;
  readonly stop: () => void;
}

let sharedApp: Promise<RunningApp> | undefined;

/** The built server; one for all journeys, which have profiles of their own. `stop` leaves it to the others. */
export async function startApp(): Promise<RunningApp> {
  sharedApp ??= startServer();
  return { url: (await sharedApp).url, stop: () => undefined };
}

/** Starts the built server and waits for the address that it prints; it ends with this process. */
function startServer(): Promise<RunningApp> {
  const program = fileURLToPath(new URL('../../dist/server/main.mjs', import.meta.url));
  const server: ChildProcess = spawn(process.execPath, [program], {
    env: { ...process.env, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.once('exit', () => server.kill());
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

type StorageState = Awaited<ReturnType<BrowserContext['storageState']>>;

/** A browser's storage. The driver keeps no Blobs: the pictures of the books stand beside it, in base64. */
interface KeptShelf {
  readonly state: StorageState;
  readonly pictures: readonly (readonly [hash: string, bytes: string])[];
}

let demoShelf: Promise<KeptShelf> | undefined;

/** What a browser keeps that has been on the Shelf once: the demonstration books, with their title pages. */
async function makeDemoShelf(browser: JourneyBrowser, app: RunningApp): Promise<KeptShelf> {
  const context = await browser.newContext();
  context.setDefaultTimeout(PATIENCE);
  const page = await context.newPage();
  await page.goto(app.url);
  await page
    .getByRole('img', { name: /^Title page of/ })
    .nth(1)
    .waitFor();
  const pictures = await page.evaluate(picturesKept);
  const state = await context.storageState({ indexedDB: true });
  await context.close();
  return { state, pictures };
}

/** In the page: the pictures of the database. */
async function picturesKept(): Promise<[string, string][]> {
  const rows = await new Promise<{ hash: string; blob: Blob }[]>((resolve, reject) => {
    const opening = indexedDB.open('walnut-leaf');
    opening.onerror = () => reject(opening.error!);
    opening.onsuccess = () => {
      const all = opening.result.transaction('blobs').objectStore('blobs').getAll();
      all.onsuccess = () => {
        opening.result.close();
        resolve(all.result as { hash: string; blob: Blob }[]);
      };
    };
  });
  const found: [string, string][] = [];
  for (const { hash, blob } of rows) {
    let bytes = '';
    for (const byte of new Uint8Array(await blob.arrayBuffer())) bytes += String.fromCharCode(byte);
    found.push([hash, btoa(bytes)]);
  }
  return found;
}

/** In a page of the app's origin that is not the app: puts pictures into its database. */
function keepPictures(pictures: KeptShelf['pictures']): Promise<void> {
  return new Promise((resolve, reject) => {
    const opening = indexedDB.open('walnut-leaf');
    opening.onerror = () => reject(opening.error!);
    opening.onsuccess = () => {
      const write = opening.result.transaction('blobs', 'readwrite');
      for (const [hash, text] of pictures) {
        const bytes = Uint8Array.from(atob(text), (char) => char.charCodeAt(0));
        write.objectStore('blobs').put({ hash, blob: new Blob([bytes]) });
      }
      write.oncomplete = () => {
        opening.result.close();
        resolve();
      };
      write.onerror = () => reject(write.error!);
    };
  });
}

/**
 * A browser profile at 1280 x 800, watched for stray requests and errors. Not `isFresh`: it has been on the Shelf before, so
 * that the demonstration books need not be made anew for each visit.
 */
export async function visit(browser: JourneyBrowser, app: RunningApp, { isFresh = false } = {}): Promise<Visit> {
  const kept = isFresh ? undefined : await (demoShelf ??= makeDemoShelf(browser, app));
  const storageState = kept?.state;
  const viewport = { width: 1280, height: 800 };
  const context = await browser.newContext({ viewport, acceptDownloads: true, ...(storageState && { storageState }) });
  context.setDefaultTimeout(PATIENCE);
  if (kept !== undefined) {
    const before = await context.newPage();
    await before.goto(`${app.url}faces.json`);
    await before.evaluate(keepPictures, kept.pictures);
    await before.close();
  }
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

let sharedBrowser: Promise<Browser> | undefined;

/** What a journey does with a browser. */
export type JourneyBrowser = Pick<Browser, 'newContext'> & { readonly close: () => Promise<void> };

/** One browser for all journeys; `close` ends the profiles that were opened through this one. */
export async function launch(): Promise<JourneyBrowser> {
  sharedBrowser ??= chromium.launch(CHROMIUM);
  const browser = await sharedBrowser;
  const contexts: BrowserContext[] = [];
  return {
    newContext: async (options) => {
      const context = await browser.newContext(options);
      contexts.push(context);
      return context;
    },
    close: async () => {
      await Promise.all(contexts.map((context) => context.close()));
    },
  };
}

/** A wait ends when its screen is there; this long only when it never comes, however busy the machine is, in ms. */
const PATIENCE = 120_000;

/** Polls what a person would see until it is so; throws with `what` when it never is. */
export async function eventually(what: string, isSo: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + PATIENCE; !(await isSo());) {
    if (Date.now() > end) throw new Error(`It never came to this: ${what}.`);
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
}

/** Until nothing on the screen moves or fades any more; what turns for ever is not waited for. */
export async function untilStill(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every((one) => one.playState !== 'running' || one.effect?.getComputedTiming().endTime === Infinity),
  );
}

/** Takes a key on the strip of spreads, and waits until another spread is in view. False at the end of the book. */
export async function turnSpread(page: Page, key: string): Promise<boolean> {
  const strip = page.getByRole('slider', { name: 'Spread' });
  const before = await strip.getAttribute('aria-valuenow');
  if (before === (key === 'Home' ? '1' : await strip.getAttribute('aria-valuemax'))) return false;
  await strip.press(key);
  await eventually('another spread is in view', async () => (await strip.getAttribute('aria-valuenow')) !== before);
  return true;
}

/** A browser whose profile outlives it. */
export interface ProfileBrowser {
  readonly context: BrowserContext;
  readonly page: Page;
  /** Ends every process of the browser at once, as a power cut would. */
  readonly kill: () => Promise<void>;
}

/** Starts a browser of a profile in a process group of its own, so that all of it can be ended by the group's number. */
export async function openProfile(profile: string): Promise<ProfileBrowser> {
  const child = spawn(
    CHROMIUM.executablePath,
    [...CHROMIUM.args, '--headless=new', `--user-data-dir=${profile}`, '--remote-debugging-port=0', 'about:blank'],
    { detached: true, stdio: ['ignore', 'ignore', 'pipe'] },
  );
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const end = () => {
    if (child.exitCode === null && child.signalCode === null) process.kill(-child.pid!, 'SIGKILL');
  };
  process.once('exit', end);
  const address = await new Promise<string>((resolve, reject) => {
    let words = '';
    child.once('exit', (code) => reject(new Error(`Chromium ended with ${code}: ${words.slice(-400)}`)));
    child.stderr!.on('data', (data: Buffer) => {
      words += data.toString();
      const found = /DevTools listening on (ws:\/\/\S+)/.exec(words);
      if (found !== null) resolve(found[1]);
    });
  });
  const browser = await chromium.connectOverCDP(address);
  const context = browser.contexts()[0];
  context.setDefaultTimeout(PATIENCE);
  const page = context.pages()[0] ?? (await context.newPage());
  await page.setViewportSize({ width: 1280, height: 800 });
  const kill = async () => {
    end();
    await gone;
    process.off('exit', end);
  };
  return { context, page, kill };
}

/** What a journey walks through in one visit: filled before its first step. */
export interface Journey {
  app: RunningApp;
  browser: JourneyBrowser;
  here: Visit;
  page: Page;
}

/** One visit for all steps of a `describe`: begins with `arrive`, ends by closing all, and has seen no error. `isFresh`: see `visit`. */
export function journey(arrive: (page: Page, app: RunningApp) => Promise<void>, { isFresh = false } = {}): Journey {
  const walk = {} as Journey;
  before(async () => {
    walk.app = await startApp();
    walk.browser = await launch();
    walk.here = await visit(walk.browser, walk.app, { isFresh });
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
  let fact = '';
  await eventually(`${stage} tells what is waited for`, async () => isRight((fact = await stageFact(page, stage))));
  return fact;
}

/** Words of a page's text layer, lines joined. */
export async function wordsOnPage(page: Page, number: number): Promise<string> {
  const text = await page.locator(`article[data-page="${number}"]`).textContent();
  return (text ?? '').replace(/\s+/g, ' ').trim();
}
