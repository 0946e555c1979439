import { expect } from 'chai';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import { runFor } from '../../../src/core/night/run.ts';
import type { MountPart, Part } from '../../../src/core/records/part.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { SETTING_DEFAULTS } from '../../../src/core/records/setting.ts';
import { bearingModel, latitudeModel, levelModel } from '../../../src/features/level/model.ts';
import { lightPathModel, starOnSensor } from '../../../src/features/light-path/model.ts';
import { filterRows, foldedTicks, nightRows, polarTrend } from '../../../src/features/logbook/model.ts';
import { CALENDAR_ALARMS, nightCard } from '../../../src/features/night-card/model.ts';
import { footingSaying, loadModel } from '../../../src/features/payload/model.ts';
import { packingModel } from '../../../src/features/payload/packingModel.ts';
import { powerModel } from '../../../src/features/payload/powerModel.ts';
import { focusModel } from '../../../src/features/pointing/model.ts';
import { checksModel, trackingModel } from '../../../src/features/tracking/model.ts';
import { isShown, stopPath } from '../../../src/session/paths.ts';
import { nightRecords, parts, reading, world } from '../../support/records.ts';

type Wish = Parameters<typeof nightRecords>[0];
const night = (wish: Wish = {}) => nightStatic(nightRecords(wish));
const auas = { latDeg: -22.75, lonDeg: 17.2, elevationM: 1800, zoneIana: 'Africa/Windhoek' };
const at = (minute: number) => ({ takenAtUtc: `2026-11-24T20:${String(minute).padStart(2, '0')}:00.000Z` });
const before = (kind: Reading['kind'], values: object, id: string, subject: Reading['subject']): Reading =>
  reading(kind, values, { id, nightId: 'old', subject, takenAtUtc: '2026-11-01T20:00:00.000Z' });
const changed = (id: string, change: object): Part[] => parts.map((p) => (p.id === id ? { ...p, ...change } : p));

describe('light-path model', () => {
  it('says right, short, long, misfit, nothing to set, incomplete', () => {
    const code = (wish: Wish) => lightPathModel(night(wish)).saying.code;
    expect(code({})).to.equal('right');
    expect(code({ parts: changed('demo-heron-wheel', { lengthMm: 15 }) })).to.equal('short');
    expect(code({ parts: changed('demo-heron-wheel', { lengthMm: 25 }) })).to.equal('long');
    expect(code({ parts: changed('demo-heron-camera', { front: { thread: 'M54x0.75', gender: 'female' } }) })).to.equal(
      'misfit',
    );
    expect(code({ rigId: 'demo-wagtail' })).to.equal('noCorrector');
    expect(code({ parts: parts.filter((p) => p.id !== 'demo-heron-tube') })).to.equal('incomplete');
    expect(lightPathModel(night()).circle?.covers).to.equal(true);
  });

  it('judges the star by its width on the pixels', () => {
    expect(starOnSensor(3.9, 2.02)).to.deep.include({ sampling: 'under' });
    expect(starOnSensor(5, 2).sampling).to.equal('good');
    expect(starOnSensor(8, 2).sampling).to.equal('over');
  });
});

