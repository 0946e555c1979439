import { expect } from 'chai';
import fc from 'fast-check';
import { partBodySchema, partKinds, partSchema, type PartKind } from '../../../src/core/records/part.ts';
import { BLANK_PART } from '../../../src/features/kit/blankParts.ts';
import type { FieldGroup } from '../../../src/features/kit/fieldSpecs.ts';
import { PART_FIELDS, PART_KIND_NAMES } from '../../../src/features/kit/partFields.ts';
import { partRows } from '../../../src/features/kit/partRows.ts';
import { drawnPieces } from '../../../src/features/kit/rig/drawn.ts';
import { startersAmong, STARTER_GROUPS, starterParts } from '../../../src/features/kit/starter.ts';
import { usualPlace } from '../../../src/core/rig/dressing/usualPlace.ts';
import { rigNumbers } from '../../../src/core/rig/rigNumbers.ts';
import { formatHorizon, parseHorizon } from '../../../src/features/sites/horizonText.ts';
import { holds } from '../../support/properties.ts';
import { parts, rigs } from '../../support/records.ts';

const KINDS = Object.keys(partKinds) as PartKind[];

const valueAt = (value: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((inner, key) => (inner as Record<string, unknown> | null | undefined)?.[key], value);

/** A blank part in which every optional group is filled in as its button does. */
function filled(kind: PartKind): Record<string, unknown> {
  const groups = PART_FIELDS[kind].flatMap((g: FieldGroup) =>
    g.optional ? [[g.optional.path, g.optional.value]] : [],
  );
  return { ...BLANK_PART[kind], ...(Object.fromEntries(groups) as Record<string, unknown>) };
}

describe('the forms of parts', () => {
  for (const kind of KINDS) {
    it(`${PART_KIND_NAMES[kind]}: every field of the record is asked, every field asked is in the record`, () => {
      const asked = PART_FIELDS[kind].flatMap((g) => g.fields.map((f) => f.path));
      const heads = new Set(asked.map((path) => path.split('.')[0]));
      const own = Object.keys(partKinds[kind]);
      expect([...heads]).to.have.members(own);
      for (const path of asked) expect(valueAt(filled(kind), path), path).not.to.equal(undefined);
    });

    it(`${PART_KIND_NAMES[kind]}: a blank one lacks only numbers that must be measured`, () => {
      const blank = { name: 'x', count: 1, massKg: null, massBasis: 'weighed', note: '', kind, ...BLANK_PART[kind] };
      const parsed = partBodySchema(kind).safeParse(blank);
      const wrong = parsed.success ? [] : parsed.error.issues.filter((i) => !/wrongType number/.test(i.message));
      expect(wrong).to.deep.equal([]);
    });
  }

  it('choices offer what the record takes', () => {
    for (const kind of KINDS)
      for (const field of PART_FIELDS[kind].flatMap((g) => g.fields)) {
        if (field.type !== 'select') continue;
        for (const { value } of field.options) {
          const part = structuredClone(filled(kind));
          const keys = field.path.split('.');
          const last = keys.pop() ?? '';
          (keys.length === 0 ? part : (valueAt(part, keys.join('.')) as Record<string, unknown>))[last] = value;
          const parsed = partBodySchema(kind).safeParse({ name: 'x', count: 1, massKg: 1, note: '', kind, ...part });
          const refused = parsed.success ? [] : parsed.error.issues.map((i) => i.path.join('.'));
          expect(refused, `${kind} ${field.path} ${value}`).not.to.include(field.path);
        }
      }
  });
});

describe('starter parts', () => {
  const all = STARTER_GROUPS.flatMap((g) => g.parts);
  const head = {
    rev: 1,
    deviceId: 'd',
    createdAtUtc: '2026-11-01T00:00:00.000Z',
    updatedAtUtc: '2026-11-01T00:00:00.000Z',
    deletedAtUtc: null,
    archived: false,
    note: '',
  };

  it('are whole records with ids of their own, marked as a guess', () => {
    expect(new Set(all.map((p) => p.id)).size).to.equal(all.length);
    for (const { id, origin, body } of all) {
      const parsed = partSchema.safeParse({ ...head, ...body, id, origin });
      expect(parsed.success ? '' : parsed.error.issues[0], body.name).to.equal('');
      expect([body.massBasis, origin, id?.startsWith('starter-')]).to.deep.equal(['assumed', 'starter', true]);
    }
  });

  it('are enough for a rig: mount, tripod, tube, camera, bar, weights and power', () => {
    const kinds = new Set(all.map((p) => p.body.kind));
    expect([...kinds]).to.include.members([
      'mount',
      'support',
      'tube',
      'camera',
      'bar',
      'weight',
      'battery',
      'load',
      'cable',
    ]);
  });
});

describe('rows of the parts box', () => {
  it('say where a part is used, leave out what is gone, and show archived ones on demand', () => {
    const own = parts.map((p) => {
      if (p.id === 'demo-weight-1') return { ...p, archived: true };
      return p.id === 'demo-weight-2' ? { ...p, deletedAtUtc: '2026-11-02T00:00:00.000Z' } : p;
    });
    const rows = partRows(own, rigs, false);
    expect(rows.map((r) => r.part.id))
      .to.include('demo-weight-5')
      .and.not.include('demo-weight-1')
      .and.not.include('demo-weight-2');
    expect(partRows(own, rigs, true).find((r) => r.part.id === 'demo-weight-1')?.usedIn).to.equal('Wagtail');
    expect(rows.find((r) => r.part.id === 'demo-heron-reducer')?.usedIn).to.equal('Heron');
    expect(rows.find((r) => r.part.id === 'demo-weight-5')?.usedIn).to.equal('');
    expect(rows.map((r) => r.name)).to.deep.equal([...rows.map((r) => r.name)].sort((a, b) => a.localeCompare(b)));
  });
});

describe('a horizon line as text', () => {
  it('comes back as it was written', () => {
    const point = fc.record({ azDeg: fc.integer({ min: 0, max: 360 }), altDeg: fc.integer({ min: -10, max: 90 }) });
    holds(
      fc.property(fc.array(point, { maxLength: 20 }), (points) => {
        expect(parseHorizon(formatHorizon(points))).to.deep.equal({ ok: true, value: points });
      }),
    );
  });

  it('takes commas and semicolons, and names the first bad line', () => {
    expect(parseHorizon('10, 5\n\n20;7.5')).to.deep.equal({
      ok: true,
      value: [
        { azDeg: 10, altDeg: 5 },
        { azDeg: 20, altDeg: 7.5 },
      ],
    });
    for (const [text, line] of [
      ['10 5\nwest 3', 2],
      ['400 5', 1],
      ['10 5 7', 1],
      ['10 95', 1],
      ['10', 1],
    ] as const)
      expect(parseHorizon(text), text).to.deep.equal({ ok: false, code: 'badLine', figures: { line } });
  });
});

describe('a rig on its drawing', () => {
  const heron = rigs.find((r) => r.name === 'Heron')!;
  const pieceOf = (name: RegExp, from = heron, box = parts) => drawnPieces(from, box).find((p) => name.test(p.name))!;

  it('draws every piece that hangs on it once, to scale, the largest first', () => {
    const drawn = drawnPieces(heron, parts);
    const hung = heron.placed.filter((p) => p.on !== 'ground');
    expect(drawn.map((p) => p.id).sort()).to.deep.equal(hung.map((p) => p.placedId).sort());
    const sizes = drawn.map((p) => p.halfM.along * p.halfM.fromAxis);
    expect(sizes).to.deep.equal([...sizes].sort((a, b) => b - a));
    const tube = parts.find((p) => p.id === heron.imagingTubeId)!;
    if (tube.kind !== 'tube') throw new Error('no tube');
    const placed = heron.placed.find((p) => p.partId === tube.id)!;
    const at = pieceOf(/triplet/);
    expect(at.alongM + at.halfM.along).to.be.closeTo(placed.alongTubeM + tube.frontM, 1e-12);
    expect(at.alongM - at.halfM.along).to.be.closeTo(placed.alongTubeM - tube.backM, 1e-12);
  });

  it('hatches what was never weighed or never placed, and moves weights along their bar alone', () => {
    expect(drawnPieces(heron, parts).some((p) => p.guessed)).to.equal(false);
    const light = parts.map((p) => (p.kind === 'camera' ? { ...p, massBasis: 'assumed' as const } : p));
    expect(pieceOf(/camera/i, heron, light).guessed).to.equal(true);
    const placed = heron.placed.map((p) => ({ ...p, placeBasis: 'assumed' as const }));
    expect(drawnPieces({ ...heron, placed }, parts).every((p) => p.guessed)).to.equal(true);
    expect(pieceOf(/^Weight/).axes).to.deep.equal(['fromRaAxisM']);
    expect(pieceOf(/bar$/).axes).to.deep.equal([]);
    expect(pieceOf(/triplet/).axes).to.have.lengthOf(3);
  });

  it('hangs another piece where such pieces usually are, marked as a guess', () => {
    const numbers = rigNumbers(heron, parts);
    const line = numbers.masses.tubeSide.find((p) => p.partId === numbers.tube!.id)!.fromRaAxisM;
    const placeOf = (kind: PartKind) =>
      usualPlace(starterParts().find((p) => p.kind === kind) ?? parts.find((p) => p.kind === kind)!, numbers);
    const [near, far] = numbers.mount!.barRangeM!;
    expect(placeOf('weight')).to.include({ on: 'bar', movable: true, fromRaAxisM: -(near + far) / 2 });
    expect(placeOf('camera')).to.include({ on: 'tube', slides: true, fromRaAxisM: line });
    expect(placeOf('camera').alongTubeM).to.be.lessThan(-numbers.tube!.backM);
    expect(placeOf('guideScope').fromRaAxisM).to.be.closeTo(line + numbers.tube!.radiusM + 0.05, 1e-12);
    expect(placeOf('rings')).to.include({ slides: false });
    expect(placeOf('rings').fromRaAxisM).to.be.closeTo(line - numbers.tube!.radiusM, 1e-12);
    for (const kind of ['weight', 'bar', 'camera', 'tube'] as const)
      expect(placeOf(kind).placeBasis, kind).to.equal('assumed');
  });

  it('starter parts come with the record that names them, once', () => {
    for (const part of starterParts()) {
      expect(partSchema.parse(part)).to.deep.equal(part);
      expect(startersAmong([part.id], [])[0]).to.deep.include({ table: 'parts', id: part.id });
    }
    const ids = starterParts().map((p) => p.id);
    expect(startersAmong([ids[0]!, 'own'], []).map((p) => p.id)).to.deep.equal([ids[0]]);
    const [first] = starterParts();
    expect(startersAmong([ids[0]!], [first!])).to.deep.equal([]);
    expect(startersAmong([ids[0]!], [{ ...first!, deletedAtUtc: first!.createdAtUtc }])).to.have.lengthOf(1);
  });
});
