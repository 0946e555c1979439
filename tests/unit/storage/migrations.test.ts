import { expect } from 'chai';
import Dexie from 'dexie';
import { OwlDatabase } from '../../../src/storage/database.ts';
import { MIGRATIONS } from '../../../src/storage/migrations.ts';

describe('the step from version 2 to 3', () => {
  it('gives plates, mounts and devices their new fields, in snapshots too, and leaves the rest', async () => {
    const old = new Dexie('test-frozen-2');
    old.version(1).stores(MIGRATIONS[0]!.stores);
    old.version(2).stores(MIGRATIONS[1]!.stores);
    await old.open();
    const rows = [
      { id: 'p', kind: 'plate', name: 'Plate' },
      { id: 'm', kind: 'mount', name: 'Mount', ratedKg: 9 },
      { id: 'l', kind: 'load', name: 'Heater', currentA: 1 },
      { id: 't', kind: 'tube', name: 'Tube', imageCircleMm: 40 },
    ];
    await old.table('parts').bulkPut(rows);
    await old.table('snapshots').put({ id: 's', rig: {}, parts: rows, site: {} });
    old.close();
    const now = new OwlDatabase('test-frozen-2');
    const upgraded = [
      { id: 'l', kind: 'load', name: 'Heater', currentA: 1, use: 'other' },
      { id: 'm', kind: 'mount', name: 'Mount', ratedKg: 9, saddle: null },
      { id: 'p', kind: 'plate', name: 'Plate', dovetail: null },
      { id: 't', kind: 'tube', name: 'Tube', imageCircleMm: 40 },
    ];
    expect(await now.table('parts').toArray()).to.deep.equal(upgraded);
    const snapshot = (await now.table('snapshots').get('s')) as { parts: object[] };
    expect(snapshot.parts).to.have.deep.members(upgraded);
    await now.delete();
  });
});

describe('the step from version 3 to 4', () => {
  it('gives finders the marks, rings and view that they could not state, in snapshots too', async () => {
    const old = new Dexie('test-frozen-3');
    for (const [i, { stores }] of MIGRATIONS.slice(0, 3).entries()) old.version(i + 1).stores(stores);
    await old.open();
    const finder = { numbering: '24h', topMark: 12, ringArcmin: 65, ringYear: 2020, screwAnglesDeg: [0] };
    const rows = [
      { id: 'm', kind: 'mount', name: 'Mount', finder },
      { id: 'n', kind: 'mount', name: 'Plate', finder: { ...finder, numbering: 'pattern', ringArcmin: null } },
      { id: 'o', kind: 'mount', name: 'None', finder: null },
    ];
    await old.table('parts').bulkPut(rows);
    await old.table('snapshots').put({ id: 's', rig: {}, parts: rows, site: {} });
    old.close();
    const now = new OwlDatabase('test-frozen-3');
    const seen = { patternHips: [], patternYear: null, fieldDeg: 7, faintestMag: 8 };
    const kept = { topMark: 12, screwAnglesDeg: [0], ...seen };
    const upgraded = [
      {
        ...rows[0],
        finder: { ...kept, numbering: '24h', tickEvery: 0.5, numberEvery: 2, rings: [{ arcmin: 65, year: 2020 }] },
      },
      { ...rows[1], finder: { ...kept, numbering: 'pattern', tickEvery: null, numberEvery: null, rings: [] } },
      rows[2],
    ];
    expect(await now.table('parts').toArray()).to.deep.equal(upgraded);
    const snapshot = (await now.table('snapshots').get('s')) as { parts: object[] };
    expect(snapshot.parts).to.deep.equal(upgraded);
    await now.delete();
  });
});
