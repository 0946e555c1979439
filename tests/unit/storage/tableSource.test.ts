import { expect } from 'chai';
import { OwlDatabase } from '../../../src/storage/database.ts';
import { inPages, wholeTable } from '../../../src/storage/tableSource.ts';

describe('a table in pages', () => {
  let db: OwlDatabase;
  beforeEach(async () => {
    db = new OwlDatabase('pages');
    await db.open();
  });
  afterEach(() => db.delete());

  it('is read whole and in the order of its keys, whatever keys another program wrote', async () => {
    const ids: unknown[] = [7, '', ...Array.from({ length: 2500 }, (_, i) => `n${String(i).padStart(4, '0')}`)];
    await db.table('nights').bulkPut(ids.map((id) => ({ id })));
    expect([...(await wholeTable(db, 'nights', (row) => row)).keys()]).to.deep.equal(ids.map(String));
  });

  it('is shown page by page, each row once, also where the last page is full', async () => {
    const sizes = async (count: number): Promise<number[]> => {
      await db.table('nights').clear();
      await db.table('nights').bulkPut(Array.from({ length: count }, (_, i) => ({ id: `n${i}` })));
      const found: number[] = [];
      await inPages(db.table('nights'), (rows) => found.push(rows.length), 4);
      return found;
    };
    expect(await sizes(0)).to.deep.equal([0]);
    expect(await sizes(3)).to.deep.equal([3]);
    expect(await sizes(8)).to.deep.equal([4, 4, 0]);
    expect(await sizes(9)).to.deep.equal([4, 4, 1]);
  });
});
