import { expect } from 'chai';
import fc from 'fast-check';
import { partBodySchema, partKinds, partSchema, type PartKind } from '../../../src/core/records/part.ts';
import { BLANK_PART } from '../../../src/features/kit/blankParts.ts';
import type { FieldGroup } from '../../../src/features/kit/fieldSpecs.ts';
import { PART_FIELDS, PART_KIND_NAMES } from '../../../src/features/kit/partFields.ts';
import { partRows } from '../../../src/features/kit/partRows.ts';
import { STARTER_GROUPS } from '../../../src/features/kit/starter.ts';
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
      expect([...heads].sort()).to.deep.equal([...own].sort());
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
