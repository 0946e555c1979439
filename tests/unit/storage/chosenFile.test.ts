/** The file that a page chose is kept for that choice alone, and let go with it. */
import { expect } from 'chai';
import { writeBackup } from '../../../src/formats/backup.ts';
import { runRecordJob, type Desk } from '../../../src/storage/allRecords.ts';
import { collect } from '../../../src/storage/backup.ts';
import { createHead } from '../../../src/storage/heads.ts';
import type { ChosenFile } from '../../../src/storage/recordJobs.ts';
import { QUIETLY } from '../../../src/core/work.ts';
import { HILL, must } from '../../support/commands.ts';
import { demoDatabase, writerFor } from '../../support/database.ts';

describe('a chosen file', () => {
  it('is read once for its choice, is never taken for another of its name, and goes with its page', async () => {
    const db = await demoDatabase();
    const w = writerFor(db);
    const seed = { nowMs: w.nowMs(), deviceId: w.deviceId, tabId: w.tabId };
    const desk: Desk = { db, newId: w.newId, known: null };
    const asFile = async (): Promise<Blob> => new Blob(writeBackup((await collect(w)).backup));
    const first: ChosenFile = { key: 'first', blob: await asFile() };
    must(await createHead(w, 'sites', HILL));
    const second: ChosenFile = { key: 'second', blob: await asFile() };

    must(await runRecordJob(desk, { job: 'preview', file: first, seed }, QUIETLY));
    const read = desk.known;
    must(await runRecordJob(desk, { job: 'preview', file: first, seed }, QUIETLY));
    expect(desk.known).to.equal(read);
    const shown = must(await runRecordJob(desk, { job: 'preview', file: second, seed }, QUIETLY));
    expect(Object.values(shown.outline.fresh).every((count) => count === 0)).to.equal(true);

    await runRecordJob(desk, { job: 'letGo', key: 'first' }, QUIETLY);
    expect(desk.known?.key).to.equal('second');
    await runRecordJob(desk, { job: 'letGo', key: 'second' }, QUIETLY);
    expect(desk.known).to.equal(null);
    // What a page that came back asks for is read again, and is the file that it chose.
    must(await runRecordJob(desk, { job: 'replace', file: first, seed, seen: null as never }, QUIETLY));
    expect(
      (await db.heads('sites').toArray()).some(({ name, deletedAtUtc }) => name === 'Hill' && deletedAtUtc === null),
    ).to.equal(false);
    await db.delete();
  });
});
