import { expect } from 'chai';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import type { Part } from '../../../src/core/records/part.ts';
import { SETTING_DEFAULTS } from '../../../src/core/records/setting.ts';
import { footingSaying, loadModel } from '../../../src/features/payload/model.ts';
import { packingModel } from '../../../src/features/payload/packingModel.ts';
import { powerModel } from '../../../src/features/payload/powerModel.ts';
import { caseName } from '../../../src/text/packingWords.ts';
import { nightRecords, parts, reading, sites } from '../../support/records.ts';

type Wish = Parameters<typeof nightRecords>[0];
const night = (wish: Wish = {}) => nightStatic(nightRecords(wish));
const auas = sites[1]!;
const at = (minute: number) => ({ takenAtUtc: `2026-11-24T20:${String(minute).padStart(2, '0')}:00.000Z` });
const changed = (id: string, change: object): Part[] => parts.map((p) => (p.id === id ? { ...p, ...change } : p));

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

  it('asks for a scale first where only a guessed mass is over, and speaks of spare pieces only where there are some', () => {
    const over = (basis: 'assumed' | 'weighed', massKg: number) =>
      load({ parts: changed('demo-heron-tube', { massKg, massBasis: basis }) }).saying;
    // Allowed are 12 kg: 13.6 in all, of which 10 may be 5 too many.
    expect(over('assumed', 10)).to.deep.include({
      verdict: 'over',
      guess: parts.find((p) => p.id === 'demo-heron-tube')!.name,
    });
    expect(over('weighed', 10)).to.deep.include({ verdict: 'over', guess: null, hasSpare: true });
    expect(over('assumed', 40)).to.deep.include({ verdict: 'over', guess: null });
    const plover = load({ rigId: 'demo-plover' }).payload;
    const placed = plover.numbers.masses.tubeSide.map((p) => parts.find(({ id }) => id === p.partId)!.kind);
    expect(plover.hasSpare).to.equal(placed.some((kind) => ['guideScope', 'small', 'load', 'weight'].includes(kind)));
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

  it('has one case of a name, also when the user called one like a usual case', () => {
    const names = packingModel(night(), 'pack').cases.map(caseName);
    expect(new Set(names).size).to.equal(names.length);
    const power = packingModel(night(), 'pack').cases.find((c) => caseName(c) === 'Power box');
    expect(power?.items.map((i) => i.name)).to.include.members([
      'Lithium iron battery, 50 Ah',
      'Converter 12 V to 5 V',
    ]);
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
    expect(packingModel(night({ readings }), 'assembly').saying).to.deep.include({ code: 'assembly', next: 'poleLeg' });
  });
});
