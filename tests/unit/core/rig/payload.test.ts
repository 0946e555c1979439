import { rigHas } from '../../../../src/core/rig/rigHas.ts';
import { expect } from 'chai';
import { assemblyOf, handsOf } from '../../../../src/core/rig/assembly.ts';
import { footingOfRig, massPoints } from '../../../../src/core/rig/footingOfRig.ts';
import { snapshotsById } from '../../../../src/core/history/storedSnapshot.ts';
import { goodInertiaKgM2 } from '../../../../src/core/night/learned/goodInertia.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { packingOf } from '../../../../src/core/rig/packing.ts';
import { payloadOf } from '../../../../src/core/rig/payloadOfRig.ts';
import { powerOfRig } from '../../../../src/core/rig/powerOfRig.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import type { MountPart, Part } from '../../../../src/core/records/part.ts';
import type { Rig } from '../../../../src/core/records/rig.ts';
import { SETTING_DEFAULTS } from '../../../../src/core/records/setting.ts';
import { assemblyWords } from '../../../../src/text/assemblyWords.ts';
import { nightRecords, parts, partsOfRig, reading, rigs, sites } from '../../../support/records.ts';

const rig = (name: string): Rig => rigs.find((r) => r.name === name)!;
const estrela = sites[0]!;
const auas = sites[1]!;
const judge = (one: Rig, own: readonly Part[] = parts, site = estrela) =>
  payloadOf(one, { parts: own, site, schools: SETTING_DEFAULTS.schools, goodInertiaKgM2: null, learnedRaKgM: 0 });
const withMount = (change: Partial<MountPart>): Part[] =>
  parts.map((p) => (p.kind === 'mount' ? { ...p, ...change } : p));

describe('the payload of the demo rigs', () => {
  it('Heron fine, Wagtail near its limit and for the longer lever, Plover over', () => {
    const [heron, wagtail, plover] = [judge(rig('Heron')), judge(rig('Wagtail'), parts, auas), judge(rig('Plover'))];
    expect([heron, wagtail, plover].map((p) => p.load?.verdict)).to.deep.equal(['fine', 'near', 'over']);
    expect(heron.prefer).to.equal('weightCloseIn');
    expect([wagtail.prefer, wagtail.withOneKgMore]).to.deep.equal(['longerLever', 'over']);
    expect(wagtail.heavy?.furtherOut?.positionM).to.be.closeTo(0.1319, 1e-6);
    expect(wagtail.balance!.positionM).to.be.greaterThan(wagtail.balance!.setM);
    expect(plover.withOneKgMore).to.equal('over');
  });

  it('a rig without a mount, and one with a mass unknown, are judged as far as they go', () => {
    const bare = judge({ ...rig('Heron'), mountId: 'gone' });
    expect([bare.load, bare.footing, bare.balance]).to.deep.equal([null, null, null]);
    const unweighed = parts.map((p) => (p.id === 'demo-heron-tripod' ? { ...p, massKg: null } : p));
    expect(judge(rig('Heron'), unweighed).footing?.unweighed).to.deep.equal(['Steel tripod']);
  });

  it('names a weight that is thicker than the bar is long', () => {
    const thick = parts.map((p) => (p.id === 'demo-weight-35' && p.kind === 'weight' ? { ...p, thicknessM: 0.5 } : p));
    expect(judge(rig('Heron'), thick).numbers.gaps).to.deep.equal([{ code: 'barTooShort', name: 'Weight 3.5 kg' }]);
    expect(judge(rig('Heron')).numbers.gaps).to.deep.equal([]);
  });

  it('strain-wave drives are judged by their torque, and ask for no balance', () => {
    const own = withMount({ drive: 'strainWave' });
    const { strain, balance, sets } = judge(rig('Heron'), own);
    expect(strain?.bare.torqueNm).to.be.closeTo(1.1844 * 9.80665, 1e-6);
    expect(strain!.withWeights!.torqueNm).to.be.lessThan(strain!.bare.torqueNm);
    expect([balance, sets]).to.deep.equal([null, []]);
  });

  it('names a plate that the saddle does not grip, and pieces for two people', () => {
    expect(judge(rig('Heron')).saddleMisfit).to.equal(null);
    const wide = withMount({ saddle: 'wide', massKg: 27 });
    const { saddleMisfit, heavyPieces } = judge(rig('Heron'), wide);
    expect(saddleMisfit).to.deep.equal({ plateName: 'Saddle plate', dovetail: 'narrow', saddle: 'wide' });
    expect(heavyPieces.map((p) => p.massKg)).to.deep.equal([27]);
  });

  it('the inertia limit comes from the nights with good stars on the same mount', () => {
    const snapshot = (id: string, one: Rig) => ({
      id,
      takenAtUtc: '2026-11-01T00:00:00.000Z',
      rig: one,
      parts: partsOfRig(one, parts),
      site: estrela,
    });
    const heron = rig('Heron');
    const light = { ...heron, placed: heron.placed.slice(0, 1) };
    const snapshots = snapshotsById([snapshot('s1', heron), snapshot('s2', rig('Plover')), snapshot('s3', light)]);
    const carried = (...ids: string[]) => goodInertiaKgM2(new Set(ids), snapshots, 'demo-heron-mount');
    const heavy = judge(heron).load!.decInertiaKgM2;
    expect(carried('s1', 's2')).to.be.closeTo(heavy, 1e-12);
    expect(carried('s3')).to.be.lessThan(heavy);
    expect(carried('s3', 's1'), 'the largest').to.equal(carried('s1'));
    expect(carried('s2'), 'on another mount').to.equal(null);
  });
});

