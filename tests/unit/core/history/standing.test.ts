import { expect } from 'chai';
import { byNight, standingIn } from '../../../../src/core/history/readingIndex.ts';
import { standingReadings } from '../../../../src/core/history/standing.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { reading } from '../../../support/records.ts';

const at = (hour: number): string => `2026-11-24T${String(hour).padStart(2, '0')}:00:00.000Z`;
/** Recorded as it was taken, unless told otherwise. */
const note = (id: string, hour: number, rest: Partial<Reading> = {}): Reading =>
  reading('note', { text: id }, { id, takenAtUtc: at(hour), recordedAtUtc: at(hour), ...rest });
const order = (...readings: Reading[]) => standingReadings(readings).map((r) => r.id);

describe('the order of readings', () => {
  it('is that of their times, and of their ids where these are the same', () => {
    expect(order(note('b', 21), note('c', 20), note('a', 21))).to.deep.equal(['c', 'a', 'b']);
  });

  it('does not turn round what a device counted one after the other when its clock was set back', () => {
    const [first, second] = [note('z', 20, { seq: 1 }), note('a', 18, { seq: 2 })];
    expect(order(first, second)).to.deep.equal(['z', 'a']);
    expect(order(second, first)).to.deep.equal(['z', 'a']);
    expect(order(second, note('z', 20)), 'of which one is not counted').to.deep.equal(['a', 'z']);
    expect(order(first, note('a', 18, { seq: 2, deviceId: 'other' })), 'of two devices').to.deep.equal(['a', 'z']);
    const third = note('m', 21, { seq: 3 });
    expect(order(third, second, first), 'once the clock is right again').to.deep.equal(['z', 'a', 'm']);
  });

  it('at one instant is what one device counted; of two devices, or where one is not counted, that of their ids', () => {
    const late = note('a', 20, { seq: 2 });
    expect(order(late, note('z', 20, { seq: 1 }))).to.deep.equal(['z', 'a']);
    expect(order(late, note('z', 20, { seq: 1, deviceId: 'other' })), 'of two devices').to.deep.equal(['a', 'z']);
    expect(order(note('z', 20), late), 'one not counted').to.deep.equal(['a', 'z']);
    expect(order(note('z', 20, { seq: 1 }), note('a', 20)), 'the other not counted').to.deep.equal(['a', 'z']);
  });

  it('keeps the time of what was typed in later', () => {
    const later = note('a', 18, { seq: 2, recordedAtUtc: at(22) });
    expect(order(note('z', 20, { seq: 1 }), later)).to.deep.equal(['a', 'z']);
  });
});

describe('lists over several nights', () => {
  const of = (nightId: string | null, id: string, hour: number) =>
    reading('feet', { azimuthDeg: 0 }, { id, nightId, takenAtUtc: at(hour), recordedAtUtc: at(hour) });
  const ids = (readings: Iterable<Reading>) => [...readings].map((r) => r.id);

  it('are in order whichever night is stored first, and one more reading does not disturb the others', () => {
    const stored = [of('n2', 'late', 22), of('n1', 'early', 19), of('n2', 'middle', 20), of(null, 'none', 21)];
    const known = standingIn(byNight(stored)).knownBy('n1', at(23));
    expect(ids(known.latest('feet'))).to.deep.equal(['late', 'none', 'middle', 'early']);
    expect(known.last('feet')?.id).to.equal('late');
    expect(known.nights(), 'what belongs to no night is none').to.equal(2);
  });

  it('end where the night does, but for the night’s own; a night may be left out', () => {
    const stored = byNight([of('n1', 'own', 23), of('n2', 'before', 19), of('n2', 'after', 22), of('n3', 'far', 23)]);
    const known = standingIn(stored).knownBy('n1', at(20));
    expect(ids(known.latest('feet'))).to.deep.equal(['own', 'before']);
    expect(known.nights()).to.equal(2);
    expect(ids(standingIn(stored).knownBefore('n1', at(20)).latest('feet'))).to.deep.equal(['before']);
    expect(ids(standingIn(stored).listsOfNight('n1').of('feet'))).to.deep.equal(['own']);
    expect(standingIn(stored).ofNight('nowhere')).to.deep.equal([]);
  });

  it('what two nights took at one instant stands by night', () => {
    const lists = (...stored: Reading[]) => standingIn(byNight(stored)).knownBy('n3', at(23)).latest('feet');
    const [a, b] = [of('n1', 'x', 20), of('n2', 'a', 20)];
    expect(ids(lists(a, b))).to.deep.equal(['a', 'x']);
    expect(ids(lists(b, a))).to.deep.equal(['a', 'x']);
  });
});
