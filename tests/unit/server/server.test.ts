import { expect } from 'chai';
import { mkdtempSync, mkdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../../../server/app.ts';
import { portOf } from '../../../server/port.ts';

type Answer = { status: number; headers: Record<string, unknown>; text: string };

describe('local server', () => {
  let server: Server;
  let port = 0;
  before((done) => {
    const folder = mkdtempSync(join(tmpdir(), 'owl-'));
    const dist = join(folder, 'dist');
    mkdirSync(join(dist, 'assets'), { recursive: true });
    writeFileSync(join(dist, 'index.html'), '<head><title>page</title></head>');
    writeFileSync(join(dist, 'assets', 'a.js'), '123456');
    writeFileSync(join(folder, 'secret.txt'), 'outside');
    symlinkSync(join(folder, 'secret.txt'), join(dist, 'assets', 'link.txt'));
    symlinkSync(join(folder, 'secret.txt'), join(dist, 'link.txt'));
    server = createApp({ dist, demo: true }).listen(0, '127.0.0.1', () => {
      port = (server.address() as AddressInfo).port;
      done();
    });
  });
  after(() => void server.close());

  /** A request as it goes over the wire: `fetch` would mend path and host. */
  const ask = (path: string, headers: Record<string, string> = {}, method = 'GET'): Promise<Answer> =>
    new Promise((resolve, reject) => {
      const call = request({ host: '127.0.0.1', port, path, method, headers }, (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
      });
      call.on('error', reject);
      call.end();
    });
  const PAGE = { accept: 'text/html,application/xhtml+xml,*/*;q=0.8' };

  it('says hello, with the demo', async () => {
    const { text, headers } = await ask('/api/hello');
    expect(JSON.parse(text)).to.deep.equal({ demo: true, standIn: true, folder: null });
    expect(headers['content-security-policy']).to.include("script-src 'self'").and.not.include('unsafe');
  });

  it('serves the page for deep addresses, uncached, and assets for long', async () => {
    const page = await ask('/n/some-night/polar');
    expect([page.status, page.headers['cache-control'], page.text]).to.deep.equal([
      200,
      'no-cache',
      '<head><base href="/"><title>page</title></head>',
    ]);
    expect((await ask('/assets/a.js')).headers['cache-control']).to.include('immutable');
  });

  it('a missing chunk and an unknown API address are 404, not the page', async () => {
    expect((await ask('/assets/gone.js')).status).to.equal(404);
    const api = await ask('/api/gone', PAGE);
    expect([api.status, JSON.parse(api.text)]).to.deep.equal([404, { error: 'There is no such address under /api.' }]);
  });

  it('answers to its own names only', async () => {
    for (const host of [`127.0.0.1:${port}`, `localhost:${port}`, `[::1]:${port}`, `LocalHost:${port}`]) {
      expect((await ask('/api/hello', { host })).status, host).to.equal(200);
    }
    for (const host of [
      'elsewhere.example',
      `elsewhere.example:${port}`,
      `127.0.0.1:${port + 1}`,
      '127.0.0.1',
      `127.0.0.1.example:${port}`,
    ]) {
      const { status, text } = await ask('/api/hello', { host });
      expect([status, text.includes('demo')], host).to.deep.equal([421, false]);
      expect((await ask('/', { host })).text, host).not.to.include('page');
    }
  });

  it('what cannot be answered is said in words that fit, under the same policy', async () => {
    const cases: [string, Record<string, string>, number, RegExp][] = [
      ['/%E0%A4%A', PAGE, 400, /address cannot be read/],
      ['/assets/%E0%A4%A', {}, 400, /address cannot be read/],
      ['/assets/a.js', { range: 'bytes=50-60' }, 416, /shorter than the part/],
      ['/assets/gone.js', PAGE, 404, /Nothing is here/],
    ];
    for (const [path, headers, status, words] of cases) {
      const answer = await ask(path, headers);
      expect(answer.status, path).to.equal(status);
      expect(answer.text, path)
        .to.match(words)
        .and.not.match(/failed|at .*\.ts|node_modules/);
      expect(answer.headers['content-security-policy'], path).to.include("default-src 'self'");
    }
    expect((await ask('/%E0%A4%A', PAGE)).text).to.include('<h1>Tidy Owl</h1>');
    expect((await ask('/n/x', {}, 'POST')).status).to.equal(405);
  });

  it('follows no link out of the build', async () => {
    for (const path of ['/link.txt', '/assets/link.txt', '/assets/../link.txt', '/%2e%2e/secret.txt']) {
      const { text } = await ask(path);
      expect(text, path).not.to.include('outside');
    }
  });
});

describe('the port', () => {
  it('is taken from the words, else the usual one, and a bad one is said', () => {
    expect([portOf(undefined, 4180), portOf('', 4180), portOf('4200', 4180)]).to.deep.equal([4180, 4180, 4200]);
    for (const bad of ['0', '65536', '80.5', 'abc', '-1', '1e3', 'x'.repeat(999)]) {
      const found = portOf(bad, 4180);
      expect(found, bad)
        .to.have.property('words')
        .that.matches(/is no port.*whole number/)
        .and.has.lengthOf.below(160);
    }
  });
});
