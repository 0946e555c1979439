import { expect } from 'chai';
import { collect } from '../../../src/storage/backup.ts';
import { deleteHead, updateHead } from '../../../src/storage/heads.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import { writeTogether } from '../../../src/storage/writeTogether.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { demoDatabase, writerFor } from '../../support/database.ts';

const TARGET = { name: 'M 45, Pleiades', catalogueId: 'M 45', raJ2000Deg: 56.75, decJ2000Deg: 24.12, sizeArcmin: 110 };
const NIGHT = 'demo-tonight-heron';

describe('records written together', () => {
  let db: OwlDatabase;
  beforeEach(async () => {
    db = await demoDatabase();
  });
  afterEach(() => db.delete());
  const writer = () => writerFor(db, 'laptop', 'tab-a');
  const night = async () => (await db.heads('nights').get(NIGHT))!;
  const changeTo = async (plan: object[], baseRev?: number) =>
    ({ table: 'nights', id: NIGHT, patch: { plan }, baseRev: baseRev ?? (await night()).rev }) as const;
  const looking = async () => [{ ...(await night()).plan[0]!, targetId: 'mine' }];
  const target = { table: 'targets', id: 'mine', body: TARGET } as const;

  it('a new target and the night that looks at it: both or none, and one undo takes both back', async () => {
    const before = await night();
    const written = await writeTogether(writer(), 'night', [target, await changeTo(await looking())]);
    expect(written).to.deep.equal({ ok: true, value: 2 });
    const after = await night();
    expect(after.plan[0]!.targetId).to.equal('mine');
    expect([after.rev, after.origin]).to.deep.equal([before.rev + 1, 'user']);
    expect((await db.heads('targets').get('mine'))?.name).to.equal('M 45, Pleiades');
    const undone = await undoLast(writer());
    expect(undone.ok && undone.value.label).to.equal('edited');
    expect((await night()).plan).to.deep.equal(before.plan);
    expect((await db.heads('targets').get('mine'))?.deletedAtUtc).not.to.equal(null);
  });

  it('what was changed elsewhere is refused by name, and the new record beside it is not written', async () => {
    const { rev } = await night();
    await updateHead(writer(), 'nights', NIGHT, { darkness: 'nautical' });
    const written = await writeTogether(writer(), 'night', [target, await changeTo(await looking(), rev)]);
    expect(!written.ok && written.code).to.equal('changedElsewhere');
    expect(await db.heads('targets').get('mine')).to.equal(undefined);
    expect((await night()).plan[0]!.targetId).not.to.equal('mine');
  });

  it('a record that is gone and a bad one are named, and nothing of the rest is written', async () => {
    const gone = { table: 'nights', id: 'gone', patch: {}, baseRev: 1 } as const;
    const missing = await writeTogether(writer(), 'night', [target, gone]);
    expect(!missing.ok && missing.code).to.equal('missingRecord');
    const bad = { table: 'sites', id: 'bad', body: { name: '' } } as const;
    const invalid = await writeTogether(writer(), 'night', [target, bad]);
    expect(!invalid.ok && invalid.code).to.equal('invalidRecord');
    expect((await collect(writer())).backup.lists.targets.some((t) => t.id === 'mine')).to.equal(false);
    expect(await db.changes.count()).to.equal(0);
  });

  it('a new record under the id of a deleted one counts on from it, and undo deletes it again', async () => {
    await writeTogether(writer(), 'target', [target]);
    await deleteHead(writer(), 'targets', 'mine');
    const gone = (await db.heads('targets').get('mine'))!;
    expect(gone.deletedAtUtc).not.to.equal(null);
    await writeTogether(writer(), 'target', [target]);
    const back = (await db.heads('targets').get('mine'))!;
    expect([back.rev, back.deletedAtUtc, back.createdAtUtc]).to.deep.equal([gone.rev + 1, null, gone.createdAtUtc]);
    await undoLast(writer());
    expect((await db.heads('targets').get('mine'))?.deletedAtUtc).not.to.equal(null);
  });

  it('the content that a changed record had is remembered, so that a merge knows the older side', async () => {
    await writeTogether(writer(), 'night', [await changeTo([])]);
    const lineage = await db.lineage.get(`nights/${NIGHT}`);
    expect(lineage?.earlier).to.have.length(1);
  });
});
