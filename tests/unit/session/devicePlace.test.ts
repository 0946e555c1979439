/** What a device answers when it is asked for its place. */
import { expect } from 'chai';
import { deviceAnswer } from '../../../src/session/devicePlace.ts';

const ZONE = 'Europe/Lisbon';
const answer = (coords: object | null) => deviceAnswer(coords && { coords }, ZONE);

describe('the device’s place', () => {
  it('is rounded to a metre or so, with its height where it has one', () => {
    expect(answer({ latitude: 40.3312345, longitude: -7.6, altitude: 1549.6 })).to.deep.equal({
      latDeg: 40.33123,
      lonDeg: -7.6,
      elevationM: 1550,
      zoneIana: ZONE,
    });
    expect(answer({ latitude: 0, longitude: 180, altitude: null })!.elevationM).to.equal(null);
    expect(answer({ latitude: 0, longitude: 0, altitude: NaN })!.elevationM).to.equal(null);
  });

  it('is none where the answer holds no place on earth', () => {
    for (const coords of [
      null,
      {},
      { latitude: NaN, longitude: 7 },
      { latitude: 40, longitude: null },
      { latitude: 91, longitude: 0 },
      { latitude: '40', longitude: 7 },
    ])
      expect(answer(coords), JSON.stringify(coords)).to.equal(null);
    expect(deviceAnswer(null, ZONE)).to.equal(null);
  });
});
