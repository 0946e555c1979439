import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { Cancelled } from '../../../../src/core/work.ts';
import { openLog, type OpenOptions } from '../../../../src/formats/logs/openLog.ts';

const FIXTURES = 'tests/fixtures/logs';
const OPTIONS: OpenOptions = { told: {}, mapping: null, between: () => Promise.resolve() };

async function* inPieces(bytes: Uint8Array, size: number): AsyncGenerator<Uint8Array> {
  for (let i = 0; i < bytes.length; i += size) yield await Promise.resolve(bytes.subarray(i, i + size));
}
const open = (bytes: Uint8Array, options: Partial<OpenOptions> = {}, size = 4096) =>
  openLog(inPieces(bytes, size), { ...OPTIONS, ...options });
const textBytes = (text: string) => new TextEncoder().encode(text);
async function codeOf(bytes: Uint8Array): Promise<string> {
  const found = await open(bytes);
  if (!found.ok) return found.code;
  return found.value.read.ok ? 'read' : found.value.read.code;
}

describe('the door of logs', () => {
  it('reads the same in pieces of any size, letters of several bytes cut in two', async () => {
    const bytes = new Uint8Array(readFileSync(`${FIXTURES}/log02.csv`));
    const whole = await open(bytes, {}, bytes.length);
    for (const size of [7, 1000, 65_536]) expect(await open(bytes, {}, size)).to.deep.equal(whole);
    expect(whole.ok && whole.value.read.ok && whole.value.read.value.series.timeS).to.have.length(1338);
  });

  it('takes wide letters by their byte marks', async () => {
    const text = 'time_s,ra,dec\n0,1,2\n1,2,3\n';
    const wide = new Uint8Array([0xff, 0xfe, ...Array.from(text).flatMap((c) => [c.charCodeAt(0), 0])]);
    expect(await codeOf(wide)).to.equal('read');
  });

  it('names what is no log', async () => {
    expect(await codeOf(new Uint8Array(5000))).to.equal('logNotText');
    expect(await codeOf(textBytes('Dear diary,\nit was cloudy.'))).to.equal('logNotText');
    expect(await codeOf(new Uint8Array(0))).to.equal('logNotText');
    expect(await codeOf(textBytes(`time_s,ra,dec\n${'NaN,NaN,NaN\n'.repeat(50)}`))).to.equal('logEmpty');
    expect(await codeOf(textBytes(`1,2,3\n${'9'.repeat(200_000)}`))).to.equal('logTooLong');
  });

  it('ends a line without an end before it has read much of it', async () => {
    let bytes = 0;
    async function* endless(): AsyncGenerator<Uint8Array> {
      for (;;) {
        bytes += 65_536;
        yield await Promise.resolve(new Uint8Array(65_536).fill(57));
      }
    }
    const found = await openLog(endless(), OPTIONS);
    expect(found.ok ? '' : found.code).to.equal('logTooLong');
    expect(bytes).to.be.lessThan(400_000);
  });

  it('stops where it is told to', async () => {
    const between = () => Promise.reject(new Cancelled());
    const stopped = open(textBytes('time_s,ra,dec\n0,1,2\n'), { between });
    expect(
      await stopped.then(
        () => 'went on',
        (error: unknown) => error instanceof Cancelled,
      ),
    ).to.equal(true);
  });

  it('a mapping of another number of columns is not used', async () => {
    const bytes = textBytes('time_s,ra,dec\n0,1,2\n1,2,3\n');
    const guessed = await open(bytes);
    const mapping = { roles: [], unit: 'px' as const, scaleArcsecPerPx: null, rateArcsecPerS: null, raFromXDeg: null };
    expect(await open(bytes, { mapping })).to.deep.equal(guessed);
  });

  it('a row that tells no time or no place that can be is left out, wherever it stands, and spoils no other', async () => {
    const rows = Array.from({ length: 40 }, (_, i) => `${i},${i % 5},1`);
    const spoilt = (at: number, row: string) =>
      ['time_s,ra,dec', ...rows.slice(0, at), row, ...rows.slice(at)].join('\n');
    for (const at of [1, 20, 40])
      for (const row of ['lost,1,2', '1e300,1,2', `${at - 0.5},1e308,2`, `${at - 0.5},1,-1e7`, ',,']) {
        const found = await open(textBytes(spoilt(at, row)));
        if (!found.ok || !found.value.read.ok) throw new Error(`${row} at ${at} was not read`);
        const { series, rows: count, unusable } = found.value.read.value;
        expect([Array.from(series.timeS), count, unusable], `${row} at ${at}`).to.deep.equal([
          Array.from({ length: 40 }, (_, i) => i),
          41,
          1,
        ]);
      }
  });

  it('a first row without a time takes nothing from the others', async () => {
    for (const row of ['lost,1,2', '1e300,1,2', '-,-,-']) {
      const found = await open(textBytes(['time_s,ra,dec', row, '5,1,2', '6,2,3', '8,1,2'].join('\n')));
      if (!found.ok || !found.value.read.ok) throw new Error(`${row} was not read`);
      expect(Array.from(found.value.read.value.series.timeS), row).to.deep.equal([0, 1, 3]);
    }
  });

  it('ten thousand columns are read or named', async () => {
    const known = /^(read|log(Empty|NoTime|NoError|NoScale|NoRate|TooLong|NotText))$/;
    expect(await codeOf(textBytes(`${'a,'.repeat(10_000)}b\n${'1,'.repeat(10_000)}2\n`))).to.match(known);
  });
});
