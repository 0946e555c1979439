import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { findTowns, searchable } from '../../../src/core/places/findTowns.ts';
import { decodeTowns, encodeTowns } from '../../../src/formats/townTable.ts';

const towns = decodeTowns(new Uint8Array(readFileSync('src/core/places/data/towns.bin')));
const names = searchable(towns);
const first = (asked: string) => findTowns(towns, names, asked)[0]!;

describe('the table of towns', () => {
  it('goes out and comes back, names of any script and both signs of places', () => {
    const some = [
      { name: 'Covilhã', country: 'PT', latDeg: 40.28, lonDeg: -7.5 },
      { name: '東京', country: 'JP', latDeg: 35.69, lonDeg: 139.69 },
      { name: 'Windhoek', country: 'NA', latDeg: -22.56, lonDeg: 17.08 },
    ];
    expect(decodeTowns(encodeTowns(some))).to.deep.equal(some);
    expect(decodeTowns(encodeTowns([some[0]!]))).to.deep.equal([some[0]]);
    expect(() => decodeTowns(encodeTowns(some).subarray(0, 20))).to.throw(RangeError);
  });

  it('knows the towns of the world where they are', () => {
    expect(towns.length).to.be.within(20_000, 30_000);
    expect(first('covilha')).to.include({ name: 'Covilhã', country: 'PT' });
    expect(first('Windhoek').latDeg).to.be.closeTo(-22.56, 0.05);
    expect(first('Windhoek').lonDeg).to.be.closeTo(17.08, 0.05);
    expect(first('são paulo').latDeg).to.be.closeTo(-23.55, 0.1);
    for (const t of towns) {
      expect(Math.abs(t.latDeg)).to.be.at.most(90);
      expect(Math.abs(t.lonDeg)).to.be.at.most(180);
    }
  });

  it('the largest of one name comes first, names that begin so before others, and no more than asked', () => {
    expect(first('London')).to.include({ country: 'GB' });
    const york = findTowns(towns, names, 'york', 4);
    expect(york).to.have.length(4);
    expect(york[0]!.name.startsWith('York')).to.equal(true);
    expect(findTowns(towns, names, 'york', 30).map((t) => t.name)).to.include('New York City');
    expect(findTowns(towns, names, '  ')).to.deep.equal([]);
    expect(findTowns(towns, names, 'zzzz')).to.deep.equal([]);
  });
});
