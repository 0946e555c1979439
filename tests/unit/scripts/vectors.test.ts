import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { computeTopic } from '../../../scripts/compute/topics.ts';
import type { JsonObject } from '../../../scripts/compute/types.ts';
import { compareFile, runVectors } from '../../../scripts/vectors/runVectors.ts';

const fixtures = join(import.meta.dirname, '..', '..', 'fixtures');
const read = (path: string): JsonObject => JSON.parse(readFileSync(join(fixtures, path), 'utf8')) as JsonObject;

/** Cases that each topic must answer; the counts guard against a file that silently lost its cases. */
const EXPECTED: Record<string, { file: string; cases: number }> = {
  'pole-stars': { file: 'sky/pole-stars.json', cases: 54 },
  altaz: { file: 'sky/altaz.json', cases: 110 },
  transits: { file: 'sky/transits.json', cases: 64 },
  moonlight: { file: 'sky/moonlight.json', cases: 30 },
  nights: { file: 'sky/nights.json', cases: 49 },
  'polar-error': { file: 'sky/polar-error.json', cases: 47 },
  magnetic: { file: 'sky/magnetic.json', cases: 47 },
  'field-rotation': { file: 'sky/field-rotation.json', cases: 34 },
  dial: { file: 'mechanics/dial.json', cases: 25 },
  budget: { file: 'mechanics/budget.json', cases: 55 },
  optics: { file: 'mechanics/optics.json', cases: 46 },
  balance: { file: 'mechanics/balance.json', cases: 31 },
  level: { file: 'mechanics/level.json', cases: 16 },
  knobs: { file: 'mechanics/knobs.json', cases: 22 },
  tripod: { file: 'mechanics/tripod.json', cases: 22 },
  power: { file: 'mechanics/power.json', cases: 21 },
  backfocus: { file: 'mechanics/backfocus.json', cases: 26 },
  clearance: { file: 'mechanics/clearance.json', cases: 45 },
  logs: { file: 'logs/truth.json', cases: 11 },
};

type Numbers = { [key: string]: unknown };

/** Moves the first number found in a known answer far away from where it was. */
function plantWrongNumber(out: Numbers): boolean {
  for (const [key, value] of Object.entries(out)) {
    if (typeof value === 'number') {
      out[key] = value + 1000.5;
      return true;
    }
    if (typeof value === 'string' && !Number.isNaN(Date.parse(value))) {
      out[key] = new Date(Date.parse(value) + 3_600_000).toISOString();
      return true;
    }
  }
  return Object.values(out).some(
    (value) => typeof value === 'object' && value !== null && plantWrongNumber(value as Numbers),
  );
}

describe('known answers', () => {
  for (const [topic, { file, cases }] of Object.entries(EXPECTED)) {
    it(`${topic}: every case within its tolerance`, () => {
      const result = compareFile(topic, join(fixtures, file), read(file));
      const out = result.cases.filter((c) => c.status === 'out');
      expect(out, JSON.stringify(out.slice(0, 2))).to.deep.equal([]);
      expect(result.cases.filter((c) => c.status === 'same')).to.have.length(cases);
    });

    it(`${topic}: a planted wrong answer is found`, () => {
      const content = read(file);
      const one = (content['cases'] as JsonObject[])[0];
      const planted = structuredClone(one) as { out?: Numbers; truth?: Numbers };
      expect(plantWrongNumber(planted.out ?? planted.truth ?? {})).to.equal(true);
      const result = compareFile(topic, join(fixtures, file), { ...content, cases: [planted as JsonObject] });
      expect(result.cases[0]?.status).to.equal('out');
    });
  }

  it('walks a folder by topic and reports topics without an adapter', () => {
    const results = runVectors(fixtures);
    expect(results.filter((r) => r.known).map((r) => r.topic)).to.have.members(Object.keys(EXPECTED));
    expect(results.filter((r) => !r.known).map((r) => r.topic)).to.include('trails');
  });

  it('does not pass a case in which nothing is compared', () => {
    const { cases } = compareFile('magnetic', 'x', {
      tolerance: { declination_deg: 1, inclination_deg: 1, h_nT: 1, f_nT: 1 },
      cases: [{ in: { lat: 0, lon: 0, date: '2026-01-01' }, out: {} }],
    });
    expect(cases[0]?.status).to.equal('out');
  });
});

describe('compute', () => {
  it('answers each case on its own: a bad one does not stop the others', () => {
    const good = { in: { kind: 'filter', glass: [{ thicknessMm: 2, index: 1.5 }] }, id: 'g', kind: 'k' };
    const answers = computeTopic('optics', { cases: [{ in: { kind: 'filter' } }, good, {}] });
    expect(answers[0]).to.have.property('error').that.includes('glass');
    expect(answers[1]).to.deep.include({ id: 'g', kind: 'k' });
    expect((answers[1]!['out'] as { focusShiftMm: number }).focusShiftMm).to.be.closeTo(2 / 3, 1e-9);
    expect(answers[2]).to.have.property('error');
  });

  it('names an unknown topic and a file without cases', () => {
    expect(() => computeTopic('nothing', { cases: [] })).to.throw('unknown topic nothing');
    expect(() => computeTopic('dial', { list: [] })).to.throw('cases');
  });
});
