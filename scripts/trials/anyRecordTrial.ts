/** Nights of random records that the schemas take, at the edges of their bounds too: whatever is stored, every bench can
 *  be drawn. */
import fc from 'fast-check';
import { byNight } from '../../src/core/history/readingIndex.ts';
import { deriveNight } from '../../src/core/night/deriveNight.ts';
import type { AllRecords } from '../../src/core/history/nightRecords.ts';
import { nightSchema, type Night } from '../../src/core/records/night.ts';
import { partSchema, type Part } from '../../src/core/records/part.ts';
import { readingSchema, type Reading } from '../../src/core/records/reading.ts';
import { rigSchema, type Rig } from '../../src/core/records/rig.ts';
import { siteSchema, targetSchema, type Site, type Target } from '../../src/core/records/site.ts';
import { arbitraryOf } from './arbitraries.ts';
import { benches } from './benches.ts';
import { demoWorld, TRIAL_NOW as NOW } from './demoWorld.ts';

/** The demo's night with one of its records replaced by a random valid one, and random readings on it. */
const SUBJECT_IDS = ['demo-heron-mount', 'demo-heron', 'demo-heron-camera', 'demo-estrela', 'n1'];
const readings = fc
  .array(fc.tuple(arbitraryOf(readingSchema), fc.constantFrom(...SUBJECT_IDS), fc.integer({ min: -300, max: 20 })), {
    maxLength: 8,
  })
  .map((list) =>
    list.map(([raw, id, hours], i): Reading => {
      const r = raw as Reading;
      const takenAtUtc = new Date(NOW + hours * 3_600_000).toISOString();
      const nightId = hours < -20 ? 'earlier' : 'n1';
      return {
        ...r,
        id: `r${i}`,
        nightId,
        snapshotId: 's1',
        subject: { ...r.subject, id },
        takenAtUtc,
        recordedAtUtc: takenAtUtc,
      };
    }),
  );
const site = arbitraryOf(siteSchema).map((s) => ({ ...(s as Site), id: 'demo-estrela', deletedAtUtc: null }));
const night = arbitraryOf(nightSchema).map((n) => {
  const one = n as Night;
  const plan = one.plan.map((p) => ({ ...p, targetId: 'demo-ngc281' }));
  return { ...one, plan, id: 'n1', siteId: 'demo-estrela', rigId: 'demo-heron', deletedAtUtc: null };
});
const rig = arbitraryOf(rigSchema).map((r) => {
  const [own, base] = [r as Rig, demoWorld().rigs.find((one) => one.id === 'demo-heron')];
  if (!base) throw new Error('the demo lacks its rig');
  return {
    ...base,
    ...own,
    mountId: base.mountId,
    supportId: base.supportId,
    imagingTubeId: base.imagingTubeId,
    cameraId: base.cameraId,
    train: base.train,
    supplies: base.supplies,
    placed: base.placed.map((p, i) => ({ ...p, ...own.placed[i], partId: p.partId })),
    id: 'demo-heron',
    deletedAtUtc: null,
  };
});
const target = arbitraryOf(targetSchema).map((t) => ({ ...(t as Target), id: 'demo-ngc281', deletedAtUtc: null }));
/** A part of the rig by a random one of its own kind. */
const part = arbitraryOf(partSchema).map((p) => p as Part);

type Change = (all: AllRecords) => AllRecords;
const replaced = <R extends { id: string }>(list: readonly R[], one: R): R[] =>
  list.map((r) => (r.id === one.id ? one : r));
const change: fc.Arbitrary<Change> = fc.oneof(
  readings.map((list): Change => (all) => ({ ...all, readings: byNight(list) })),
  site.map((one): Change => (all) => ({ ...all, sites: [one] })),
  night.map((one): Change => (all) => ({ ...all, nights: [one] })),
  rig.map((one): Change => (all) => ({ ...all, rigs: replaced(all.rigs, one) })),
  target.map((one): Change => (all) => ({ ...all, targets: replaced(all.targets, one) })),
  fc.array(part, { minLength: 1, maxLength: 6 }).map((list): Change => (all) => ({
    ...all,
    parts: all.parts.map((p) => {
      const one = list.find((q) => q.kind === p.kind);
      return one ? { ...one, id: p.id, deletedAtUtc: null } : p;
    }),
  })),
);

/** Names of the benches that throw; a night that is set aside or broken says so by its state. */
function broken(all: AllRecords): string[] {
  const found = deriveNight(all, 'n1', NOW);
  if (found.state !== 'night') return [`${found.state} ${'problem' in found ? found.problem : ''}`];
  if (found.setAside) return [`set aside ${found.setAside.kind}`];
  return Object.entries(benches(found.night)).flatMap(([name, draw]) => {
    try {
      draw();
      return [];
    } catch (error) {
      return [`${name}: ${error instanceof Error ? error.message : String(error)}`];
    }
  });
}

export const anyRecordProperty = (): fc.IRawProperty<unknown> => {
  const base: AllRecords = demoWorld();
  return fc.property(fc.array(change, { minLength: 1, maxLength: 3 }), (changes) => {
    const found = broken(changes.reduce((all, one) => one(all), base));
    if (found.length > 0) throw new Error(found.join('; '));
  });
};
