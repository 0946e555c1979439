import { expect } from 'chai';
import { addParts } from '../../../src/storage/addParts.ts';
import { applyMerge, applyReplace, previewImport, removeDemo, wipe } from '../../../src/storage/backup.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { copyHead, createHead, deleteHead, updateHead } from '../../../src/storage/heads.ts';
import { healDoubles } from '../../../src/storage/opening.ts';
import { recordReadings, retractReading } from '../../../src/storage/readings.ts';
import { saveSetting } from '../../../src/storage/settings.ts';
import { readReadings } from '../../../src/storage/storedReadings.ts';
import { lastChange } from '../../../src/storage/knownChanges.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import { pressedBy, type Writer } from '../../../src/storage/writer.ts';
import { fileOf, HILL, must, textOf, trial } from '../../support/commands.ts';
import { recordOne, writerFor } from '../../support/database.ts';
import { devices } from '../../support/devices.ts';
import { failWrites } from '../../support/faults.ts';

let db: OwlDatabase;
let w: Writer;
const { prepared, phoneOf } = devices((made, laptop) => {
  [db, w] = [made, laptop];
});
const changes = () => db.changes.count();
const own = async () => (await readReadings(db)).records.filter((r) => r.deviceId !== 'demo');

describe('pressed twice', () => {
  prepared();
  const commands: Record<string, (of: Writer) => Promise<unknown>> = {
    'a new site': (of) => createHead(of, 'sites', HILL),
    'a copy': (of) => copyHead(of, 'parts', 'demo-heron-camera', 'Spare'),
    'an edit': (of) => updateHead(of, 'parts', 'demo-heron-camera', { massKg: 0.9 }),
    'a setting': (of) => saveSetting(of, 'units', 'imperial'),
    'a reading': (of) => recordOne(of, trial(0.29)),
    'readings that belong together': (of) => recordReadings(of, [trial(0.29), trial(0.3)]),
    'parts from a list': (of) =>
      addParts(of, [
        {
          id: null,
          origin: 'import',
          body: { name: 'Ring', kind: 'small', count: 1, massKg: 0.1, massBasis: 'stated' },
        },
      ]),
    'removing the demo': removeDemo,
    emptying: wipe,
  };
  for (const [name, command] of Object.entries(commands)) {
    it(`${name} is written once, answers the same, and goes back in one step`, async () => {
      const before = await textOf(w);
      const press = pressedBy(w, 'press-1');
      const [first, second] = await Promise.all([command(press), command(press)]);
      expect((first as { ok: boolean }).ok).to.equal(true);
      if (name !== 'removing the demo') expect(second).to.deep.equal(first);
      expect(await changes()).to.equal(1);
      const after = await textOf(w);
      await command(press);
      expect(await textOf(w))
        .to.equal(after)
        .and.not.to.equal(before);
      await undoLast(w);
      expect(await undoLast(w)).to.deep.include({ code: 'nothingToUndo' });
    });
  }

  it('emptying, removing the demo or replacing again keeps the one state that undo needs', async () => {
    await recordOne(w, trial(0.29));
    const before = await textOf(w);
    const file = await fileOf(await phoneOf());
    for (const command of [wipe, removeDemo, (of: Writer) => applyReplace(of, file)]) {
      must(await command(w));
      must(await command(w));
      must(await undoLast(w));
      expect(await textOf(w)).to.equal(before);
    }
  });

  it('merging one plan twice stores every reading once, and the export is read back', async () => {
    const other = await phoneOf();
    await recordOne(other, trial(0.3));
    const file = await fileOf(other);
    const { plan } = must(await previewImport(w, file));
    must(await applyMerge(w, file, plan, {}));
    must(await applyMerge(w, file, plan, {}));
    expect(await own()).to.have.length(1);
    expect(await changes()).to.equal(1);
    expect((await fileOf(w)).lists.readings.filter((r) => r.deviceId === 'phone')).to.have.length(1);
  });

  it('taking a reading back twice, or deleting twice, is once', async () => {
    const reading = must(await recordOne(w, trial(0.29)));
    must(await retractReading(w, reading));
    must(await retractReading(writerFor(db, 'laptop', 'tab-b'), reading));
    expect(await own()).to.have.length(2);
    const site = must(await createHead(w, 'sites', HILL));
    must(await deleteHead(w, 'sites', site.id));
    const count = await changes();
    must(await deleteHead(w, 'sites', site.id));
    expect(await changes()).to.equal(count);
  });

  it('a setting chosen in two tabs at once is one record', async () => {
    await Promise.all([
      saveSetting(w, 'units', 'imperial'),
      saveSetting(writerFor(db, 'laptop', 'b'), 'units', 'metric'),
    ]);
    expect(await db.heads('settings').count()).to.equal(1);
  });
});

