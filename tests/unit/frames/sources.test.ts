import { expect } from 'chai';
import { pickedFolder } from '../../../src/frames/pickedFolder.ts';
import type { FolderNow } from '../../../src/frames/folder.ts';
import { deviceStandIn, type StandInNow } from '../../../src/frames/standInLog.ts';
import { linesFrom, standInLines } from '../../../src/standins/mountStream.ts';

/** What is told, until it is as it is waited for. */
function listener<T>(holds: (now: T) => boolean): { tell: (now: T) => void; all: T[]; done: Promise<T> } {
  const all: T[] = [];
  let end: (now: T) => void = () => undefined;
  const done = new Promise<T>((resolve) => {
    end = resolve;
  });
  return {
    all,
    done,
    tell: (now) => {
      all.push(now);
      if (holds(now)) end(now);
    },
  };
}

const file = (name: string, text: string) => ({
  kind: 'file' as const,
  name,
  getFile: () => Promise.resolve(new File([text], name, { lastModified: 1000 })),
});

function handleOf(entries: object[], permission: PermissionState = 'granted'): FileSystemDirectoryHandle {
  return {
    name: 'logs',
    queryPermission: () => Promise.resolve(permission),
    async *values() {
      yield* await Promise.resolve(entries);
    },
    getFileHandle: (name: string) => {
      const found = (entries as { name: string }[]).find((e) => e.name === name);
      return found ? Promise.resolve(found) : Promise.reject(new DOMException('gone', 'NotFoundError'));
    },
  } as unknown as FileSystemDirectoryHandle;
}

describe('a folder that the browser may look into', () => {
  it('lists its files, reads one, and says when one is gone', async () => {
    const folder = pickedFolder(handleOf([file('a.csv', 'abc'), { kind: 'directory', name: 'within' }]));
    const { tell, done } = listener<FolderNow>(() => true);
    const leave = folder.watch(tell);
    expect(await done).to.deep.equal({
      at: 'there',
      name: 'logs',
      files: [{ name: 'a.csv', sizeBytes: 3, modifiedMs: 1000 }],
    });
    leave();
    expect(await (await folder.read('a.csv'))!.text()).to.equal('abc');
    expect(await folder.read('b.csv')).to.equal(null);
  });

  it('says when it must be asked again, and when the folder is gone', async () => {
    const asked = listener<FolderNow>(() => true);
    const leave = pickedFolder(handleOf([], 'prompt')).watch(asked.tell);
    expect(await asked.done).to.deep.equal({ at: 'askAgain', name: 'logs' });
    leave();
    const gone = handleOf([]);
    gone.values = () => {
      throw new DOMException('gone', 'NotFoundError');
    };
    const told = listener<FolderNow>(() => true);
    const end = pickedFolder(gone).watch(told.tell);
    expect(await told.done).to.deep.equal({ at: 'gone', name: 'logs' });
    end();
  });
});

describe('the stand-in on this device', () => {
  const lines = standInLines({ seed: 2, difficulty: 'easy' });
  const next = (_: unknown, from: number) =>
    Promise.resolve({ text: linesFrom(lines, from, 500), next: from + 500, ended: from + 500 >= lines.length });

  it('grows line by line into the whole log, and ends', async () => {
    const { tell, all, done } = listener<StandInNow>((now) => now.ended);
    deviceStandIn({ seed: 2, difficulty: 'easy' }, next, 0, tell);
    expect((await done).text).to.equal(linesFrom(lines, 0, Infinity));
    expect(all.length).to.equal(Math.ceil(lines.length / 500));
    all.slice(1).forEach((now, i) => expect(now.text.startsWith(all[i]!.text)).to.equal(true));
  });

  it('tells nothing more once it is left', async () => {
    const { tell, all, done } = listener<StandInNow>(() => true);
    const leave = deviceStandIn({ seed: 2, difficulty: 'easy' }, next, 0, tell);
    await done;
    leave();
    await new Promise((resolve) => setImmediate(resolve));
    await next(null, 0);
    expect(all).to.have.lengthOf(1);
  });
});
