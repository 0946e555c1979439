import { expect } from 'chai';
import { besideOwn, isMixed } from '../../../src/session/demo.ts';

const record = (id: string, origin: string, deletedAtUtc: string | null = null) => ({ id, origin, deletedAtUtc });
const DEMO = [record('demo-heron', 'demo'), record('demo-wagtail', 'demo')];

describe('the demo beside one’s own', () => {
  const NIGHT = [record('01N', 'user')];

  it('is shown where there is nothing else, hidden beside one’s own once somebody has a night of their own', () => {
    const own = record('01J', 'user');
    expect(besideOwn(DEMO, NIGHT)).to.deep.equal(DEMO);
    expect(besideOwn([...DEMO, own], NIGHT)).to.deep.equal([own]);
    // Who only looks around and copies a part loses nothing.
    expect(besideOwn([...DEMO, own], DEMO)).to.deep.equal([...DEMO, own]);
    const mixed = [DEMO, [own], [...DEMO, own]].map((list) => isMixed(list, NIGHT));
    expect(mixed).to.deep.equal([false, false, true]);
  });

  it('a corrected demo record, a starter part or a deleted one of one’s own hides nothing', () => {
    for (const other of [record('demo-plover', 'user'), record('starter-bar', 'starter'), record('x', 'user', 'then')])
      expect(besideOwn([...DEMO, other], NIGHT), other.id).to.have.lengthOf(3);
    const edited = record('demo-plover', 'user');
    const own = record('01J', 'import');
    expect(besideOwn([...DEMO, edited, own], NIGHT)).to.deep.equal([edited, own]);
  });
});
