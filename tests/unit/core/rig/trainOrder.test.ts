import { expect } from 'chai';
import fc from 'fast-check';
import { whereItFails } from '../../../../src/core/optics/stack/whereItFails.ts';
import { endsOf, type BoxPiece, type JointEnd } from '../../../../src/core/optics/stack/joints.ts';
import type { Part } from '../../../../src/core/records/part.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { movedTo, piecePlaces, putIn, takenOut, turnedRound } from '../../../../src/core/rig/trainEdit.ts';
import { bottomedIn, misfitsOf, standingOf } from '../../../../src/core/rig/trainJoints.ts';
import { placeOf } from '../../../../src/ui/instruments/trainGrip.ts';
import { holds } from '../../../support/properties.ts';
import { parts, rigs } from '../../../support/records.ts';

const heron = rigs.find((r) => r.id === 'demo-heron')!;
const end = (thread: string, gender: 'male' | 'female', lengthMm?: number) => ({
  thread,
  gender,
  ...(lengthMm === undefined ? {} : { lengthMm }),
});
const one = parts.find((p) => p.kind === 'spacer')!;
const spacer = (id: string, front: object, rear: object): Part => ({ ...one, id, name: id, front, rear }) as Part;
const camera = (front: object): Part => ({ ...parts.find((p) => p.kind === 'camera')!, name: 'camera', front }) as Part;
const reducer = (rear: object): Part =>
  ({ ...parts.find((p) => p.kind === 'corrector')!, name: 'reducer', rear }) as Part;
const chain = (all: Part[], turned: string[] = []) => all.map((p) => standingOf(p, new Set(turned)));

describe('joints of a train', () => {
  it('a piece that fits on both sides turned round is offered, and fits when it is', () => {
    const all = [
      reducer(end('M48', 'male')),
      spacer('a', end('M42', 'male'), end('M48', 'female')),
      camera(end('M42', 'female')),
    ];
    const [first, second] = misfitsOf(chain(all));
    expect(first).to.deep.include({ beforeName: 'reducer', afterName: 'a', at: 1 });
    expect(first!.turnable).to.deep.equal([{ id: 'a', name: 'a' }]);
    expect(second!.at).to.equal(2);
    expect(misfitsOf(chain(all, ['a']))).to.deep.equal([]);
  });

  it('is not offered where turning mends one side only', () => {
    const all = [
      reducer(end('M48', 'male')),
      spacer('a', end('M42', 'male'), end('M48', 'female')),
      camera(end('M54', 'female')),
    ];
    expect(misfitsOf(chain(all))[0]!.turnable).to.deep.equal([]);
  });

  it('a thread longer than its hole stands off by the difference, one that nobody measured does not', () => {
    const all = (male?: number, female?: number) => [
      reducer(end('M48', 'male', male)),
      spacer('a', end('M48', 'female', female), end('M42', 'male')),
      camera(end('M42', 'female')),
    ];
    expect([...bottomedIn(chain(all(6, 4.5))).values()]).to.deep.equal([
      { beforeName: 'reducer', afterName: 'a', gapMm: 1.5, at: 1 },
    ]);
    for (const [male, female] of [[4.5, 6], [6], [undefined, 4]] as const)
      expect(bottomedIn(chain(all(male, female))).size).to.equal(0);
  });

  it('the gap counts in the distance of a rig, and its place in the drawing is that of the piece behind it', () => {
    const long = (p: Part): Part =>
      p.kind === 'corrector'
        ? { ...p, rear: { ...p.rear, lengthMm: 6 } }
        : 'front' in p && p.kind === 'spacer'
          ? { ...p, front: { ...p.front, lengthMm: 5 } }
          : p;
    const is = rigNumbers(heron, parts).lightPath;
    const then = rigNumbers(heron, parts.map(long)).lightPath;
    expect(then.spacing!.presentMm - is.spacing!.presentMm).to.be.closeTo(1, 1e-9);
    expect(then.bottomed).to.have.length(1);
    expect(then.pieceAt(then.bottomed[0]!.at)).to.equal(0);
    expect(then.spacing!.pieces[0]!.fromMm).to.equal(1);
  });

  it('what corners taught moves the wanted distance', () => {
    const { spacing } = rigNumbers(heron, parts, { spacingMm: -0.4 }).lightPath;
    const plain = rigNumbers(heron, parts).lightPath.spacing!;
    expect(spacing!.neededMm).to.be.closeTo(plain.neededMm - 0.4, 1e-9);
    expect(spacing!.errorMm).to.be.closeTo(plain.errorMm + 0.4, 1e-9);
  });
});