describe('a rig on its tripod', () => {
  it('swings its masses: tube west and east mirror each other, the pole side moves in the south', () => {
    const numbers = rigNumbers(rig('Heron'), parts);
    const x = (swing: 'tubeWest' | 'tubeEast'): number[] =>
      massPoints(numbers, estrela.latDeg, swing).map((p) => p.positionM[0]);
    expect(x('tubeEast')).to.deep.equal(x('tubeWest').map((v) => (v === 0 ? 0 : -v)));
    const tube = numbers.masses.tubeSide.findIndex((p) => p.partId === 'demo-heron-tube') + 2;
    expect(x('tubeWest')[tube]).to.be.lessThan(0);
    const y = (latDeg: number): number => massPoints(numbers, latDeg, 'tubeWest')[1]!.positionM[1];
    expect(y(40)).to.be.greaterThan(0);
    expect(y(-40)).to.be.closeTo(-y(40), 1e-12);
    const up = massPoints(numbers, estrela.latDeg, 'weightsDown');
    expect(up[tube]!.positionM[2]).to.be.greaterThan(1.25);
    expect(up.at(-1)!.positionM[2]).to.be.lessThan(1.25);
  });

  it('says nothing, and breaks nothing, while sizes and masses are still zero', () => {
    const zero = (change: object, kinds: string[]): Part[] =>
      parts.map((p) => (kinds.includes(p.kind) ? { ...p, ...change } : p));
    const footing = (own: readonly Part[]) => footingOfRig(rigNumbers(rig('Heron'), own), 40, 0);
    expect(footing(zero({ footRadiusM: 0 }, ['support']))).to.equal(null);
    expect(footing(zero({ geometry: { pivotHeightM: 0, axisForwardM: 0, columnTopDropM: 0 } }, ['mount']))).to.equal(
      null,
    );
    expect(footing(parts.map((p) => ({ ...p, massKg: 0 })))).to.equal(null);
    expect(footing(parts.map((p) => ({ ...p, massKg: null })))).to.equal(null);
  });

  it('a pier tips over nothing', () => {
    const pier = parts.map((p) => (p.kind === 'support' ? { ...p, supportKind: 'pier' as const } : p));
    expect(footingOfRig(rigNumbers(rig('Heron'), pier), 40, 0)).to.equal(null);
  });

  it('thin air on a mountain pushes less: the wind that tips is higher', () => {
    const numbers = rigNumbers(rig('Heron'), parts);
    const wind = (elevationM: number): number => footingOfRig(numbers, 40, elevationM)!.worst.tipWindMPerS;
    expect(wind(3000)).to.be.greaterThan(wind(0));
  });
});

