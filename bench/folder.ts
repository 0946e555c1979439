/** The watched folder with many files, and more listeners than are let in: memory, the slowest answer, who is refused. */
import { appendFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { get, type ClientRequest, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../server/app.ts';
import { MOST_STREAMS } from '../server/events.ts';
import { watchFolder, type WatchedFolder } from '../server/watchedFolder.ts';
import type { Figure } from './figure.ts';

const ASKED = 50;
const LISTENERS = 200;

const fileName = (i: number): string => `log-of-a-night-${i}.csv`;

const listening = (folder: WatchedFolder): Promise<Server> =>
  new Promise((resolve) => {
    const server = createApp({ dist: null, demo: false, folder }).listen(0, '127.0.0.1', () => resolve(server));
  });
const portOf = (server: Server): number => (server.address() as AddressInfo).port;

/** How long an answer takes to its end, ms. */
function answerMs(port: number, path: string): Promise<number> {
  const began = performance.now();
  return new Promise((resolve, reject) => {
    get({ host: '127.0.0.1', port, path }, (response) => {
      response.resume();
      response.on('end', () => resolve(performance.now() - began));
    }).on('error', reject);
  });
}

/** Of so many listeners at once those that were let in. */
async function letIn(port: number): Promise<number> {
  const calls: ClientRequest[] = [];
  const codes = await Promise.all(
    Array.from(
      { length: LISTENERS },
      () =>
        new Promise<number>((resolve, reject) => {
          const call = get({ host: '127.0.0.1', port, path: '/api/folder/events' }, (response) => {
            response.on('error', () => undefined).resume();
            resolve(response.statusCode ?? 0);
          });
          calls.push(call.on('error', reject));
        }),
    ),
  );
  for (const call of calls) call.on('error', () => undefined).destroy();
  return codes.filter((code) => code === 200).length;
}

async function figuresOf(count: number): Promise<Figure[]> {
  const dir = mkdtempSync(join(tmpdir(), 'owl-many-'));
  for (let i = 0; i < count; i += 1) writeFileSync(join(dir, fileName(i)), 'a');
  const before = process.memoryUsage().rss;
  const began = performance.now();
  const folder = watchFolder(dir);
  await new Promise<void>((resolve) => folder.subscribe((state) => state.count === count && resolve()));
  const listedMs = performance.now() - began;
  const server = await listening(folder);
  const answers: number[] = [];
  for (let i = 0; i < ASKED; i += 1) {
    appendFileSync(join(dir, fileName(i)), 'b');
    answers.push(
      await answerMs(portOf(server), i % 2 ? '/api/folder/files?from=0' : `/api/folder/files/${fileName(7)}`),
    );
  }
  const memoryMb = (process.memoryUsage().rss - before) / 1e6;
  const isIn = await letIn(portOf(server));
  server.closeAllConnections();
  server.close();
  await folder.close();
  rmSync(dir, { recursive: true });
  const name = `folder of ${count} files`;
  return [
    { name: `${name}: listed`, value: listedMs, unit: 'ms', target: 2000 },
    { name: `${name}: slowest of ${ASKED} answers`, value: Math.max(...answers), unit: 'ms', target: 500 },
    { name: `${name}: memory that it adds`, value: memoryMb, unit: 'MB', target: 100 },
    { name: `${name}: listeners let in of ${LISTENERS}`, value: isIn, unit: '', target: MOST_STREAMS },
  ];
}

export const folderFigures = async (): Promise<Figure[]> => [...(await figuresOf(5000)), ...(await figuresOf(50_000))];
