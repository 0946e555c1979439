/** What the first screens take, keep on the device and hand on. */
import { expect } from 'chai';
import {
  answersSchema,
  ASKED,
  FIRST_DRAFT,
  forgetDraft,
  keepDraft,
  keptDraft,
  ownAnswers,
  type Answers,
} from '../../../src/features/start/answers.ts';
import { zoneOf } from '../../../src/features/start/zoneOf.ts';
import { makeFormat } from '../../../src/text/format.ts';
import fc from 'fast-check';
import { ownNight } from '../../../src/core/night/advice/ownNight.ts';
import { HEAD_SCHEMAS } from '../../../src/core/records/heads.ts';
import { holds } from '../../support/properties.ts';
import { pieceName, SCREENS, targetName } from '../../../src/text/startWords.ts';

const f = makeFormat('metric', 'UTC');
const answered: Answers = {
  ...FIRST_DRAFT,
  latDeg: 40.28,
  lonDeg: -7.51,
  carrier: 'trackerBracket',
  focalMm: 135,
  megapixels: 24,
};

describe('the first screens', () => {
  it('ask every answer once, and begin with sensible values', () => {
    const asked = SCREENS.flatMap((screen) => ASKED[screen]);
    expect(new Set(asked).size).to.equal(asked.length);
    const carried = ['placeName', 'zoneIana'];
    expect([...asked, ...carried].sort()).to.deep.equal(Object.keys(FIRST_DRAFT).sort());
    expect(answersSchema.safeParse(FIRST_DRAFT).success).to.equal(false);
    expect(answersSchema.safeParse(answered).success).to.equal(true);
  });

  it('a lens does without an f-number, a tube not without its aperture', () => {
    const tube = { ...answered, opticsKind: 'refractor' as const };
    const refused = answersSchema.safeParse(tube);
    expect(refused.error?.issues.map((i) => i.path.join('.'))).to.deep.equal(['apertureMm']);
    expect(answersSchema.safeParse({ ...tube, apertureMm: 80 }).success).to.equal(true);
    expect(ownAnswers(answered, 'Europe/Lisbon', f).rig.optics.apertureMm).to.equal(null);
    expect(ownAnswers({ ...answered, fNumber: 2.8 }, 'Europe/Lisbon', f).rig.optics.apertureMm).to.be.closeTo(
      48.2,
      0.05,
    );
    const { optics } = ownAnswers({ ...tube, apertureMm: 80, fNumber: 2 }, 'Europe/Lisbon', f).rig;
    expect(optics).to.deep.equal({ kind: 'refractor', focalMm: 135, apertureMm: 80 });
  });

  it('no place, kind or number outside of what the core takes is handed on', () => {
    for (const wrong of [
      { latDeg: 91 },
      { latDeg: null },
      { lonDeg: -181 },
      { carrier: '' },
      { focalMm: 0 },
      { focalMm: null },
      { megapixels: 0 },
      { format: 'wide' },
      { fNumber: 0.1 },
    ])
      expect(answersSchema.safeParse({ ...answered, ...wrong }).success, JSON.stringify(wrong)).to.equal(false);
  });

  it('a place without a name is called by its coordinates, a town by its own', () => {
    expect(ownAnswers(answered, 'Europe/Lisbon', f).where).to.deep.equal({
      name: '40° 16′ 48″ N, 7° 30′ 36″ W',
      latDeg: 40.28,
      lonDeg: -7.51,
      zoneIana: 'Europe/Lisbon',
    });
    expect(ownAnswers({ ...answered, placeName: ' Covilhã ' }, 'Europe/Lisbon', f).where.name).to.equal('Covilhã');
  });

  it('finds the zone of a place, on land, at sea and on both sides of the date line', async () => {
    expect(await zoneOf(40.28, -7.51)).to.equal('Europe/Lisbon');
    expect(await zoneOf(-22.56, 17.08)).to.equal('Africa/Windhoek');
    expect(await zoneOf(-17.7, 178)).to.equal('Pacific/Fiji');
    expect(await zoneOf(0, -140)).to.match(/^Etc\//);
    expect(await zoneOf(95, 0)).to.equal(null);
  });
});

describe('the kept draft', () => {
  const kept = new Map<string, string>();
  const before = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
  beforeEach(() => {
    kept.clear();
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, value: string) => kept.set(key, value),
        removeItem: (key: string) => kept.delete(key),
      },
    });
  });
  after(() => {
    if (before) Object.defineProperty(globalThis, 'localStorage', before);
    else Reflect.deleteProperty(globalThis, 'localStorage');
  });

  it('whatever its own ranges let through is dressed in parts that are stored, and a long lens is not refused', () => {
    const between = (min: number, max: number) =>
      fc.oneof(fc.constantFrom(min, max), fc.double({ min, max, noNaN: true }));
    const answers = fc.record({
      carrier: fc.constantFrom(...answersSchema.shape.carrier.options),
      size: fc.constantFrom(...answersSchema.shape.size.options),
      opticsKind: fc.constantFrom(...answersSchema.shape.opticsKind.options),
      focalMm: between(2, 6000),
      fNumber: fc.option(between(0.7, 64)),
      apertureMm: between(10, 700),
      format: fc.constantFrom(...answersSchema.shape.format.options),
      megapixels: between(0.3, 200),
      guided: fc.boolean(),
    });
    const lens = { ...answered, opticsKind: 'lens', focalMm: 5000, fNumber: null };
    expect(answersSchema.safeParse(lens).success).to.equal(true);
    const head = {
      ...{ rev: 1, deviceId: 'd', createdAtUtc: '2026-11-24T20:00:00.000Z', updatedAtUtc: '2026-11-24T20:00:00.000Z' },
      ...{ deletedAtUtc: null, origin: 'user', archived: false, note: '' },
    };
    const isStored = (given: object): void => {
      const parsed = answersSchema.safeParse({ ...answered, zoneIana: 'UTC', ...given });
      if (!parsed.success) return;
      const { where, rigName, rig } = ownAnswers(parsed.data, 'UTC', f);
      let ids = 0;
      const { records } = ownNight({ where, rigName, rig }, Date.UTC(2026, 10, 24, 20), {
        newId: () => `id-${(ids += 1)}`,
        nameOf: (piece, massKg) => pieceName(piece, massKg, { carrier: rig.carrier, rigName }, f),
        targetName,
      });
      for (const { table, id, body } of records) {
        const stored = HEAD_SCHEMAS[table].safeParse({ ...head, id, ...body });
        expect(stored.error?.issues ?? [], `${table} of ${JSON.stringify(given)}`).to.deep.equal([]);
      }
    };
    isStored(lens);
    for (const hidden of [
      { opticsKind: 'refractor', apertureMm: 80, fNumber: 0.1 },
      { apertureMm: 5000 },
      { format: 'phone', focalMm: 20_000 },
    ])
      expect(answersSchema.safeParse({ ...answered, ...hidden }).success, 'what is hidden').to.equal(true);
    const issues = answersSchema.safeParse({ ...answered, focalMm: 20_000, fNumber: 0.1 }).error!.issues;
    expect(issues.slice(0, 2).map((i) => [i.path[0], i.message])).to.deep.equal([
      ['focalMm', 'tooBig number 6000'],
      ['fNumber', 'tooSmall number 0.7'],
    ]);
    holds(fc.property(answers, isStored), 60);
  });

  it('comes back over a reload, and is gone once the night is made', () => {
    expect(keptDraft()).to.deep.equal(FIRST_DRAFT);
    keepDraft({ ...FIRST_DRAFT, carrier: 'forkOnWedge', focalMm: 400 });
    expect(keptDraft()).to.deep.equal({ ...FIRST_DRAFT, carrier: 'forkOnWedge', focalMm: 400 });
    forgetDraft();
    expect(keptDraft()).to.deep.equal(FIRST_DRAFT);
  });

  it('one of an earlier version or a damaged one leaves the usual values', () => {
    kept.set('tidy-owl-start', '{"latDeg": 12');
    expect(keptDraft()).to.deep.equal(FIRST_DRAFT);
    kept.set('tidy-owl-start', 'null');
    expect(keptDraft()).to.deep.equal(FIRST_DRAFT);
    kept.set('tidy-owl-start', '{"carrier": null, "size": null, "guided": null, "zoneIana": 5, "focalMm": null}');
    expect(keptDraft(), 'only what is a number may be empty').to.deep.equal({ ...FIRST_DRAFT, focalMm: null });
    kept.set('tidy-owl-start', '{"latDeg": 12}');
    expect(keptDraft()).to.deep.equal({ ...FIRST_DRAFT, latDeg: 12 });
  });
});
