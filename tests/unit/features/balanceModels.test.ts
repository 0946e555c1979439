import { expect } from 'chai';
import { balanceOrder } from '../../../src/core/night/advice/hands/balanceOrder.ts';
import type { BalanceAxis } from '../../../src/core/rig/axisLevers.ts';
import { nightStatic, type NightStatic } from '../../../src/core/night/nightStatic.ts';
import type { MountPart, Part } from '../../../src/core/records/part.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { SETTING_DEFAULTS, type SettingValue } from '../../../src/core/records/setting.ts';
import type { Rig } from '../../../src/core/records/rig.ts';
import { axisModel } from '../../../src/features/balance/model.ts';
import { drivenSaying } from '../../../src/features/balance/drivenModel.ts';
import { piecesModel, smallThings } from '../../../src/features/balance/piecesModel.ts';
import { strainOfRig } from '../../../src/core/rig/payloadOfRig.ts';
import { nightRecords, parts, snapshotOf } from '../../support/records.ts';
import { changed, night as fresh, type Wish } from '../../support/nights.ts';
import { mounts } from '../../support/polar.ts';
import { trial, tried } from '../../support/tips.ts';

const SETTINGS = SETTING_DEFAULTS.balance;

const model = (night: NightStatic, axis: BalanceAxis = 'ra', settings: SettingValue<'balance'> = SETTINGS) =>
  axisModel(night, axis, settings);