describe('a train changed by hand', () => {
  const order = { train: ['a', 'b', 'c'], turned: [] };

  it('moving there and back leaves it as it was, and out of range nothing moves', () => {
    const place = fc.nat({ max: 5 });
    holds(
      fc.property(fc.array(fc.string(), { minLength: 1, maxLength: 6 }), place, place, (train, from, to) => {
        const start = { train, turned: [] };
        const moved = movedTo(start, from, to);
        expect([...moved.train].sort()).to.deep.equal([...train].sort());
        if (from < train.length && to < train.length) expect(moved.train[to]).to.equal(train[from]);
        expect(movedTo(moved, to, from).train).to.deep.equal(train);
      }),
    );
    expect(movedTo(order, 0, -1)).to.equal(order);
    expect(movedTo(order, 1, 3)).to.equal(order);
  });

  it('what is put in stands before the camera; what goes is turned round no more', () => {
    const all = [...parts, { ...one, id: 'x' }];
    const cameraId = parts.find((p) => p.kind === 'camera')!.id;
    expect(putIn({ train: ['a', cameraId], turned: [] }, all, 'x').train).to.deep.equal(['a', 'x', cameraId]);
    expect(putIn(order, all, 'x').train.at(-1)).to.equal('x');
    const twice = turnedRound(turnedRound(order, 'b'), 'b');
    expect(twice).to.deep.equal(order);
    expect(takenOut(turnedRound(order, 'b'), 1)).to.deep.equal({ train: ['a', 'c'], turned: [] });
    expect(takenOut({ train: ['b', 'b'], turned: ['b'] }, 0).turned).to.deep.equal(['b']);
  });

  it('drawn pieces are those behind the corrector, filters and camera left out', () => {
    const kinds = piecePlaces(heron.train, parts).map((i) => parts.find((p) => p.id === heron.train[i])!.kind);
    expect(kinds).to.have.length(rigNumbers(heron, parts).lightPath.spacing!.pieces.length - 1);
    expect(kinds).not.to.include.members(['filter']);
  });

  it('a dragged piece comes to stand where its leading edge has passed the middle of others', () => {
    const drawn = [
      { fromX: 0, toX: 40 },
      { fromX: 40, toX: 60 },
      { fromX: 60, toX: 160 },
    ];
    expect(placeOf(drawn, 0, 5)).to.equal(0);
    expect(placeOf(drawn, 0, 9)).to.equal(0);
    expect(placeOf(drawn, 0, 11)).to.equal(1);
    expect(placeOf(drawn, 0, 80)).to.equal(2);
    expect(placeOf(drawn, 2, -9)).to.equal(2);
    expect(placeOf(drawn, 2, -11)).to.equal(1);
    expect(placeOf(drawn, 2, -300)).to.equal(0);
  });
});

describe('why nothing screws together', () => {
  const piece = (id: string, front: JointEnd, rear: JointEnd, required = false): BoxPiece => ({
    id,
    lengthMm: 5,
    front,
    rear,
    count: 1,
    required,
  });
  const from48to42 = endsOf(end('M48', 'male'), end('M42', 'female'));

  it('names what is reached from either side', () => {
    const box = [piece('a', end('M48', 'female'), end('M54', 'male'))];
    expect(whereItFails(box, from48to42)).to.deep.equal({
      code: 'noWay',
      reached: ['male M48x0.75', 'male M54x0.75'],
      wanted: ['male M42x0.75'],
    });
  });

  it('a required piece that stands on no way is named', () => {
    const box = [
      piece('a', end('M48', 'female'), end('M42', 'male')),
      piece('wheel', end('M54', 'female'), end('M42', 'male'), true),
    ];
    expect(whereItFails(box, from48to42)).to.deep.equal({ code: 'required', id: 'wheel' });
  });

  it('too few copies are told as such', () => {
    const box = [
      piece('a', end('M48', 'female'), end('M42', 'male')),
      piece('wheel', end('M48', 'female'), end('M48', 'male'), true),
      piece('back', end('M42', 'female'), end('M48', 'male'), true),
    ];
    expect(whereItFails(box, from48to42)).to.deep.equal({ code: 'copies' });
  });
});

describe('a reducer at the distance that its sensor has', () => {
  const focalOf = (lengthMm: number, focalMm: number | null = 240) => {
    const own = parts.map((p): Part =>
      p.id === 'demo-heron-adapter' && p.kind === 'spacer'
        ? { ...p, lengthMm }
        : p.kind === 'corrector'
          ? { ...p, focalMm }
          : p,
    );
    return rigNumbers(heron, own).train!.focalEffectiveMm / 480;
  };

  it('reduces more the farther it stands, by one over its focal length for each mm', () => {
    expect(focalOf(7.5) - focalOf(8.5)).to.be.closeTo(1 / 240, 1e-9);
    // The demo's stack is a sixth of a millimetre short of what reducer and filter glass ask for.
    expect(focalOf(7.5)).to.be.closeTo(0.8 + 1 / 6 / 240, 1e-6);
  });

  it('keeps its own number where the pieces that are named cannot be all: nobody could focus that', () => {
    expect(focalOf(12.6))
      .to.be.closeTo(0.8 + (1 / 6 - 5.1) / 240, 1e-6)
      .and.not.equal(0.8);
    expect([focalOf(12.7), focalOf(0.5), focalOf(100)]).to.deep.equal([0.8, 0.8, 0.8]);
  });

  it('keeps its own number where its focal length is not known', () => {
    expect([focalOf(7.5, null), focalOf(9.5, null)]).to.deep.equal([0.8, 0.8]);
  });
});