describe('power through the night', () => {
  const { dark } = nightStatic(nightRecords());
  const settings = SETTING_DEFAULTS.power;
  const heron = (change: Partial<Rig> = {}, own: readonly Part[] = parts, cold = settings) =>
    powerOfRig({ ...rig('Heron'), ...change }, own, dark, cold);

  it('works from set-up to the end of the dark, and the demo lasts it out', () => {
    const power = heron();
    expect(power.span!.fromMs).to.equal(dark!.fromMs - 60 * 60_000);
    const [battery] = power.batteries;
    // 0.6 + 2.5 x 0.4 + 1.2 x 0.5 + 0.6 at 12 V, and 0.4 A x 0.2 at 5 V behind a converter of 90 %.
    expect(battery!.need.averageA).to.be.closeTo(2.8 + ((0.4 * 5) / 12.8 / 0.9) * 0.2, 1e-9);
    // Stated peaks, else what runs.
    expect(battery!.need.peakA).to.be.closeTo(1.8 + 3 + 1.2 + 1.6 + (0.4 * 5) / 12.8 / 0.9, 1e-9);
    expect([battery!.enough, battery!.emptyAtMs]).to.deep.equal([true, null]);
    expect(power.devices.map((d) => [d.match, d.voltage, d.cable])).to.deep.equal([
      ['direct', 'fine', 'fine'],
      ['direct', 'fine', 'fine'],
      ['direct', 'unknown', 'fine'],
      ['direct', 'fine', 'fine'],
      ['converted', 'fine', 'fine'],
    ]);
    expect(power.commonGround).to.equal(false);
  });

  it('a cold night empties it before the end, at the moment where the line crosses zero', () => {
    const [battery] = heron({}, parts, { ...settings, coldestC: -20 }).batteries;
    expect(battery!.enough).to.equal(false);
    const { line } = battery!;
    const below = line.findIndex((p) => p.share < 0);
    const [a, b] = [line[below - 1]!, line[below]!];
    const crossingMs = a.atMs + ((b.atMs - a.atMs) * a.share) / (a.share - b.share);
    expect(battery!.emptyAtMs).to.be.closeTo(crossingMs, 1);
  });

  it('thin long cables starve the mount, short ones pull: both are named', () => {
    const thin = parts.map((p) =>
      p.id === 'demo-heron-cable-mount' && p.kind === 'cable' ? { ...p, areaMm2: 0.14, lengthM: 1 } : p,
    );
    const [mount] = heron({}, thin).devices;
    expect([mount!.cable, mount!.dropTooLarge, mount!.voltage]).to.deep.equal(['short', false, 'fine']);
    const long = parts.map((p) =>
      p.id === 'demo-heron-cable-mount' && p.kind === 'cable' ? { ...p, areaMm2: 0.14, lengthM: 5 } : p,
    );
    const [starved] = heron({}, long).devices;
    expect([starved!.cable, starved!.dropTooLarge, starved!.voltage]).to.deep.equal(['fine', true, 'low']);
  });

  it('a device is judged by what reaches it at its peak', () => {
    const peaky = parts.map((p) => (p.id === 'demo-heron-load-mount' && p.kind === 'load' ? { ...p, peakA: 12 } : p));
    const [calm, start] = [heron().devices[0]!, heron({}, peaky).devices[0]!];
    expect(start.deviceV).to.equal(calm.deviceV);
    // 12.8 V sagged by 5 %, less 2 x 2.5 m of 1.5 mm2 at 12 A.
    expect(start.peakV).to.be.closeTo(12.16 - (2 * 2.5 * 12 * 0.0172) / 1.5, 1e-9);
    expect([calm.voltage, start.voltage, start.overCarried]).to.deep.equal(['fine', 'low', true]);
  });

  it('the mount wants a port of its own, apart from heaters and cooler', () => {
    expect(heron().batteries[0]!.mountShared).to.equal(false);
    const supplies = rig('Heron').supplies.map((s) => ({ ...s, port: '1' }));
    expect(heron({ supplies }).batteries[0]!.mountShared).to.equal(true);
  });

  it('without a dark hour there is nothing to reckon, and nothing breaks', () => {
    const power = powerOfRig(rig('Heron'), parts, null, settings);
    expect([power.span, power.hoursH, power.batteries[0]!.line]).to.deep.equal([null, 0, []]);
    expect(powerOfRig(rig('Plover'), parts, dark, settings).batteries).to.deep.equal([]);
  });
});