describe('the tip test of a night', () => {
  it('predicts the place, follows the answers, and believes a stay at the prediction', () => {
    const first = model(fresh());
    expect(first.saying).to.deep.include({ code: 'move', axis: 'ra' });
    expect(first.goalM).to.be.closeTo(0.292686, 1e-6);
    const dropped = model(tried([trial('ra', 0.293, 'tube', 1)]));
    expect(dropped.saying.code === 'move' && dropped.saying.why).to.deep.include({ code: 'answers', lastDrop: 'tube' });
    expect(dropped.goalM).to.be.greaterThan(0.293);
    const over = model(tried([trial('ra', 0.293, 'tube', 1), trial('ra', 0.303, 'weight', 2)]));
    expect(over.goalM).to.be.within(0.294, 0.302);
    const stays = model(tried([trial('ra', 0.293, 'tube', 1), trial('ra', 0.298, 'none', 2)]));
    expect(stays.saying).to.deep.include({ code: 'balanced', atM: 0.298 });
  });

  it('asks once more when it stayed where nobody expected it', () => {
    const far = trial('ra', 0.36, 'none', 1);
    expect(model(tried([far])).saying.code).to.equal('move');
    const wide = parts.map((p): Part => ({ ...p, massBasis: 'assumed' }));
    const once = model(tried([trial('ra', 0.32, 'none', 1)], { parts: wide }));
    expect(once.saying).to.deep.include({ code: 'again', atM: 0.32 });
    const twice = model(tried([trial('ra', 0.32, 'none', 1), trial('ra', 0.32, 'none', 2)], { parts: wide }));
    expect(twice.saying.code).to.equal('balanced');
  });

  it('knows which way a tube and a side piece must go', () => {
    const front = model(tried([trial('dec', 0.087, 'front', 1)]), 'dec');
    expect(front.goalM).to.be.lessThan(0.087);
    const rear = model(tried([trial('dec', 0.087, 'rear', 1)]), 'dec');
    expect(rear.goalM).to.be.greaterThan(0.087);
    const subject = { type: 'part', id: 'demo-heron-guide-scope' } as const;
    const upper = model(tried([trial('sideways', 0, 'upper', 1, { subject })]), 'sideways');
    expect(upper.goalM).to.be.lessThan(0);
    expect(upper.tip?.levers.moving.map((l) => l.partId)).to.deep.equal(['demo-heron-guide-scope']);
  });

  it('declination: the tube slides by minus its moment over what slides', () => {
    const found = model(fresh(), 'dec');
    expect(found.tip?.problem.predictedM).to.be.closeTo(0.4976 / 5.72, 1e-6);
    expect(found.saying).to.deep.include({ code: 'move', axis: 'dec' });
  });

  it('pieces without any mass cannot be slid against anything', () => {
    const weightless = parts.map((p): Part => (p.kind === 'mount' || p.kind === 'weight' ? p : { ...p, massKg: 0 }));
    const night = fresh({ parts: weightless });
    expect(model(night, 'dec').saying.code).to.equal('noMover');
    expect(model(night, 'sideways').saying.code).to.equal('noMover');
    expect(balanceOrder(night).map((r) => r.step)).to.not.include('dec');
  });

  it('a tracker’s bracket holds the camera too, so the lens may slide farther than its own end', () => {
    const dec = model(fresh({ rigId: 'demo-wagtail' }), 'dec');
    // 0.68 kg of camera 40 mm behind, 1.51 kg that slide: 18 mm forward; the lens itself ends 20 mm behind its mark.
    expect(dec.goalM).to.be.closeTo((0.68 * 0.04) / 1.51, 1e-6);
    expect(dec.tip?.levers.rangeM[1]).to.be.greaterThan(0.05);
    expect(dec.saying.code).to.equal('move');
  });

  it('trials with another dress do not count; a mass that is only stated anew keeps them', () => {
    const before = (rig: Rig): Rig => ({ ...rig, placed: rig.placed.filter((p) => p.partId !== 'demo-heron-wheel') });
    const readings = [trial('ra', 0.27, 'tube', 1)];
    const other = nightStatic(nightRecords({ readings, snapshots: [snapshotOf({}, 's1', before)] }));
    expect(model(other).tip?.trials).to.deep.equal([]);
    const weighed = nightRecords({
      readings,
      snapshots: [snapshotOf()],
      parts: changed('demo-heron-tube', { massKg: 3.6 }),
    });
    expect(model(nightStatic(weighed)).tip?.trials).to.have.length(1);
  });

  it('off the bar it names the end and the ways out; inside the start likewise', () => {
    const light = model(fresh({ parts: changed('demo-weight-35', { massKg: 1.5 }) }));
    expect(light.saying).to.have.nested.property('off.code', 'otherSet');
    expect(light.remedies?.sets.length).to.be.greaterThan(0);
    expect(light.remedies?.extensionM).to.be.greaterThan(0);
    expect(light.remedies?.clamp?.clampShiftM).to.be.lessThan(0);
    const heavy = model(fresh({ parts: changed('demo-weight-35', { massKg: 12 }) }));
    expect(heavy.saying).to.have.nested.property('off.code', 'otherSet');
    expect(heavy.remedies?.clamp?.clampShiftM).to.be.greaterThan(0);
  });

  it('answers count more than masses: a tube that still drops at the bar’s end runs off it', () => {
    const atEnd = [1, 2, 3].map((minute) => trial('ra', 0.42, 'tube', minute));
    const found = model(tried(atEnd));
    expect(found.saying).to.have.nested.property('off.code', 'otherSet');
    expect(found.remedies?.extensionM).to.be.greaterThan(0);
  });

  it('asks for nothing on mounts without a bar, and for what is missing elsewhere', () => {
    expect(model(fresh({ parts: mounts({ drive: 'strainWave' }) })).saying.code).to.equal('notNeeded');
    expect(model(fresh({ parts: mounts({ mountKind: 'altAzimuth' }) })).saying.code).to.equal('notNeeded');
    const noRange = model(fresh({ parts: mounts({ barRangeM: null }) }));
    expect(noRange.saying.code).to.equal('incomplete');
    expect(noRange.gaps.map((g) => g.code)).to.deep.equal(['barRangeMissing']);
    expect(model(fresh({ rigId: 'demo-wagtail' }), 'sideways').saying.code).to.equal('noMover');
  });

  it('speaks in readings of the tape that the user lays', () => {
    const at = (barEdge: SettingValue<'balance'>['barEdge']) => {
      const { saying } = model(fresh(), 'ra', { ...SETTINGS, barEdge });
      return saying.code === 'move' ? saying.toM : NaN;
    };
    // The bar leaves the head at 97.5 mm, its end stop lies at 450 mm, the weight is 45 mm thick.
    expect(at('axisToMiddle')).to.be.closeTo(0.2927, 1e-4);
    expect(at('shoulderToNearEdge')).to.be.closeTo(0.2927 - 0.0225 - 0.0975, 1e-4);
    expect(at('endStopToFarEdge')).to.be.closeTo(0.45 - 0.2927 - 0.0225, 1e-4);
    const tube = (tubeEdge: SettingValue<'balance'>['tubeEdge']) => {
      const { saying } = model(fresh(), 'dec', { ...SETTINGS, tubeEdge });
      return saying.code === 'move' ? saying.toM : NaN;
    };
    expect(tube('saddleToFront')).to.be.closeTo(0.27 + 0.08699, 1e-4);
    expect(tube('saddleToRear')).to.be.closeTo(0.21 - 0.08699, 1e-4);
  });

  it('east heavy: outward with the tube west, twice as far back at the flip', () => {
    const records = nightRecords({ readings: [trial('ra', 0.293, 'none', 1)], snapshots: [snapshotOf()] });
    const night = nightStatic({ ...records, schools: { ...records.schools, balance: 'eastHeavy' } });
    expect(model(night).saying).to.deep.include({ code: 'bias', stepM: 0.016, tubeSide: 'west' });
    const { saying } = model(night);
    expect(saying.code === 'bias' && [saying.moveM, saying.toM]).to.deep.equal([0.008000000000000007, 0.301]);
  });
});