describe('payload models', () => {
  const load = (wish: Wish) => loadModel(nightRecords(wish));

  it('puts the tube’s side and the bar’s side on the lever, pieces of the tube on the second rail', () => {
    const { lever, tube, payload, saying } = load({});
    const side = (sign: number) => lever.filter((p) => Math.sign(p.atM) === sign);
    expect(side(1).reduce((kg, p) => kg + p.massKg, 0)).to.be.closeTo(6.97, 1e-9);
    expect(side(-1).map((p) => [p.massKg, p.rangeM !== null])).to.deep.equal([
      [0.8, false],
      [3.5, true],
    ]);
    expect(tube.map((p) => p.name)).to.include('Cooled 26-megapixel camera');
    expect(payload.sets).to.have.length(3);
    expect(saying).to.deep.include({ code: 'load', verdict: 'fine', decides: 'mass' });
  });

  it('asks Wagtail for the longer lever, Plover to take something off', () => {
    const wagtail = load({ rigId: 'demo-wagtail', site: auas }).saying;
    expect(wagtail).to.deep.include({ code: 'longerLever', extensionM: null });
    expect(wagtail.code === 'longerLever' && wagtail.toM).to.be.closeTo(0.1319, 1e-6);
    expect(load({ rigId: 'demo-plover' }).saying).to.deep.include({ code: 'load', verdict: 'over' });
  });

  it('follows the share that the rig may use, and a piece while it is dragged', () => {
    const records = nightRecords({ rigId: 'demo-plover' });
    const own = nightStatic({ ...records, schools: { ...records.schools, loadShare: 1 } });
    expect(own.load?.massKg.verdict).to.equal('near');
    const heron = nightRecords();
    const placed = heron.rig.placed.map((p) => (p.partId === 'demo-heron-tube' ? { ...p, fromRaAxisM: 0.4 } : p));
    const dragged = loadModel(heron, { ...heron.rig, placed });
    expect(dragged.payload.load!.momentKgM.is).to.be.closeTo(1.1844 + 3.4 * 0.23, 1e-9);
    expect(loadModel(heron).payload.load!.momentKgM.is).to.be.closeTo(1.1844, 1e-9);
  });

  it('tells what a strain-wave drive must hold', () => {
    const strain = parts.map((p) => (p.kind === 'mount' ? { ...p, drive: 'strainWave' as const } : p));
    expect(load({ parts: strain }).saying).to.deep.include({ code: 'strain', weightsHelp: true, verdict: 'fine' });
  });

  it('names what tips it, a pier, and what is missing', () => {
    const footing = (wish: Wish) => footingSaying(loadModel(nightRecords(wish)).payload);
    expect(footing({}).code).to.equal('stands');
    const support = (change: object) => parts.map((p) => (p.kind === 'support' ? { ...p, ...change } : p));
    expect(footing({ parts: support({ supportKind: 'pier' }) }).code).to.equal('pier');
    expect(footing({ parts: support({ footRadiusM: 0.2 }) }).code).to.equal('weak');
    expect(footing({ parts: support({ footRadiusM: 0.02 }) })).to.deep.include({ code: 'falls' });
    expect(footing({ parts: parts.filter((p) => p.kind !== 'support') }).code).to.equal('noMount');
    expect(footing({ parts: parts.filter((p) => p.kind !== 'tube') }).code).to.equal('incomplete');
  });

  it('names what must be put right first on the battery’s side', () => {
    const settings = SETTING_DEFAULTS.power;
    const power = (wish: Wish, change: Partial<typeof settings> = {}) =>
      powerModel(night(wish), { ...settings, ...change });
    expect(power({}).saying).to.deep.include({ code: 'lasts', battery: 'Lithium iron battery, 50 Ah' });
    expect(power({}, { coldestC: -25 }).saying.code).to.equal('empties');
    expect(power({ rigId: 'demo-plover' }).saying.code).to.equal('noSupply');
    expect(power({ parts: changed('demo-heron-load-focuser', { supplyV: 19 }) }).saying.code).to.equal('mismatch');
    expect(power({ parts: changed('demo-heron-cable-mount', { lengthM: 1 }) }).saying.code).to.equal('short');
    expect(power({ parts: changed('demo-heron-cable-cooler', { areaMm2: 0.1 }) }).saying.code).to.equal('low');
    const advice = power({}).advice.map((a) => a.code);
    expect(advice).to.deep.equal(['fuses', 'lithiumCold', 'connectors', 'mains']);
    expect(power({}).advice[0]).to.deep.include({
      fuses: [
        { port: '1', fuseA: 3 },
        { port: '2', fuseA: 4 },
        { port: '3', fuseA: 2 },
        { port: '4', fuseA: 3 },
      ],
    });
  });

  it('ticks the lists of one night, each by itself', () => {
    const tick = (listId: string, itemId: string) => reading('check', { listId, itemId, done: true }, at(1));
    const readings = [tick('packing', 'demo-heron-tube'), tick('assembly', 'spreadLegs')];
    const open = packingModel(night(), 'pack').saying;
    const ticked = packingModel(night({ readings }), 'pack').saying;
    expect(open.code === 'pack' && ticked.code === 'pack' && open.open - ticked.open).to.equal(1);
    expect(packingModel(night({ readings }), 'inventory').cases.every((c) => c.items.every((i) => !i.done))).to.equal(
      true,
    );
    expect(packingModel(night({ readings }), 'assembly').saying).to.deep.equal({ code: 'assembly', next: 'poleLeg' });
  });
});

