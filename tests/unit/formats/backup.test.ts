import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fromBase64, toBase64 } from '../../../src/formats/base64.ts';
import { BACKUP_LIST_NAMES, BACKUP_VERSION, writeBackup, type Backup } from '../../../src/formats/backup.ts';
import { backupJsonSchema } from '../../../src/formats/backupJsonSchema.ts';
import { canonicalJson } from '../../../src/formats/canonicalJson.ts';
import { parseJson } from '../../../src/formats/parseJson.ts';
import { readBackup } from '../../../src/formats/readBackup.ts';
import { collect } from '../../../src/storage/backup.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { BACKUP_CODES, backupWords } from '../../../src/text/dataWords.ts';
import { demoDatabase, writerFor } from '../../support/database.ts';
import { holds } from '../../support/properties.ts';

describe('the backup file', () => {
  let db: OwlDatabase;
  let backup: Backup;
  let text: string;
  before(async () => {
    db = await demoDatabase();
    await db.blobs.put({ id: 'b1', mime: 'image/png', bytes: Uint8Array.from([0, 127, 255]) });
    ({ backup } = await collect(writerFor(db)));
    text = writeBackup(backup).join('');
  });
  after(() => db.delete());

  it('reads back what it wrote, and writes the same text again', () => {
    const read = readBackup(text);
    if (!read.ok) throw new Error(read.code);
    expect(writeBackup(read.value).join('')).to.equal(text);
    expect(Array.from(read.value.lists.blobs[0]!.bytes)).to.deep.equal([0, 127, 255]);
    expect(read.value.lists.readings.length).to.be.greaterThan(200);
  });

  it('reads a file of version 1: plates, mounts and devices get what they could not state then', () => {
    const file = JSON.parse(text) as {
      parts: Record<string, unknown>[];
      snapshots: { parts: Record<string, unknown>[] }[];
    };
    const added = new Set(['dovetail', 'saddle', 'use']);
    const older = (part: Record<string, unknown>) =>
      Object.fromEntries(Object.entries(part).filter(([key]) => !added.has(key)));
    const version1 = JSON.stringify({
      ...file,
      version: 1,
      parts: file.parts.map(older),
      snapshots: file.snapshots.map((s) => ({ ...s, parts: s.parts.map(older) })),
    });
    const read = readBackup(version1);
    if (!read.ok) throw new Error(`${read.code} ${JSON.stringify(read.figures)}`);
    const { parts } = read.value.lists;
    expect(parts.find((p) => p.id === 'demo-heron-plate')).to.include({ dovetail: null });
    expect(parts.find((p) => p.id === 'demo-heron-mount')).to.include({ saddle: null });
    expect(parts.find((p) => p.id === 'demo-heron-load-cooler')).to.include({ use: 'other', currentA: 2.5 });
  });

  it('reads a file of version 2, which only lacked what it could not hold yet', () => {
    const read = readBackup(text.replace(`"version":${BACKUP_VERSION}`, '"version":2'));
    if (!read.ok) throw new Error(`${read.code} ${JSON.stringify(read.figures)}`);
    expect(writeBackup(read.value).join('')).to.equal(text);
  });

  it('reads a file of every version that there was', () => {
    for (let version = 1; version < BACKUP_VERSION; version += 1) {
      const read = readBackup(text.replace(`"version":${BACKUP_VERSION}`, `"version":${version}`));
      expect(read.ok, String(version)).to.equal(true);
    }
  });

  it('reads a file of version 3: a finder’s one ring becomes the first of several', () => {
    type Loose = Record<string, unknown>;
    const file = JSON.parse(text) as { parts: Loose[]; snapshots: { parts: Loose[] }[] };
    const added = ['tickEvery', 'numberEvery', 'rings', 'patternHips', 'patternYear', 'fieldDeg', 'faintestMag'];
    const older = (part: Loose): Loose => {
      const finder = part['finder'] as Loose | null | undefined;
      if (!finder) return part;
      const kept = Object.fromEntries(Object.entries(finder).filter(([key]) => !added.includes(key)));
      return { ...part, finder: { ...kept, ringArcmin: 40, ringYear: 2020 } };
    };
    const snapshots = file.snapshots.map((s) => ({ ...s, parts: s.parts.map(older) }));
    const read = readBackup(JSON.stringify({ ...file, version: 3, parts: file.parts.map(older), snapshots }));
    if (!read.ok) throw new Error(`${read.code} ${JSON.stringify(read.figures)}`);
    const mount = read.value.lists.parts.find((p) => p.id === 'demo-heron-mount');
    expect(mount).to.deep.nested.include({
      'finder.rings': [{ arcmin: 40, year: 2020 }],
      'finder.tickEvery': 0.25,
      'finder.faintestMag': 8,
    });
    expect(mount).not.to.have.nested.property('finder.ringArcmin');
  });

  it('reads a file of version 4: signals among the ticks become events', () => {
    const first = backup.lists.readings[0]!;
    const tick = { ...first, id: 'tick', kind: 'check', values: { listId: 'polar', itemId: 'setByEye', done: true } };
    const file = JSON.parse(text) as { readings: object[] };
    const read = readBackup(JSON.stringify({ ...file, version: 4, readings: [...file.readings, tick] }));
    if (!read.ok) throw new Error(`${read.code} ${JSON.stringify(read.figures)}`);
    const found = read.value.lists.readings.find((r) => r.id === 'tick')!;
    expect([found.kind, found.values]).to.deep.equal(['event', { what: 'setByEye' }]);
  });

  it('does not depend on the order in which records came', () => {
    const { lists } = backup;
    const shuffled = {
      ...backup,
      lists: { ...lists, parts: [...lists.parts].reverse(), nights: [...lists.nights].reverse() },
    };
    expect(writeBackup(shuffled).join('')).to.equal(text);
  });

  it('puts one record on a line, keys sorted', () => {
    const lines = text.split('\n');
    expect(lines.length).to.be.greaterThan(300);
    const part = lines.find((line) => line.includes('"id":"demo-heron-camera"') && line.includes('"kind":"camera"'))!;
    const keys = Object.keys(JSON.parse(part.replace(/,$/, '')) as object);
    expect(keys).to.deep.equal([...keys].sort());
  });

  it('tells how far it is', () => {
    const shares: number[] = [];
    const many = {
      ...backup,
      lists: {
        ...backup.lists,
        readings: Array.from({ length: 2000 }, (_, i) => ({ ...backup.lists.readings[0]!, id: `r${i}` })),
      },
    };
    expect(readBackup(writeBackup(many).join(''), (share) => shares.push(share)).ok).to.equal(true);
    expect(shares.length).to.be.at.least(3);
    expect(shares).to.deep.equal([...shares].sort((a, b) => a - b));
    expect(Math.max(...shares)).to.be.at.most(1);
  });

  const refusals: [string, (text: string) => string, string, RegExp][] = [
    ['an empty file', () => ' \n', 'emptyFile', /file is empty/],
    ['a truncated file', (t) => t.slice(0, Math.floor(t.length / 2)), 'endsEarly', /ends in the middle/],
    ['a file cut inside a word', () => '{"format": "tidy', 'endsEarly', /cut off/],
    ['text that is no JSON', () => '{"a": 1,\n "b": oops}', 'notJson', /line 2, column 7/],
    ['another program’s JSON', () => '{"version": 3, "items": []}', 'otherProgram', /not a Tidy Owl backup/],
    ['a list instead of an object', () => '[1, 2]', 'otherProgram', /not a Tidy Owl backup/],
    [
      'a newer version',
      (t) => t.replace(`"version":${BACKUP_VERSION}`, `"version":${BACKUP_VERSION + 1}`),
      'newerVersion',
      new RegExp(`version ${BACKUP_VERSION + 1}, this one reads ${BACKUP_VERSION}`),
    ],
    [
      'a frame without its time',
      (t) => t.replace(/"exportedAtUtc":"[^"]+"/, '"exportedAtUtc":"soon"'),
      'damagedFrame',
      /exportedAtUtc/,
    ],
    [
      'a date that no calendar has',
      (t) => t.replace(/"eveningDate":"\d{4}-\d{2}-\d{2}"/, '"eveningDate":"2026-99-99"'),
      'damagedRecord',
      /nights, record 1 .*“eveningDate”: Must be a date that the calendar has/,
    ],
    [
      'an instant that no clock shows',
      (t) => t.replace(/"takenAtUtc":"\d{4}-\d{2}-\d{2}/, '"takenAtUtc":"2026-02-30'),
      'damagedRecord',
      /a moment that the calendar has/,
    ],
    [
      'a key that reaches into every object',
      (t) => t.replace('{\n', '{\n"__proto__":{"x":1},'),
      'damagedFrame',
      /__proto__/,
    ],
    [
      'such a key deep inside a record',
      (t) => t.replace('"values":{', '"values":{"__proto__":{"polluted":1},'),
      'damagedFrame',
      /__proto__.*Nothing of this name/,
    ],
    ['a missing list', (t) => t.replace('"rigs":[', '"riggs":['), 'damagedFrame', /rigs/],
    ['a key that belongs nowhere', (t) => t.replace('{\n', '{\n"extra":1,'), 'damagedFrame', /extra/],
    [
      'a negative mass',
      (t) => t.replace('"massKg":0.72', '"massKg":-1'),
      'damagedRecord',
      /parts, record \d+ \(demo-heron-camera\), at “massKg”/,
    ],
    [
      'an id twice',
      (t) => t.replace('"id":"demo-weight-2"', '"id":"demo-weight-1"'),
      'sameIdTwice',
      /parts, record \d+ \(demo-weight-1\)/,
    ],
    [
      'bytes that are not base64',
      (t) => t.replace('"base64":"', '"base64":"*'),
      'damagedRecord',
      /pictures and curves/,
    ],
  ];
  for (const [name, spoil, code, words] of refusals) {
    it(`refuses ${name} by name, saying that nothing was imported`, () => {
      const spoilt = spoil(text);
      expect(spoilt).not.to.equal(text);
      const read = readBackup(spoilt);
      if (read.ok) throw new Error('it was accepted');
      expect(read.code).to.equal(code);
      expect(backupWords(read.code, read.figures)).to.match(words).and.to.include('Nothing was imported');
    });
  }

  it('every code has words that say what to do', () => {
    for (const code of BACKUP_CODES)
      expect(backupWords(code, { where: 'x', what: 'y', list: 'parts', number: 1, id: '' })).to.match(/\.$/);
  });

  it('the published schema is the one in code, and names every list', () => {
    const published: unknown = JSON.parse(
      readFileSync(join(import.meta.dirname, '../../../docs/backup.schema.json'), 'utf8'),
    );
    expect(published).to.deep.equal(JSON.parse(JSON.stringify(backupJsonSchema())));
    expect(Object.keys((published as { properties: object }).properties)).to.include.members(BACKUP_LIST_NAMES);
  });
});

describe('small parts of the file', () => {
  it('base64 carries any bytes there and back', () => {
    holds(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        expect(Array.from(fromBase64(toBase64(bytes)))).to.deep.equal(Array.from(bytes));
      }),
    );
    const large = Uint8Array.from({ length: 200_000 }, (_, i) => i % 251);
    expect(fromBase64(toBase64(large)).length).to.equal(200_000);
  });

  it('canonical text is the same for the same content in any order of keys', () => {
    holds(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (value) => {
        const reversed = Object.fromEntries(Object.entries(value).reverse());
        expect(canonicalJson(reversed)).to.equal(canonicalJson(value));
        expect(JSON.parse(canonicalJson(value))).to.deep.equal(JSON.parse(JSON.stringify(value)));
      }),
    );
  });

  it('every cut of a JSON text is told as such', () => {
    const whole = '{"a":[1,{"b":"x\\"y"}],"c":null}';
    for (let length = 1; length < whole.length; length += 1) {
      const read = parseJson(whole.slice(0, length));
      expect(read.ok ? 'ok' : read.code, whole.slice(0, length)).to.equal('endsEarly');
    }
  });
});
