import { expect } from 'chai';
import {
  appendFileSync,
  mkdirSync,
  mkdtempSync,
  renameSync,
  rmSync,
  symlinkSync,
  unlinkSync,
  writeFileSync,
} from 'node:fs';
import { get, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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
    const names = [
      'link.csv',
      'within',
      'within%2Fdeep.csv',
      '..%2Fsecret.txt',
      '%2e%2e%2fsecret.txt',
      '..',
      '',
      '%00',
    ];
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