describe('level models', () => {
  const compass = (readDeg: number, distanceM: number, minute: number) =>
    reading('compass', { readDeg, distanceM, trueDeg: readDeg - 12.9 }, { ...at(minute), id: `c${minute}` });

  it('sets the southern axis by compass, names the foot, then judges what was read', () => {
    const south: Wish = { site: auas, rigId: 'demo-wagtail' };
    const set = bearingModel(night(south));
    expect(set.saying).to.deep.include({ code: 'set', south: true, foot: 'south' });
    expect(set.saying.code === 'set' && set.saying.compassDeg).to.be.closeTo(192.9, 0.3);
    const turn = bearingModel(night({ ...south, readings: [compass(202.9, 2.5, 1)] }));
    expect(turn.saying).to.deep.include({ code: 'turn', east: false, south: true });
    const stands = bearingModel(night({ ...south, readings: [compass(193.4, 2.5, 1)] }));
    expect(stands.saying.code).to.equal('stands');
  });

  it('two readings from different distances that disagree mean iron; from the same place they are two tries', () => {
    const pair = (distance: number) => night({ readings: [compass(1, 0.4, 1), compass(8, distance, 2)] });
    expect(bearingModel(pair(3)).saying).to.deep.equal({ code: 'iron', differenceDeg: 7 });
    expect(bearingModel(pair(0.5)).saying.code).not.to.equal('iron');
  });

  it('near a magnetic pole a compass is not trusted', () => {
    const arctic = { latDeg: 86.5, lonDeg: 160, elevationM: 0, zoneIana: 'UTC' };
    expect(bearingModel(night({ site: arctic })).saying.code).to.equal('noCompass');
  });

  it('tells which feet to raise, or which side when there are none', () => {
    const tilt = reading('level', { tiltDeg: 1, uphillAzimuthDeg: 0 });
    const model = levelModel(night({ readings: [tilt] }));
    expect(model.saying.code === 'raise' && model.saying.feet.map((f) => f.point)).to.deep.equal([
      'south-east',
      'south-west',
    ]);
    expect(levelModel(night()).saying.code).to.equal('notRead');
    expect(
      levelModel(night({ readings: [reading('level', { tiltDeg: 0.4, uphillAzimuthDeg: 0 })] })).saying.code,
    ).to.equal('good');
    const pier = changed('demo-heron-tripod', { supportKind: 'pier' });
    expect(levelModel(night({ readings: [tilt], parts: pier })).saying).to.deep.equal({
      code: 'noFeet',
      tiltDeg: 1,
      low: 'south',
    });
  });

  it('the scale is set by latitude, its learned bias and the slope of the base', () => {
    const mount = { type: 'mount', id: 'demo-heron-mount' } as const;
    const history = [0.5, 0.7].map((bias, i) =>
      before('scaleReading', { scaleDeg: 40.33 + bias, trueAltDeg: 40.33 }, `s${i}`, mount),
    );
    const other = before('scaleReading', { scaleDeg: 50, trueAltDeg: 40 }, 'other', { type: 'mount', id: 'another' });
    const tilt = reading('level', { tiltDeg: 1, uphillAzimuthDeg: 0 });
    const model = latitudeModel(night({ readings: [...history, other, tilt] }));
    expect(model.biasDeg).to.be.closeTo(0.6, 1e-9);
    expect(model.scaleDeg).to.be.closeTo(40.33 + 0.6 - 1, 1e-6);
    expect(model.nights).to.equal(2);
    expect(latitudeModel(night({ site: { latDeg: 1 } })).saying.code).to.equal('low');
  });
});

