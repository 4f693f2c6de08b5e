import { expect } from 'chai';
import { mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { createStaticApp } from '../../server/staticApp';
import { scratch } from '../build/tools';

describe('the server', () => {
  let server: Server;
  let base: string;

  before((done) => {
    const folder = scratch();
    mkdirSync(join(folder, 'assets'));
    writeFileSync(join(folder, 'index.html'), '<title>Walnut Leaf</title>');
    writeFileSync(join(folder, 'assets/a.js'), '1');
    server = createStaticApp(folder).listen(0, '127.0.0.1', () => {
      base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      done();
    });
  });
  after((done) => void server.close(done));

  it('serves the one page for the Shelf and every stage of a book', async () => {
    for (const path of ['/', '/book/b1/pages', '/book/b1/deliver']) {
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
        .and.include("object-src 'none'");
      expect(policy).to.not.match(/https?:/);
    }
  });

  it('keeps built scripts for good, and answers what is not there with 404', async () => {
    expect((await fetch(`${base}/assets/a.js`)).headers.get('cache-control')).to.include('immutable');
    for (const path of ['/assets/none.js', '/fonts/none.ttf', '/../package.json', '/elsewhere'])
      expect((await fetch(base + path)).status).to.equal(404);
  });
});
