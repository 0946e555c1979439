import { expect } from 'chai';
import { canonicalJson } from '../../../src/formats/canonicalJson.ts';

describe('canonical JSON', () => {
  it('leaves out what JSON has no word for, and lets dates speak for themselves', () => {
    const value = { z: undefined, b: [undefined, 1], a: new Date(0), f: () => 1, 'q"': 'x\n' };
    expect(canonicalJson(value)).to.equal('{"a":"1970-01-01T00:00:00.000Z","b":[null,1],"q\\"":"x\\n"}');
    expect(canonicalJson({ b: 1, a: { d: 2, c: 3 } })).to.equal(canonicalJson({ a: { c: 3, d: 2 }, b: 1 }));
  });
});
