import { expect } from 'chai';
import { mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import { join } from 'node:path';
import { createStaticApp } from '../../server/staticApp';
import { scratch } from '../build/tools';

const SECRET = 'not-for-the-browser';

describe('the server', () => {
  let server: Server;
  let base: string;
  let folder: string;

  before((done) => {
    folder = join(scratch(), 'app');
    mkdirSync(join(folder, 'assets'), { recursive: true });
    writeFileSync(join(folder, 'index.html'), '<title>Walnut Leaf</title>');
    writeFileSync(join(folder, 'assets/a.js'), '1');
    server = createStaticApp(folder).listen(0, '127.0.0.1', () => {
      base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      done();
    });
  });
  after((done) => void server.close(done));

  it('serves the one page for the Shelf and every stage of a book', async () => {
    for (const path of ['/', '/book/b1/pages', '/book/b1/send-out']) {
      const response = await fetch(base + path);
      expect(response.status).to.equal(200);
      expect(await response.text()).to.include('Walnut Leaf');
    }
  });

  it('says on every answer that nothing may be fetched from elsewhere', async () => {
    for (const path of ['/', '/assets/a.js', '/nothing.png']) {
      const policy = (await fetch(base + path)).headers.get('content-security-policy')!;
      expect(policy)
        .to.include("default-src 'self'")
        .and.include("script-src 'self' 'wasm-unsafe-eval'")
        .and.include("object-src 'none'")
        .and.include("frame-ancestors 'none'")
        .and.include("base-uri 'none'")
        .and.include("form-action 'self'");
      expect(policy).to.not.match(/https?:/);
    }
  });

  it('lets no file be taken for another kind, and tells no one where a link was', async () => {
    for (const path of ['/', '/assets/a.js', '/nothing.png']) {
      const { headers } = await fetch(base + path);
      expect(headers.get('x-content-type-options')).to.equal('nosniff');
      expect(headers.get('referrer-policy')).to.equal('no-referrer');
    }
  });

  it('gives nothing outside of its folder, whatever dots a path has on the wire', async () => {
    writeFileSync(join(folder, '..', `${SECRET}.txt`), SECRET);
    const up = `${SECRET}.txt`;
    for (const path of [
      `/../${up}`,
      `/%2e%2e/${up}`,
      `/%2E%2E%2F${up}`,
      `/..%2f${up}`,
      `/..%5c${up}`,
      `/assets/../../${up}`,
      `/assets/%2e%2e/%2e%2e/${up}`,
      `/assets/..%2f..%2f${up}`,
      `/book/%2e%2e/%2e%2e/${up}`,
      `/%252e%252e/${up}`,
      `/.%00./${up}`,
      `//${up}`,
    ]) {
      const answer = await raw(path);
      expect(answer, path).to.match(/^HTTP\/1\.1 (?:400|403|404) /);
      expect(answer, path).to.not.include(`\r\n\r\n${SECRET}`);
    }
  });

  /** An answer as it comes over the socket: `fetch` would take the dots away itself. */
  function raw(path: string): Promise<string> {
    return new Promise((resolve, reject) => {
      const socket = connect(Number(new URL(base).port), '127.0.0.1');
      let text = '';
      socket.on('data', (data) => (text += data.toString('latin1')));
      socket.on('end', () => resolve(text));
      socket.on('error', reject);
      socket.write(`GET ${path} HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n`);
    });
  }

  it('keeps built scripts for good, and answers what is not there with 404', async () => {
    expect((await fetch(`${base}/assets/a.js`)).headers.get('cache-control')).to.include('immutable');
    for (const path of ['/assets/none.js', '/fonts/none.ttf', '/../package.json', '/elsewhere'])
      expect((await fetch(base + path)).status).to.equal(404);
  });
});