describe('what an earlier balance teaches', () => {
  const old = (positionM: number, rest: Partial<Reading> = {}) =>
    trial('ra', positionM, 'none', 1, { nightId: 'old', takenAtUtc: '2026-11-01T20:00:00.000Z', ...rest });
  const without = (rig: Rig): Rig => ({ ...rig, placed: rig.placed.filter((p) => p.partId !== 'demo-heron-wheel') });
  const night = (readings: Reading[], wish: Wish = {}, before = without) =>
    nightStatic(nightRecords({ ...wish, readings, snapshots: [snapshotOf({}, 's1', before)] }));

  it('the excess over the stated masses goes into tonight’s place, and names what came on', () => {
    const found = model(night([old(0.272)]));
    // Without the wheel 266 mm by the masses; it stayed 6 mm further out, and so it will with the wheel.
    expect(found.goalM).to.be.closeTo(0.292686 + (0.272 - 0.265972), 1e-4);
    expect(found.saying.code === 'move' && found.saying.why).to.deep.include({
      code: 'lastTime',
      atM: 0.272,
      added: ['Filter wheel'],
      removed: [],
    });
  });

  it('a mass corrected since takes the excess away again', () => {
    const excessKg = ((0.272 - 0.265972) * 3.5) / 0.17;
    const corrected = changed('demo-heron-tube', { massKg: 3.4 + excessKg });
    const found = model(night([old(0.272)], { parts: corrected }));
    expect(found.tip?.taught?.excessKgM).to.be.closeTo(0, 1e-4);
    expect(found.goalM).to.be.closeTo(0.292686 + (0.272 - 0.265972), 1e-4);
  });

  it('payload and night card reckon with the same place', () => {
    const one = night([old(0.272)]);
    expect(one.bar?.found.positionM).to.be.closeTo(model(one).goalM ?? 0, 1e-9);
  });

  it('another rig teaches nothing', () => {
    const foreign = nightStatic(
      nightRecords({ readings: [old(0.272)], snapshots: [snapshotOf({ rigId: 'demo-plover' })] }),
    );
    expect(model(foreign).tip?.taught).to.equal(null);
  });

  it('after everything else on the tube’s side changed, the stated masses know better', () => {
    const assumed = parts.map((p): Part => ({ ...p, massBasis: 'assumed' }));
    const other = (rig: Rig): Rig => ({
      ...rig,
      placed: rig.placed.map((p) =>
        p.partId === 'demo-heron-tube' ? { ...p, placedId: 'other', partId: 'demo-plover-tube' } : p,
      ),
    });
    const s1 = snapshotOf({ parts: assumed }, 's1', other);
    const records = nightRecords({ readings: [old(0.4)], parts: assumed, snapshots: [s1] });
    expect(model(nightStatic(records)).tip?.taught).to.equal(null);
  });

  it('declination learns where the tube’s middle really is', () => {
    const dec = trial('dec', 0.05, 'none', 1, { nightId: 'old', takenAtUtc: '2026-11-01T20:00:00.000Z' });
    const found = model(night([dec]), 'dec');
    // Without the wheel 66.5 mm by the masses; with it 87.0 mm. What was missing then is missing now.
    const excess = 5.17 * (0.3436 / 5.17 - 0.05);
    expect(found.tip?.taught?.excessKgM).to.be.closeTo(excess, 1e-3);
    expect(found.goalM).to.be.closeTo((0.4976 - excess) / 5.72, 1e-3);
  });

  it('the more changed since, the less it is worth', () => {
    const bare = (rig: Rig): Rig => ({ ...rig, placed: rig.placed.filter((p) => p.on === 'bar') });
    const assumed = parts.map((p): Part => ({ ...p, massBasis: 'assumed' }));
    const sigma = (before: (rig: Rig) => Rig) =>
      model(night([old(0.2)], { parts: assumed }, before)).tip!.problem.sigmaM;
    expect(sigma(bare)).to.be.greaterThan(1.5 * sigma(without));
    expect(sigma(without)).to.be.greaterThan(sigma((rig) => rig));
  });

  it('after the balance the doubtful piece is named, with its mass or its place', () => {
    const stated = changed('demo-heron-tube', { massBasis: 'stated' });
    const wish = { parts: stated };
    const readings = [trial('ra', 0.31, 'none', 1), trial('ra', 0.31, 'none', 2)];
    const found = model(tried(readings, wish));
    expect(found.implied).to.deep.include({ partId: 'demo-heron-tube', statedKg: 3.4, statedArmM: 0.17 });
    const excess = 3.5 * 0.31 - 3.5 * 0.292686;
    expect(found.implied?.impliedKg).to.be.closeTo(3.4 + excess / 0.17, 1e-3);
    expect(found.implied?.impliedArmM).to.be.closeTo(0.17 + excess / 3.4, 1e-3);
    expect(model(tried([trial('ra', 0.294, 'none', 1)], wish)).implied, 'friction is no wrong mass').to.equal(null);
  });
});