describe('focus model', () => {
  const rig = { type: 'rig', id: 'demo-heron' } as const;
  const past = [0, 3, 6, 9].map((temperatureC, i) =>
    before('focus', { positionUm: 12_500 - 11 * temperatureC, temperatureC, fwhmPx: 2.5 }, `f${i}`, rig),
  );

  it('starts from nothing, from last time, from the slope for a temperature, from tonight', () => {
    expect(focusModel(night(), null).saying.code).to.equal('first');
    expect(focusModel(night({ readings: past }), null).saying).to.deep.include({
      code: 'lastTime',
      positionUm: 12_401,
    });
    const predicted = focusModel(night({ readings: past }), -2).saying;
    expect(predicted.code === 'predicted' && predicted.positionUm).to.be.closeTo(12_522, 1e-6);
    const now = reading('focus', { positionUm: 12_390, temperatureC: 1, fwhmPx: null }, { subject: rig });
    expect(focusModel(night({ readings: [...past, now] }), 4).saying).to.deep.include({
      code: 'tonight',
      positionUm: 12_390,
    });
  });

  it('does not learn from another rig', () => {
    const another = { type: 'rig', id: 'demo-plover' } as const;
    const others = past.map((r) => ({ ...r, subject: another }));
    expect(focusModel(night({ readings: others }), null).points).to.deep.equal([]);
  });
});

describe('tracking model', () => {
  it('a guided rig keeps its subs, an unguided one is told to shorten or may keep', () => {
    expect(trackingModel(night()).saying).to.deep.equal({ code: 'guided', subS: 120 });
    const wagtail = (subS: number): Wish => ({
      site: auas,
      rigId: 'demo-wagtail',
      targetId: 'demo-ngc253',
      plan: { subS },
    });
    expect(trackingModel(night(wagtail(60))).saying.code).to.equal('shorten');
    expect(trackingModel(night(wagtail(8))).saying.code).to.equal('keep');
    const noCamera = parts.filter((p) => p.id !== 'demo-wagtail-camera');
    expect(trackingModel(night({ ...wagtail(30), parts: noCamera })).saying.code).to.equal('incomplete');
  });

  it('lists the checks of this mount with their ticks', () => {
    const tick = reading('check', { listId: 'beforeFirstSub', itemId: 'rate', done: true });
    const found = checksModel(night({ readings: [tick] }));
    expect(found.filter((c) => c.done).map((c) => c.id)).to.deep.equal(['rate']);
  });
});

describe('logbook model', () => {
  const errors = (id: string, alt: number) =>
    reading(
      'polarError',
      { altErrorArcmin: alt, azErrorArcmin: 0, method: 'drift', reference: 'true' },
      { id, nightId: id },
    );
  const base = world();
  const nights = ['2026-11-20', '2026-11-22', '2026-11-24'].map((eveningDate, i) => ({
    ...base.nights[0]!,
    id: `n${i}`,
    eveningDate,
  }));
  const records = {
    ...base,
    nights,
    readings: [errors('n0', 9), errors('n1', 4), reading('subs', { count: 10, usable: 8 }, { nightId: 'n2' })],
  };

  it('counts the ticks of the long lists by their last word, and lists everything else', () => {
    const tick = (listId: string, itemId: string, done: boolean, minute: number) =>
      reading('check', { listId, itemId, done }, { ...at(minute), id: `${listId}${itemId}${minute}` });
    const kept = tick('beforeFirstSub', 'caps', true, 4);
    const { listed, ticked } = foldedTicks([
      tick('packing', 'a', true, 1),
      tick('packing', 'b', true, 2),
      tick('packing', 'a', false, 3),
      tick('assembly', 'headOn', true, 3),
      kept,
    ]);
    expect(listed).to.deep.equal([kept]);
    expect([...ticked]).to.deep.equal([
      ['packing', 1],
      ['assembly', 1],
    ]);
  });

  it('lists nights newest first with the last word on each thing', () => {
    const rows = nightRows(records);
    expect(rows.map((r) => r.night.id)).to.deep.equal(['n2', 'n1', 'n0']);
    expect(rows.map((r) => (r.polarArcmin === null ? null : Math.round(r.polarArcmin)))).to.deep.equal([null, 4, 9]);
    expect(rows[0]!.subs).to.deep.equal({ count: 10, usable: 8 });
    expect(polarTrend(rows).map((p) => p.date)).to.deep.equal(['2026-11-20', '2026-11-22']);
  });

  it('leaves out deleted nights and readings taken back', () => {
    const gone = {
      ...records,
      nights: nights.map((n) => (n.id === 'n1' ? { ...n, deletedAtUtc: '2026-11-25T00:00:00.000Z' } : n)),
    };
    expect(nightRows(gone).map((r) => r.night.id)).to.deep.equal(['n2', 'n0']);
    const retract = reading('retract', { readingId: 'n0' }, { id: 'x', nightId: 'n0' });
    expect(nightRows({ ...records, readings: [...records.readings, retract] })[2]!.polarArcmin).to.equal(null);
  });

  it('filters by every word in any column', () => {
    const rows = nightRows(records);
    const dates = (filter: string) => filterRows(rows, filter, (d) => `words of ${d}`).map((r) => r.night.eveningDate);
    expect(dates('heron 2026-11-22')).to.deep.equal(['2026-11-22']);
    expect(dates('ESTRELA ngc')).to.have.length(3);
    expect(dates('words wagtail')).to.deep.equal([]);
  });
});