describe('what changed since it was shown', () => {
  prepared();
  it('a merge is planned anew inside: an edit made since is not replaced, and said', async () => {
    const other = await phoneOf();
    must(await updateHead(other, 'parts', 'demo-heron-camera', { massKg: 0.8 }));
    const file = await fileOf(other);
    const { plan } = must(await previewImport(w, file));
    must(await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 0.75 }));
    expect(await applyMerge(w, file, plan, {})).to.deep.include({ ok: false, code: 'changedSince' });
    expect(await db.heads('parts').get('demo-heron-camera')).to.include({ massKg: 0.75 });
    const again = must(await previewImport(w, file));
    expect(again.plan.conflicts.map((c) => c.id)).to.deep.equal(['demo-heron-camera']);
  });

  it('a replacement too, also when only a record outside of the file changed', async () => {
    const file = await fileOf(await phoneOf());
    const { print } = must(await previewImport(w, file));
    must(await createHead(w, 'sites', HILL));
    expect(await applyReplace(w, file, print)).to.deep.include({ ok: false, code: 'changedSince' });
    expect(await db.heads('sites').count()).to.equal(3);
  });
});

describe('readings stored twice by an earlier version', () => {
  prepared();
  it('count once, and are mended and told when the database is opened', async () => {
    const reading = must(await recordOne(w, trial(0.29)));
    const row = (await db.nightReadings.get('demo-tonight-heron'))!;
    await db.nightReadings.put({ ...row, readings: [...row.readings, reading] });
    await db.nightReadings.put({ nightId: 'elsewhere', readings: [reading] });
    expect((await readReadings(db)).doubles).to.equal(2);
    expect(await own()).to.have.length(1);
    expect(await healDoubles(db)).to.deep.equal({ ok: true, value: 2 });
    expect((await readReadings(db)).doubles).to.equal(0);
    expect(await own()).to.have.length(1);
  });
});

describe('a write that the browser does not keep', () => {
  prepared();
  const site = { ...HILL };
  const kinds: Record<string, (of: Writer) => Promise<{ ok: boolean; code?: string }>> = {
    create: (of) => createHead(of, 'sites', site),
    copy: (of) => copyHead(of, 'parts', 'demo-heron-camera', 'Spare'),
    edit: (of) => updateHead(of, 'parts', 'demo-heron-camera', { massKg: 0.9 }),
    delete: (of) => deleteHead(of, 'targets', 'demo-m33'),
    setting: (of) => saveSetting(of, 'units', 'imperial'),
    reading: (of) => recordOne(of, trial(0.29)),
    parts: (of) =>
      addParts(of, [
        { id: null, origin: 'import', body: { name: 'R', kind: 'small', count: 1, massKg: 1, massBasis: 'stated' } },
      ]),
    replace: async (of) => applyReplace(of, await fileOf(await phoneOf())),
    wipe,
    demo: removeDemo,
    undo: undoLast,
  };
  const codes = {
    QuotaExceededError: 'diskFull',
    AbortError: 'writeFailed',
    UnknownError: 'writeFailed',
    InvalidStateError: 'databaseClosed',
  };
  for (const [kind, command] of Object.entries(kinds)) {
    it(`${kind}: each fault is told by its name and nothing of it is stored`, async () => {
      must(await createHead(w, 'sites', { ...HILL, name: 'Before' }));
      must(await createHead(await phoneOf(), 'sites', HILL));
      const before = await textOf(w);
      for (const [name, code] of Object.entries(codes)) {
        // The first row may still be written: the transaction takes it back.
        for (const after of [0, 1]) {
          const mend = failWrites(db, { name, after });
          const answer = await command(w);
          mend();
          expect(answer, `${name} after ${after}`).to.deep.include({ ok: false, code });
          expect(await textOf(w), `${name} after ${after}`).to.equal(before);
        }
      }
      expect((await lastChange(db, 'tab-a'))?.name).to.equal('Before');
      expect((await command(w)).ok, 'and works again').to.equal(true);
    });
  }

  it('a database that was closed under the app is told', async () => {
    db.close();
    expect(await recordOne(w, trial(0.29))).to.deep.include({ ok: false, code: 'databaseClosed' });
    await db.open();
  });

  it('a fault of ours is not swallowed', async () => {
    const broken: Writer = {
      ...w,
      newId: () => {
        throw new TypeError('a fault of ours');
      },
    };
    const thrown = await createHead(broken, 'sites', HILL).then(
      () => null,
      (error: unknown) => error,
    );
    expect(thrown).to.be.instanceOf(TypeError);
  });
});
