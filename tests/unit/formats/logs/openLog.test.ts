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

  const rows = (line: (i: number) => string) =>
    `time,ra,dec\n${Array.from({ length: 400 }, (_, i) => line(i)).join('\n')}`;
  const usual = (time: number | string) => `${time},0.5,0.1`;
  async function seriesOf(text: string) {
    const found = await open(textBytes(text));
    if (!found.ok || !found.value.read.ok) throw new Error('not read');
    return { ...found.value.read.value, header: found.value.layout.header };
  }

  it('what is told of events among the rows heads nothing and takes no row away', async () => {
    for (const event of [
      'Dither, started',
      'INFO,',
      '2026-11-24T20:00:00 The star was lost',
      'a, b, c, d, e',
      'settling',
    ]) {
      const { series, header } = await seriesOf(rows((i) => (i % 50 === 49 ? event : usual(i * 2))));
      expect([header, series.timeS.length, series.timeS.at(-1)], event).to.deep.equal([
        ['time', 'ra', 'dec'],
        392,
        796,
      ]);
    }
  });

  it('a second heading among the rows still begins another log; the longer one is read', async () => {
    const other = `time_s,dec,ra\n${Array.from({ length: 500 }, (_, i) => `${i},0.1,${i % 7}`).join('\n')}`;
    const { series, header } = await seriesOf(`${rows((i) => usual(i * 2))}\n${other}`);
    expect([header, series.timeS.length]).to.deep.equal([['time_s', 'dec', 'ra'], 500]);
  });

  it('any number of words above the heading are only words', async () => {
    const words = Array.from({ length: 3000 }, (_, i) => `Setting ${i}, exposure = 2 s, gain 100`).join('\n');
    const { series, header } = await seriesOf(`${words}\n${rows((i) => usual(i * 2))}`);
    expect([header, series.timeS.length]).to.deep.equal([['time', 'ra', 'dec'], 400]);
  });

  it('days, seconds and their parts since long ago are told by their size', async () => {
    const startS = 1_795_550_000;
    const ways: Record<string, (s: number) => string> = {
      julian: (s) => ((startS + s) / 86_400 + 2_440_587.5).toFixed(7),
      seconds: (s) => String(startS + s),
      milli: (s) => String((startS + s) * 1000),
      micro: (s) => `${startS + s}000000`,
      nano: (s) => `${startS + s}000000000`,
    };
    for (const [name, way] of Object.entries(ways)) {
      const { series } = await seriesOf(rows((i) => usual(way(i * 2))));
      expect(series.timeS.at(-1), name).to.be.closeTo(798, 0.02);
    }
  });

  it('a remark as long as a book tells no more than its beginning', async () => {
    const found = await open(textBytes(`# ${'1234567890'.repeat(4000)}\n${rows((i) => usual(i * 2))}`));
    expect(found.ok && found.value.layout.remarks[0]!.length).to.be.at.most(500);
  });
});
