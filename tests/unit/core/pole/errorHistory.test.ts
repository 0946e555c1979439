import { expect } from 'chai';
import { errorsBefore, errorsTonight } from '../../../../src/core/pole/errorHistory.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { nightRecords, reading, snapshotOf } from '../../../support/records.ts';

const error = (nightId: string, day: string, minute: number, altErrorArcmin: number, snapshotId = 's1'): Reading =>
  reading(
    'polarError',
    { altErrorArcmin, azErrorArcmin: 0, method: 'typed', reference: 'refracted' },
    { id: `${nightId}${minute}`, nightId, snapshotId, takenAtUtc: `2026-11-${day}T19:${minute}:00.000Z` },
  );

describe('pole errors over the nights', () => {
  const readings = [
    error('a', '20', 10, 40),
    error('a', '20', 20, 3),
    error('b', '22', 10, 12),
    error('elsewhere', '21', 10, 9, 's2'),
    error('later', '26', 10, 5),
    error('n1', '24', 10, 8),
    error('n1', '24', 30, 2),
  ];
  const snapshots = [snapshotOf(), snapshotOf({ site: { id: 'another-place' } }, 's2')];
  const records = nightRecords({ readings, snapshots });

  it('tonight’s in the order measured', () => {
    expect(errorsTonight(records).map((e) => Math.round(e.totalArcmin))).to.deep.equal([8, 2]);
  });

  it('earlier nights at this site, the latest first, found and left; no later night, no other place', () => {
    const before = errorsBefore(records);
    expect(before.map((n) => n.nightId)).to.deep.equal(['b', 'a']);
    expect(before[1]).to.deep.include({ measurements: 2 });
    expect([before[1]!.firstArcmin, before[1]!.lastArcmin].map(Math.round)).to.deep.equal([40, 3]);
    expect(errorsBefore(records, 1)).to.have.length(1);
  });
});
