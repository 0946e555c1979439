import { expect } from 'chai';
import { partBodySchema } from '../../../src/core/records/part.ts';
import { toCsv } from '../../../src/formats/csv.ts';
import { isHere, readPartsCsv, type PartsCsvCode } from '../../../src/formats/partsCsv.ts';
import { addParts } from '../../../src/storage/addParts.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import { PARTS_CSV_CODES, partsCsvWords } from '../../../src/text/partsCsvWords.ts';
import { demoDatabase, writerFor } from '../../support/database.ts';
import { parts } from '../../support/records.ts';

function read(text: string) {
  const found = readPartsCsv(text);
  if (!found.ok) throw new Error(`${found.code} ${JSON.stringify(found.figures)}`);
  return found.value;
}

describe('parts from a spreadsheet', () => {
  it('reads back every kind of part that the table writes', () => {
    const { parts: rows, foreign } = read(toCsv(parts));
    expect(foreign).to.deep.equal([]);
    expect(rows.map((r) => r.id)).to.deep.equal(parts.map((p) => p.id));
    rows.forEach((row, i) => {
      const original = partBodySchema(parts[i]!.kind).parse(parts[i]);
      expect(row.body, row.body.name).to.deep.equal(original);
    });
    expect(rows.every((row) => isHere(row, parts))).to.equal(true);
  });

  it('a table of an earlier version lacks columns: what may be left out is', () => {
    const mounts = parts.filter((p) => p.kind === 'mount');
    const [header = '', ...rest] = toCsv(mounts).split(/\r?\n/);
    const older = [header.replace('homeMarks', 'onceHeldHere'), ...rest].join('\n');
    for (const { body } of read(older).parts) {
      expect(body).to.include({ homeMarks: false });
      expect(body).not.to.have.property('towardPole');
    }
  });

  it('a column that reaches into every object is a foreign one, and no object changes by it', () => {
    const text = [
      'name,kind,sizeM.__proto__.x,constructor.prototype.y,__proto__.z,__proto__',
      'Ring,small,polluted,polluted,polluted,polluted',
    ].join('\n');
    const { parts: rows, foreign } = read(text);
    expect(foreign).to.include.members(['sizeM.__proto__.x', 'constructor.prototype.y', '__proto__.z', '__proto__']);
    const innocent = {} as Record<string, unknown>;
    expect([
      innocent['x'],
      innocent['y'],
      innocent['z'],
      ([] as unknown as Record<string, unknown>)['x'],
    ]).to.deep.equal(Array(4).fill(undefined));
    expect(rows[0]!.body.name).to.equal('Ring');
    expect(readPartsCsv('name,kind,mass (constructor)\nRing,small,1')).to.deep.include({
      ok: false,
      code: 'unknownUnit',
    });
  });

  it('what a spreadsheet was kept from running is read back as it was', () => {
    const risky = { ...parts.find((p) => p.kind === 'small')!, name: '=2+3', note: '@x\n-y' };
    const [row] = read(toCsv([risky])).parts;
    expect([row!.body.name, row!.body['note']]).to.deep.equal(['=2+3', '@x\n-y']);
  });

  it('takes masses and lengths in other units, decimal commas, any order of columns', () => {
    const { parts: rows } = read('thickness (in);mass (lb);kind;name\n1;2,5;weight;Old weight\n');
    expect(rows[0]!.body).to.include({ kind: 'weight', name: 'Old weight', thicknessM: 0.0254 });
    expect(rows[0]!.body['massKg']).to.be.closeTo(2.5 * 0.45359237, 1e-9);
    expect(read('name,kind,lengthCm\nCable,cable,250\n').parts[0]!.body).to.include({ lengthM: 2.5 });
    expect(read('name,kind,Mass (LB)\nRing,small,2\n').parts[0]!.body['massKg']).to.be.closeTo(0.90718474, 1e-9);
    expect(
      read(
        'name,kind,factor,backFocusMm,rear.thread,rear.gender,cornerRuleInverted,focalMm\nBarlow,corrector,2,50,M42,male,false,-100\n',
      ).parts[0]!.body,
    ).to.include({ focalMm: -100 });
    expect(read('name,kind,mass_g\nRing,small,35\n').parts[0]!.body).to.include({ massKg: 0.035 });
  });

  it('keeps what it does not know in the note and names the columns', () => {
    const { parts: rows, foreign } = read('name,kind,massKg,Colour,note\nRing,small,0.1,blue,mine\n');
    expect(foreign).to.deep.equal(['Colour']);
    expect(rows[0]!.body['note']).to.equal('mine\nColour: blue');
  });

  const refused: [string, string, PartsCsvCode, RegExp][] = [
    ['an empty file', '', 'emptyFile', /empty/],
    ['a unit it does not know', 'name,kind,mass (stone)\nA,small,1\n', 'unknownUnit', /mass \(stone\)/],
    ['a unit of two words', 'name,kind,mass (metric tons)\nA,small,1\n', 'unknownUnit', /metric tons/],
    ['a mass without a unit', 'name,kind,Mass\nA,small,1\n', 'unknownUnit', /Mass/],
    ['a kind it does not know', 'name,kind\nA,dome\n', 'unknownKind', /Row 2.*dome/],
    ['a row without a name', 'name,kind\nA,small\n,small\n', 'noName', /Row 3/],
    ['words for a number', 'name,kind,massKg\nA,small,heavy\n', 'badNumber', /Row 2 \(A\).*massKg/],
    ['a missing value', 'name,kind,massKg\nMount,mount,4\n', 'badValue', /Row 2 \(Mount\)/],
    ['a mass below zero', 'name,kind,massKg\nA,small,-4\n', 'badValue', /massKg/],
    ['a quote that never ends', 'name,kind\n"A,small\n', 'broken', /Row \d/],
  ];
  for (const [what, text, code, words] of refused) {
    it(`refuses ${what} by name`, () => {
      const found = readPartsCsv(text);
      if (found.ok) throw new Error('it was accepted');
      expect(found.code).to.equal(code);
      const said = partsCsvWords(found.code, found.figures);
      expect(said).to.match(words).and.to.include('Nothing was added');
    });
  }

  it('every code has words', () => {
    for (const code of PARTS_CSV_CODES)
      expect(partsCsvWords(code, { row: 2, column: 'c', kind: 'k', kinds: 'a, b', what: 'w', name: 'n' })).to.match(
        /\.$/,
      );
  });
});

