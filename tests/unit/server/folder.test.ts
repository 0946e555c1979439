import { expect } from 'chai';
import {
  appendFileSync,
  mkdirSync,
  mkdtempSync,
  renameSync,
  rmSync,
  symlinkSync,
  unlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { get, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MOST_STREAMS } from '../../../server/events.ts';
import { createApp } from '../../../server/app.ts';
import { folderProblem, watchFolder, type FolderState, type WatchedFolder } from '../../../server/watchedFolder.ts';
import { linesFrom, standInLines } from '../../../src/standins/mountStream.ts';

describe('the watched folder', () => {
  let outside = '';
  let dir = '';
  let folder: WatchedFolder;
  let server: Server;
  let port = 0;
  before((done) => {
    outside = mkdtempSync(join(tmpdir(), 'owl-watch-'));
    dir = join(outside, 'logs');
    mkdirSync(join(dir, 'within'), { recursive: true });
    writeFileSync(join(outside, 'secret.txt'), 'outside');
    writeFileSync(join(dir, 'within', 'deep.csv'), 'deep');
    writeFileSync(join(dir, 'one.csv'), 'a,b\n');
    symlinkSync(join(outside, 'secret.txt'), join(dir, 'link.csv'));
    folder = watchFolder(dir);
    server = createApp({ dist: null, demo: false, folder }).listen(0, '127.0.0.1', () => {
      port = (server.address() as AddressInfo).port;
      done();
    });
  });
  after(async () => {
    await folder.close();
    server.closeAllConnections();
    server.close();
    rmSync(outside, { recursive: true });
  });

  /** The first state that is as it is waited for. */
  const until = (holds: (state: FolderState) => boolean): Promise<FolderState> =>
    new Promise((resolve) => {
      if (holds(folder.state())) {
        resolve(folder.state());
        return;
      }
      const leave = folder.subscribe((state) => {
        if (!holds(state)) return;
        leave();
        resolve(state);
      });
    });
  const sizeOf = (state: FolderState, name: string) => state.files.find((f) => f.name === name)?.sizeBytes;
  const ask = (path: string, headers: Record<string, string> = {}): Promise<{ status: number; text: string }> =>
    new Promise((resolve, reject) => {
      const call = request({ host: '127.0.0.1', port, path, headers }, (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
      });
      call.on('error', reject);
      call.end();
    });
  /** Events of a stream up to the one that is waited for, by name and data. */
  const events = (path: string, last: (name: string, data: string) => boolean): Promise<[string, unknown][]> =>
    new Promise((resolve, reject) => {
      const found: [string, unknown][] = [];
      let rest = '';
      const call = get({ host: '127.0.0.1', port, path }, (response) => {
        response.on('data', (chunk: Buffer) => {
          const blocks = (rest + chunk.toString()).split('\n\n');
          rest = blocks.pop() ?? '';
          for (const block of blocks) {
            const [, name = '', data = ''] = /^event: (.*)\ndata: (.*)$/.exec(block) ?? [];
            found.push([name, JSON.parse(data)]);
            if (last(name, data)) {
              call.destroy();
              resolve(found);
            }
          }
        });
      });
      call.on('error', (error) => (found.length > 0 ? undefined : reject(error)));
    });

  it('tells of files in it, not of links, folders or what lies deeper', async () => {
    const state = await until((s) => sizeOf(s, 'one.csv') === 4);
    expect([state.name, state.isThere, state.files.map((f) => f.name)]).to.deep.equal(['logs', true, ['one.csv']]);
    expect(JSON.parse((await ask('/api/hello')).text)).to.deep.equal({ demo: false, standIn: true, folder: 'logs' });
  });

  it('announces what is new, has grown and is gone, and serves the bytes of now', async () => {
    writeFileSync(join(dir, 'two.csv'), '1\n');
    await until((s) => sizeOf(s, 'two.csv') === 2);
    const told = events('/api/folder/events', (_, data) => data.includes('"sizeBytes":5'));
    appendFileSync(join(dir, 'two.csv'), '22\n');
    expect((await told).map(([name]) => name)).to.include('files');
    expect(await ask('/api/folder/files/two.csv')).to.deep.equal({ status: 200, text: '1\n22\n' });
    unlinkSync(join(dir, 'two.csv'));
    await until((s) => sizeOf(s, 'two.csv') === undefined);
    expect((await ask('/api/folder/files/two.csv')).status).to.equal(404);
  });

  it('serves nothing else: no link, no folder, nothing deeper or outside, no page from elsewhere', async () => {
    const names = ['link.csv', 'within', 'within%2Fdeep.csv', '..%2Fsecret.txt', '%2e%2e%2fsecret.txt', '..', '%00'];
    for (const name of names) {
      const { status, text } = await ask(`/api/folder/files/${name}`);
      expect([status, text.includes('outside') || text.includes('deep')], name).to.deep.equal([404, false]);
    }
    for (const origin of ['http://elsewhere.example', 'null', `http://127.0.0.1:${port + 1}`])
      expect((await ask('/api/folder/files/one.csv', { origin })).status, origin).to.equal(403);
    expect((await ask('/api/folder/files/one.csv', { origin: `http://127.0.0.1:${port}` })).status).to.equal(200);
  });

  it('a file is no folder, one that is not there yet may come', () => {
    expect(folderProblem(join(dir, 'one.csv'))).to.match(
      /one\.csv” is no folder\. Name one: npm start -- --watch DIR$/,
    );
    expect(folderProblem('')).to.match(/is no folder/);
    expect([folderProblem(dir), folderProblem(join(dir, 'later'))]).to.deep.equal([null, null]);
  });

  it('says that the folder is gone, and goes on when it is back', async () => {
    renameSync(dir, `${dir}-away`);
    const gone = await until((s) => !s.isThere);
    expect(gone.files).to.deep.equal([]);
    renameSync(`${dir}-away`, dir);
    await until((s) => s.isThere && sizeOf(s, 'one.csv') === 4);
    appendFileSync(join(dir, 'one.csv'), 'c\n');
    await until((s) => sizeOf(s, 'one.csv') === 6);
  });

  it('one that was put in its place is another folder, a link in its place is none', async () => {
    renameSync(dir, `${dir}-away`);
    mkdirSync(dir);
    writeFileSync(join(dir, 'other.csv'), '1\n');
    const other = await until((s) => s.isThere && sizeOf(s, 'other.csv') === 2);
    expect(other.files.map((f) => f.name)).to.deep.equal(['other.csv']);
    rmSync(dir, { recursive: true });
    symlinkSync(`${dir}-away`, dir);
    await until((s) => !s.isThere);
    expect((await ask('/api/folder/files/one.csv')).status).to.equal(404);
    expect(folderProblem(dir)).to.match(/is a link to a folder\. Name the folder itself/);
    unlinkSync(dir);
    renameSync(`${dir}-away`, dir);
    expect((await until((s) => s.isThere)).files.map((f) => f.name)).to.deep.equal(['one.csv']);
  });

  it('a file that grows without a rest is announced all the same', async () => {
    const path = join(dir, 'growing.csv');
    writeFileSync(path, '0\n');
    const growing = setInterval(() => appendFileSync(path, '1\n'), 150);
    try {
      const first = sizeOf(await until((s) => (sizeOf(s, 'growing.csv') ?? 0) > 2), 'growing.csv')!;
      await until((s) => (sizeOf(s, 'growing.csv') ?? 0) > first);
    } finally {
      clearInterval(growing);
      unlinkSync(path);
    }
    await until((s) => sizeOf(s, 'growing.csv') === undefined);
  });

  it('of many the newest are announced and the others stand on later pages', async () => {
    const many = join(outside, 'many');
    mkdirSync(many);
    for (let i = 0; i < 1100; i += 1) {
      writeFileSync(join(many, `f${i}.csv`), '1');
      utimesSync(join(many, `f${i}.csv`), 1_700_000_000 + i, 1_700_000_000 + i);
    }
    const watched = watchFolder(many);
    const state = await new Promise<FolderState>((resolve) => watched.subscribe((s) => s.count === 1100 && resolve(s)));
    expect([
      state.files.length,
      state.files[0]!.name,
      watched
        .page(1000)
        .map((f) => f.name)
        .at(-1),
    ]).to.deep.equal([500, 'f1099.csv', 'f0.csv']);
    expect([watched.page(500)[0]!.name, watched.page(1000).length, watched.page(2000)]).to.deep.equal([
      'f599.csv',
      100,
      [],
    ]);
    await watched.close();
    const page = JSON.parse((await ask('/api/folder/files?from=0')).text) as { count: number };
    expect(page.count).to.equal(folder.state().count);
    expect((await ask('/api/folder/files?from=x')).status).to.equal(400);
  });

  it('so many streams and no more; a closed one makes room', async () => {
    const streams = await Promise.all(
      Array.from(
        { length: MOST_STREAMS },
        () =>
          new Promise<ReturnType<typeof get>>((resolve) => {
            const call = get({ host: '127.0.0.1', port, path: '/api/folder/events' }, (response) => {
              response.resume();
              resolve(call);
            });
            call.on('error', () => undefined);
          }),
      ),
    );
    const refused = await ask('/api/folder/events');
    expect([refused.status, refused.text]).to.satisfy(
      ([status, text]: [number, string]) => status === 503 && text.includes('50 pages'),
    );
    for (const call of streams) call.destroy();
    /** What a stream that is asked for is answered with. */
    const answer = (): Promise<number> =>
      new Promise((resolve, reject) => {
        const call = get({ host: '127.0.0.1', port, path: '/api/folder/events' }, (response) => {
          resolve(response.statusCode ?? 0);
          call.destroy();
        });
        call.on('error', reject);
      });
    let status = await answer();
    while (status === 503) status = await answer();
    expect(status).to.equal(200);
  });

  it('pages from elsewhere are refused by what the browser says of them', async () => {
    for (const site of ['cross-site', 'same-site'])
      expect((await ask('/api/folder/files/one.csv', { 'sec-fetch-site': site })).status, site).to.equal(403);
    for (const site of ['same-origin', 'none'])
      expect((await ask('/api/hello', { 'sec-fetch-site': site })).status, site).to.equal(200);
    const headers = await new Promise<object>((resolve) => {
      get({ host: '127.0.0.1', port, path: '/api/nothing' }, (response) => {
        response.resume();
        resolve(response.headers);
      });
    });
    expect(headers).to.include({ 'cross-origin-resource-policy': 'same-origin' });
  });

  it('the stand-in logs into an open connection, from where one asks', async () => {
    const lines = standInLines({ seed: 3, difficulty: 'easy' });
    const from = lines.length - 70;
    const told = await events(`/api/standin/log?seed=3&difficulty=easy&from=${from}`, (name) => name === 'end');
    const texts = told.map(([, data]) => (data as { text?: string }).text ?? '');
    expect(texts.join('')).to.equal(linesFrom(lines, from, 70));
    expect(told.map(([name]) => name)).to.deep.equal(['lines', 'lines', 'end']);
    for (const wish of ['seed=x&difficulty=easy', 'seed=1&difficulty=none', 'seed=-1&difficulty=easy', ''])
      expect((await ask(`/api/standin/log?${wish}`)).status, wish).to.equal(400);
  });
});