describe('what to pack and how to put it together', () => {
  it('lists every part of the rig once, with counts and cases', () => {
    const { cases, tools, totalKg } = packingOf(rig('Heron'), parts, rigHas(rigNumbers(rig('Heron'), parts)));
    const items = cases.flatMap((c) => c.items);
    // The rig's snapshot keeps every weight of the box and the motors inside the mount; neither is packed.
    const notPacked = [
      ...['1', '2', '5', '34a', '34b'].map((n) => `demo-weight-${n}`),
      'demo-heron-load-mount',
      'demo-heron-load-cooler',
    ];
    expect(items.map((i) => i.partId)).to.have.members(
      partsOfRig(rig('Heron'), parts)
        .map((p) => p.id)
        .filter((id) => !notPacked.includes(id)),
    );
    expect(new Set(items.map((i) => i.partId)).size).to.equal(items.length);
    expect(cases.find((c) => c.named === 'Power box')?.items.length).to.be.greaterThan(5);
    expect(tools).to.include.members(['redLight', 'hexKeys', 'tape', 'meter']);
    expect(totalKg).to.be.greaterThan(30);
  });

  it('counts copies that are placed twice', () => {
    const twice = {
      ...rig('Heron'),
      placed: [...rig('Heron').placed, { ...rig('Heron').placed.at(-1)!, placedId: 'x' }],
    };
    const weight = packingOf(twice, parts, rigHas(rigNumbers(twice, parts)))
      .cases.flatMap((c) => c.items)
      .find((i) => i.partId === 'demo-weight-35');
    expect([weight?.count, weight?.have]).to.deep.equal([2, 1]);
  });

  const steps = (name: string, own: readonly Part[] = parts) => {
    const one = rig(name);
    return assemblyOf(rigNumbers(one, own), new Set(partsOfRig(one, own).map((p) => p.kind)));
  };

  it('weights come before the tube, the end stop at once, power after the cables, on every mount with a bar', () => {
    for (const name of ['Heron', 'Plover', 'Wagtail']) {
      const order = steps(name);
      const carries = name === 'Wagtail' ? 'cameraOn' : 'tubeOn';
      expect(order.indexOf('weightsOn'), name).to.be.lessThan(order.indexOf(carries));
      expect(order.indexOf('endStop'), name).to.equal(order.indexOf('weightsOn') + 1);
      expect(order.indexOf('cablesLast'), name).to.be.within(0, order.indexOf('powerOn') - 1);
      expect(new Set(order).size).to.equal(order.length);
    }
  });

  it('a tracker looks for the pole before the camera blocks it; a strain-wave drive has no balance', () => {
    const tracker = steps('Wagtail');
    expect(tracker.indexOf('roughPole')).to.be.lessThan(tracker.indexOf('cameraOn'));
    const driven = steps('Heron', withMount({ drive: 'strainWave' }));
    expect(driven).not.to.include('balance');
    expect(steps('Heron'), 'the word the one before leaves out').to.include('balance');
    expect(driven).to.include('cablesLastDriven').and.not.include('cablesLast');
    expect(steps('Heron', withMount({ mountKind: 'altAzimuth' }))).not.to.include('wedgeOn');
    expect(steps('Heron', withMount({ mountKind: 'forkOnWedge' }))).to.include('wedgeOn');
  });
});

describe('steadiness in the account', () => {
  const tap = reading('steadiness', { settleS: 4 }, { subject: { type: 'rig', id: 'demo-heron' }, step: 'payload' });

  it('feeds balance and wind, marked as measured, and lengthens the flip', () => {
    const [before, after] = [nightStatic(nightRecords()), nightStatic(nightRecords({ readings: [tap] }))];
    expect(before.budget?.sources.balanceWind?.basis).to.equal('assumed');
    expect(after.budget?.sources.balanceWind?.basis).to.equal('measured');
    expect(after.budget?.sub.balanceWindArcsec).to.be.closeTo(0.6, 1e-12);
  });

  it('of another rig counts for nothing', () => {
    const other = nightStatic(nightRecords({ readings: [{ ...tap, subject: { type: 'rig', id: 'demo-plover' } }] }));
    expect(other.budget?.sub.balanceWindArcsec).to.equal(0.3);
  });
});

describe('the peg between two knobs', () => {
  it('is spoken of where a head has opposed knobs, and only there', () => {
    const knob = { pitchMm: null, leverMm: null, clockwiseMoves: null };
    const paired = (mountKind: MountPart['mountKind'], isPaired: boolean) => {
      const adjusters = { altitude: { ...knob, paired: false }, azimuth: { ...knob, paired: isPaired } };
      return handsOf(rigNumbers(rigs[0]!, withMount({ mountKind, adjusters }))).hasPeg;
    };
    expect(
      [paired('germanEquatorial', true), paired('germanEquatorial', false), paired('forkOnWedge', true)].map(String),
    ).to.deep.equal(['true', 'false', 'false']);
    const words = (hasPeg: boolean) => assemblyWords('headOn', { ...handsOf(rigNumbers(rigs[0]!, parts)), hasPeg }).do;
    expect([words(true), words(false)].map((w) => /peg/.test(w))).to.deep.equal([true, false]);
  });
});
