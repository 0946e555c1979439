import { expect } from 'chai';
import { addParts } from '../../../src/storage/addParts.ts';
import { applyMerge, applyReplace, previewImport, wipe } from '../../../src/storage/backup.ts';
import { forgetOldChanges } from '../../../src/storage/changeLog.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { createHead, deleteHead, updateHead } from '../../../src/storage/heads.ts';
import { retractReading } from '../../../src/storage/readings.ts';
import { saveSetting } from '../../../src/storage/settings.ts';
import { readReadings } from '../../../src/storage/storedReadings.ts';
import { removalOf } from '../../../src/storage/knownChanges.ts';
import { undoChange, undoLast } from '../../../src/storage/undo.ts';
import { type Writer } from '../../../src/storage/writer.ts';
import { fileOf, HILL, must, textOf, trial } from '../../support/commands.ts';
import { recordOne, writerFor } from '../../support/database.ts';
import { devices } from '../../support/devices.ts';

let db: OwlDatabase;
let w: Writer;
const { prepared, phoneOf } = devices((made, laptop) => {
  [db, w] = [made, laptop];
});
const changes = () => db.changes.count();
const own = async () => (await readReadings(db)).records.filter((r) => r.deviceId !== 'demo');

describe('undo', () => {
  prepared();
  it('goes by its own count, whatever the clock does', async () => {
    let now = Date.parse('2026-11-24T21:00:00Z');
    const clocked: Writer = {
      ...writerFor(db, 'laptop', 'tab-a'),
      nowMs: () => now,
      newId: () => `id-${now}-${Math.random()}`,
    };
    must(await updateHead(clocked, 'parts', 'demo-heron-camera', { massKg: 0.9 }));
    now -= 2 * 3_600_000;
    must(await createHead(clocked, 'sites', HILL));
    expect(must(await undoLast(clocked)).name).to.equal('Hill');
    expect(must(await undoLast(clocked)).label).to.equal('edited');
  });

  it('a refused one does not stand in the way of older ones', async () => {
    must(await createHead(w, 'sites', HILL));
    must(await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 0.9 }));
    must(await updateHead(writerFor(db, 'laptop', 'tab-b'), 'parts', 'demo-heron-camera', { massKg: 1 }));
    expect(await undoLast(w)).to.deep.include({ code: 'changedElsewhere' });
    expect(must(await undoLast(w)).name).to.equal('Hill');
    expect(await db.heads('parts').get('demo-heron-camera')).to.include({ massKg: 1 });
  });

  it('of a reading that another tab removed with everything is refused, and nothing speaks of it', async () => {
    const recorded = must(await recordOne(w, trial(0.3)));
    must(await wipe(writerFor(db, 'laptop', 'tab-b')));
    expect(await undoLast(w)).to.deep.include({ code: 'changedElsewhere' });
    expect(await retractReading(w, recorded)).to.deep.include({ code: 'missingRecord' });
    expect(await db.nightReadings.count()).to.equal(0);
  });

  it('takes all of a change back or nothing of it', async () => {
    const parts = ['Ring', 'Knob'].map((name) => ({
      id: `starter-${name}`,
      origin: 'starter' as const,
      body: { name, kind: 'small' as const, count: 1, massKg: 0.1, massBasis: 'stated' as const },
    }));
    must(await addParts(w, parts));
    must(await updateHead(writerFor(db, 'laptop', 'b'), 'parts', 'starter-Knob', { massKg: 0.2 }));
    expect(await undoLast(w)).to.deep.include({ ok: false, figures: { name: 'Knob', undo: 1 } });
    expect(await db.heads('parts').get('starter-Ring')).to.include({ deletedAtUtc: null });
  });

  it('says what it took back by the name that its user knows: a night by its evening, a setting by its key', async () => {
    must(await updateHead(w, 'nights', 'demo-tonight-heron', { note: 'windy' }));
    must(await saveSetting(w, 'units', 'imperial'));
    must(await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 0.9 }));
    const names = [must(await undoLast(w)).name, must(await undoLast(w)).name, must(await undoLast(w)).name];
    expect(names).to.deep.equal(['Cooled 26-megapixel camera', 'units', '2026-11-24']);
    expect((await db.heads('nights').get('demo-tonight-heron'))!.rev, 'a new revision, not the old one').to.equal(3);
  });

  it('keeps three changes of everything, of all tabs together, and as many small ones as ever', async () => {
    must(await createHead(w, 'sites', HILL));
    const texts: string[] = [];
    for (const tab of ['tab-b', 'tab-c', 'tab-d', 'tab-e']) {
      const of = writerFor(db, 'laptop', tab);
      must(await createHead(of, 'sites', HILL));
      texts.push(await textOf(w));
      must(await wipe(of));
    }
    const kept = (await db.changes.toArray()).sort((a, b) => a.seq - b.seq);
    expect(kept.map((c) => [c.tabId, c.label])).to.deep.equal([
      ['tab-a', 'created'],
      ['tab-b', 'created'],
      ['tab-c', 'created'],
      ['tab-c', 'whole'],
      ['tab-d', 'created'],
      ['tab-d', 'whole'],
      ['tab-e', 'created'],
      ['tab-e', 'whole'],
    ]);
    must(await undoLast(writerFor(db, 'laptop', 'tab-e')));
    expect(await textOf(w)).to.equal(texts.at(-1));
  });

  it('of an import leaves the readings that were recorded since', async () => {
    const other = await phoneOf();
    must(await recordOne(other, trial(0.3)));
    const file = await fileOf(other);
    must(await applyMerge(w, file, must(await previewImport(w, file)).plan, {}));
    must(await recordOne(writerFor(db, 'laptop', 'tab-b'), trial(0.31)));
    must(await undoLast(w));
    expect((await own()).map((r) => r.deviceId)).to.deep.equal(['laptop']);
  });

  it('another tab’s removal is found, and can be taken back from here', async () => {
    const site = must(await createHead(w, 'sites', HILL));
    must(await deleteHead(writerFor(db, 'laptop', 'tab-b'), 'sites', site.id));
    const removal = await removalOf(db, 'sites', site.id);
    expect(removal).to.deep.include({ tabId: 'tab-b', label: 'deleted' });
    must(await undoChange(w, removal!.id));
    expect(await db.heads('sites').get(site.id)).to.include({ deletedAtUtc: null });
    must(await wipe(writerFor(db, 'laptop', 'tab-c')));
    const emptying = await removalOf(db, 'nights', 'demo-tonight-heron');
    must(await undoChange(w, emptying!.id));
    expect(await db.heads('nights').get('demo-tonight-heron')).not.to.equal(undefined);
  });

  it('of two removals the last one is the way back', async () => {
    const site = must(await createHead(w, 'sites', HILL));
    const file = await fileOf(w);
    must(await deleteHead(writerFor(db, 'laptop', 'tab-c'), 'sites', site.id));
    must(await applyReplace(w, file));
    must(await deleteHead(writerFor(db, 'laptop', 'tab-b'), 'sites', site.id));
    const removal = await removalOf(db, 'sites', site.id);
    expect(removal?.tabId).to.equal('tab-b');
    must(await undoChange(w, removal!.id));
    expect(await db.heads('sites').get(site.id)).to.include({ deletedAtUtc: null });
  });

  it('rows of tabs that are gone are cleared after a week, those of open tabs stay', async () => {
    const day = 86_400_000;
    const at = w.nowMs();
    for (const tab of ['gone', 'open']) must(await createHead(writerFor(db, tab, tab), 'sites', HILL));
    await forgetOldChanges(db, at + 6 * day, new Set(['open']));
    expect(await changes()).to.equal(2);
    await forgetOldChanges(db, at + 8 * day, new Set(['open']));
    expect((await db.changes.toArray()).map((c) => c.tabId)).to.deep.equal(['open']);
  });
});