describe('night card', () => {
  it('gathers a German mount’s night', () => {
    const card = nightCard(night());
    expect(card.events.map((e) => e.code)).to.deep.equal(['sunset', 'dark', 'start', 'flip', 'end', 'dawn', 'sunrise']);
    expect(card.dial).to.have.length(28);
    const steps = card.dial.slice(1).map((row, i) => row.timeMs - card.dial[i]!.timeMs);
    expect(new Set(steps)).to.deep.equal(new Set([1_800_000]));
    expect(card.weights).to.have.length(1);
    expect(card.weights[0]!.positionM).to.be.closeTo(0.2927, 1e-4);
    expect(card.subs).to.deep.include({ before: 71, subS: 120 });
    expect(card.latestFlipMs).to.be.greaterThan(card.transitMs!);
    expect(card.spacing?.presentMm).to.equal(55.5);
  });

  it('a mount without a polar axis has no dial, one that never flips no latest flip', () => {
    const altAz = changed('demo-heron-mount', { mountKind: 'altAzimuth' });
    const card = nightCard(night({ parts: altAz }));
    expect([card.dial, card.latestFlipMs]).to.deep.equal([[], null]);
    expect(nightCard(night({ targetId: 'demo-ngc104' })).transitMs).to.equal(null);
  });

  it('at a midnight sun the card still has its half hours, no more than fit', () => {
    const card = nightCard(night({ site: { latDeg: 70, lonDeg: 20, zoneIana: 'Europe/Oslo' }, date: '2026-06-21' }));
    expect(card.events).to.deep.equal([]);
    expect(card.dial.length).to.be.within(1, 36);
  });

  it('every alarm belongs to an event with something to do', () => {
    expect(Object.values(CALENDAR_ALARMS).every((minutes) => minutes >= 5 && minutes <= 60)).to.equal(true);
  });
});

describe('addresses of the run', () => {
  it('carry the visit and the scrubbed time, and know what is shown', () => {
    const mount = parts.find((p) => p.id === 'demo-wagtail-mount') as MountPart;
    const [rough, final] = runFor(mount).stops.filter((s) => s.step === 'polar');
    expect(stopPath('n1', rough!, null)).to.equal('/n/n1/polar?visit=rough');
    expect(stopPath('n1', { step: 'watch', visit: null }, '2026-11-24T21:00:00.000Z')).to.equal(
      '/n/n1/watch?at=2026-11-24T21%3A00%3A00.000Z',
    );
    expect([isShown(rough!, '/n/n1/polar', ''), isShown(final!, '/n/n1/polar', '')]).to.deep.equal([true, false]);
    expect([
      isShown(rough!, '/n/n1/polar', '?visit=final'),
      isShown(final!, '/n/n1/polar', '?visit=final'),
    ]).to.deep.equal([false, true]);
    expect(isShown(rough!, '/n/n1/balance', '')).to.equal(false);
  });
});