describe('adding several parts', () => {
  const body = { name: 'Ring', kind: 'small', count: 1, massKg: 0.1, massBasis: 'stated' } as const;

  it('writes all of them and takes all back in one step', async () => {
    const db = await demoDatabase();
    const w = writerFor(db);
    const before = await db.heads('parts').count();
    const added = await addParts(w, [
      { id: null, origin: 'import', body },
      { id: 'starter-ring', origin: 'starter', body },
    ]);
    expect(added).to.deep.equal({ ok: true, value: 2 });
    expect(await db.heads('parts').get('starter-ring')).to.include({ origin: 'starter', name: 'Ring' });
    await undoLast(w);
    const living = (await db.heads('parts').toArray()).filter((p) => p.deletedAtUtc === null);
    expect(living).to.have.length(before);
    await db.delete();
  });

  it('adds a fixed one once, and brings it back after it was deleted', async () => {
    const db = await demoDatabase();
    const w = writerFor(db);
    const starter = [{ id: 'starter-ring', origin: 'starter' as const, body }];
    await addParts(w, starter);
    expect(await addParts(w, starter)).to.deep.equal({ ok: true, value: 0 });
    await undoLast(w);
    expect((await db.heads('parts').get('starter-ring'))?.deletedAtUtc).to.be.a('string');
    expect(await addParts(w, starter)).to.deep.equal({ ok: true, value: 1 });
    expect(await db.heads('parts').get('starter-ring')).to.include({ deletedAtUtc: null, rev: 3 });
    await db.delete();
  });

  it('writes none when one is bad, and names it', async () => {
    const db = await demoDatabase();
    const before = await db.heads('parts').count();
    const refused = await addParts(writerFor(db), [
      { id: null, origin: 'import', body },
      { id: null, origin: 'import', body: { ...body, name: 'Bad', massKg: -1 } },
    ]);
    expect(refused).to.deep.include({ ok: false, code: 'invalidRecord' });
    expect(await db.heads('parts').count()).to.equal(before);
    await db.delete();
  });
});