describe('another piece', () => {
  const choose = (choice: Parameters<typeof piecesModel>[1], wish: Wish = {}) =>
    piecesModel(fresh(wish), choice, SETTINGS);

  it('a piece that comes on at the front sends the weight out and the tube back; off again, all returns', () => {
    const piece = { massKg: 0.3, fromRaAxisM: 0.17, alongTubeM: 0.3, slides: true };
    const [ra, dec] = choose({ type: 'on', name: 'Dew shield', piece }).shifts;
    expect(ra?.moveM).to.be.closeTo((0.3 * 0.17) / 3.5, 1e-9);
    expect(dec?.moveM).to.be.lessThan(0);
    const camera = choose({ type: 'off', name: 'Camera', placedId: 'demo-at-heron-camera' }).shifts;
    expect(camera[0]?.moveM).to.be.closeTo(-(0.72 * 0.17) / 3.5, 1e-9);
    expect(camera[1]?.moveM, 'without the camera the front drops, so the tube goes back').to.be.lessThan(0);
  });

  it('starts from where it stayed tonight, on every bench', () => {
    const night = tried([trial('ra', 0.31, 'none', 1), trial('ra', 0.31, 'none', 2)]);
    expect(model(night).saying.code).to.equal('balanced');
    const off = piecesModel(night, { type: 'off', name: 'Camera', placedId: 'demo-at-heron-camera' }, SETTINGS);
    expect(off.shifts[0]?.fromM).to.be.closeTo(0.31, 1e-9);
    expect(off.shifts[0]?.toM).to.be.closeTo(0.31 - (0.72 * 0.17) / 3.5, 1e-9);
    expect(night.bar?.found.positionM).to.be.closeTo(0.31, 1e-9);
  });

  it('warns before the weight runs off the bar', () => {
    const piece = { massKg: 4, fromRaAxisM: 0.2, alongTubeM: 0, slides: true };
    expect(choose({ type: 'on', name: 'Second tube', piece }).shifts[0]?.onRange).to.equal(false);
    expect(choose(null).saying.code).to.equal('choose');
    expect(choose(null, { parts: mounts({ barRangeM: null }) }).saying.code).to.equal('incomplete');
  });

  it('says what a cable and the focuser do', () => {
    const small = smallThings(fresh());
    expect(small?.cableRaM).to.be.closeTo((0.1 * 0.17) / 3.5, 1e-9);
    // Reducer, wheel and camera ride on the focuser, with 5.72 kg that slide.
    expect(small?.focusM).to.be.closeTo((1.72 * 0.01) / 5.72, 1e-9);
    expect(smallThings(fresh({ parts: parts.filter((p) => p.id !== 'demo-heron-camera') }))).to.equal(null);
  });
});

describe('a strain-wave drive', () => {
  const saying = (change: Partial<MountPart>) => {
    const night = fresh({ parts: mounts({ drive: 'strainWave', ...change }) });
    return drivenSaying(night, strainOfRig(night.numbers, night.records.schools.loadShare));
  };

  it('holds by itself, wants its weight, or has too much', () => {
    expect(saying({ ratedKg: 18 }).code).to.equal('holds');
    expect(saying({ ratedKg: 8 })).to.deep.include({ code: 'hangWeight' });
    expect(saying({ ratedKg: 0.5 }).code).to.equal('tooMuch');
    expect(drivenSaying(fresh(), null).code).to.equal('noMasses');
  });
});
