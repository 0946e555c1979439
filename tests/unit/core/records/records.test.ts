import { expect } from 'chai';
import { SETTING_DEFAULTS, settingOf, settingValues, userSettingSchema } from '../../../../src/core/records/setting.ts';
import { partBodySchema } from '../../../../src/core/records/part.ts';
import { readingSchema, readingValues } from '../../../../src/core/records/reading.ts';
import { upgradeParts, withImageCircle, withUse } from '../../../../src/core/records/upgrades.ts';
import { parts, reading } from '../../../support/records.ts';

const head = {
  id: 'setting-units',
  rev: 1,
  deviceId: 'd',
  createdAtUtc: '2026-11-01T00:00:00.000Z',
  updatedAtUtc: '2026-11-01T00:00:00.000Z',
  deletedAtUtc: null,
  origin: 'user',
  archived: false,
  note: '',
};

describe('settings', () => {
  it('every default is a value that its own schema takes', () => {
    for (const [key, schema] of Object.entries(settingValues))
      expect(schema.safeParse(SETTING_DEFAULTS[key as keyof typeof SETTING_DEFAULTS]).success, key).to.equal(true);
  });

  it('the user’s value counts, a deleted one does not', () => {
    const imperial = userSettingSchema.parse({ ...head, key: 'units', value: 'imperial' });
    expect(settingOf([imperial], 'units')).to.equal('imperial');
    expect(settingOf([{ ...imperial, deletedAtUtc: '2026-11-02T00:00:00.000Z' }], 'units')).to.equal('metric');
    expect(settingOf([imperial], 'clock')).to.equal('site');
  });
});

describe('parts', () => {
  const refusedAt = (id: string, change: object): string => {
    const part = parts.find((p) => p.id === id)!;
    const parsed = partBodySchema(part.kind).safeParse({ ...part, ...change });
    return parsed.success ? 'taken' : parsed.error.issues[0]!.path.join('.');
  };

  it('refuse what cannot be, at its own field', () => {
    expect(refusedAt('demo-heron-mount', {})).to.equal('taken');
    expect(refusedAt('demo-heron-mount', { ratedKg: 0 })).to.equal('ratedKg');
    expect(refusedAt('demo-heron-mount', { barRangeM: [0.4, 0.1] })).to.equal('barRangeM.1');
    expect(refusedAt('demo-heron-mount', { wormTeeth: 12.5 })).to.equal('wormTeeth');
    expect(refusedAt('demo-heron-tube', { apertureMm: -80 })).to.equal('apertureMm');
    expect(refusedAt('demo-heron-battery', { usableDepth: 1.2 })).to.equal('usableDepth');
    expect(refusedAt('demo-heron-converter', { efficiency: 0 })).to.equal('efficiency');
    expect(refusedAt('demo-weight-1', { name: '   ' })).to.equal('name');
    expect(refusedAt('demo-weight-1', { count: 0 })).to.equal('count');
  });

  it('upgrades leave newer parts and other rows as they are, and never throw', () => {
    expect(upgradeParts(parts, withUse)).to.deep.equal(parts);
    expect(upgradeParts(parts, withImageCircle)).to.deep.equal(parts);
    for (const odd of [null, 7, 'text', { parts: 3 }, [null, 7, { kind: 'plate' }]])
      expect(() => upgradeParts(odd, withUse)).not.to.throw();
    expect(upgradeParts([{ id: 's', parts: [{ kind: 'plate' }] }], withUse)).to.deep.equal([
      { id: 's', parts: [{ dovetail: null, kind: 'plate' }] },
    ]);
  });
});

describe('readings', () => {
  const taken = (kind: Parameters<typeof reading>[0], values: object): boolean =>
    readingSchema.safeParse(reading(kind, values)).success;

  it('refuse figures that cannot have been measured', () => {
    expect(taken('steadiness', { settleS: 3 })).to.equal(true);
    expect(taken('steadiness', { settleS: -1 })).to.equal(false);
    expect(taken('steadiness', { settleS: 300 }), 'a stopwatch that was forgotten').to.equal(false);
    expect(taken('subs', { count: 5, usable: 6 })).to.equal(false);
    expect(taken('battery', { voltageV: 12, fraction: 1.4 })).to.equal(false);
    expect(taken('seeing', { fwhmArcsec: Number.NaN })).to.equal(false);
    expect(taken('balance', { axis: 'ra', positionM: 0.2, drops: 'both' })).to.equal(false);
    expect(taken('check', { listId: 'packing', itemId: 'x' })).to.equal(false);
  });

  it('every kind has a schema that refuses an empty reading', () => {
    for (const [kind, schema] of Object.entries(readingValues))
      expect(schema.safeParse({}).success, kind).to.equal(false);
  });
});
