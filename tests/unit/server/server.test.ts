import { expect } from 'chai';
import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../../../server/app.ts';

describe('local server', () => {
  let server: Server;
  let base = '';
  before((done) => {
    const dist = mkdtempSync(join(tmpdir(), 'owl-'));
    mkdirSync(join(dist, 'assets'));
    writeFileSync(join(dist, 'index.html'), '<head><title>page</title></head>');
    writeFileSync(join(dist, 'assets', 'a.js'), '1');
    server = createApp({ dist, demo: true }).listen(0, '127.0.0.1', () => {
      base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      done();
    });
  });
  after(() => void server.close());

  it('says hello, with the demo', async () => {
    const response = await fetch(`${base}/api/hello`);
    expect(await response.json()).to.deep.equal({ demo: true });
    expect(response.headers.get('content-security-policy')).to.include("script-src 'self'").and.not.include('unsafe');
  });

  it('serves the page for deep addresses, uncached, and assets for long', async () => {
    const page = await fetch(`${base}/n/some-night/polar`);
    expect([page.status, page.headers.get('cache-control'), await page.text()]).to.deep.equal([
      200,
      'no-cache',
      '<head><base href="/"><title>page</title></head>',
    ]);
    const asset = await fetch(`${base}/assets/a.js`);
    expect(asset.headers.get('cache-control')).to.include('immutable');
  });

  it('a missing chunk and an unknown API address are 404, not the page', async () => {
    expect((await fetch(`${base}/assets/gone.js`)).status).to.equal(404);
    const api = await fetch(`${base}/api/gone`);
    expect([api.status, await api.json()]).to.deep.equal([404, { error: 'There is no such address under /api.' }]);
  });
});
