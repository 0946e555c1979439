import { expect } from 'chai';
import { platformRun } from '../../../../src/core/night/advice/platformRun.ts';
import { nightAt, nightEventList } from '../../../../src/core/night/nightAt.ts';
import { tonight } from '../../../../src/core/night/advice/tonight.ts';
import type { NightStatic } from '../../../../src/core/night/nightStatic.ts';
import { orderOfNight } from '../../../../src/core/night/ledger/ledger.ts';
import { packingModel } from '../../../../src/features/payload/packingModel.ts';
import { footingSaying, payloadOfNight } from '../../../../src/features/payload/model.ts';
import { pivotHeightM } from '../../../../src/core/rig/pivot.ts';
import { rigHas } from '../../../../src/core/rig/rigHas.ts';
import type { Carrier } from '../../../../src/core/rig/dressing/carriers.ts';
import { isBox, mayGuide } from '../../../../src/features/start/answers.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { platformSentence } from '../../../../src/text/platformWords.ts';
import { plain } from '../../../../src/text/said.ts';
import { derived, NOW, PORTUGAL } from '../../../support/ownNights.ts';
import { reading } from '../../../support/records.ts';

const f = makeFormat('metric', 'UTC');
const answers = (carrier: Carrier) => ({
  where: PORTUGAL,
  rigName: 'Own',
  rig: {
    carrier,
    size: 'middle' as const,
    finder: 'none' as const,
    optics: { kind: 'newtonian' as const, focalMm: 1200, apertureMm: 200 },
    sensor: 'eye' as const,
    guided: false,
  },
});
const stepsOf = ({ run }: NightStatic): string[] => run.stops.map((stop) => stop.step);

describe('what the hand pushes, and what tilts under it', () => {
  it('a pushed mount has neither power nor pole; a platform has both, and runs out', () => {
    const [pushed, box, platform] = (['pushedAltAzimuth', 'floorReflector', 'tiltingPlatform'] as const).map(
      (carrier) => derived(answers(carrier)),
    );
    const has = [pushed!, box!, platform!].map((night) => rigHas(night.numbers));
    expect(
      has.map((one) => ['motor', 'slew', 'clutches', 'bar', 'flip', 'scale'].some((t) => one.has(t as never))),
    ).to.deep.equal([false, false, true]);
    expect(has.map((one) => [one.has('motor'), one.has('polarAxis'), one.has('legs')])).to.deep.equal([
      [false, false, true],
      [false, false, false],
      [true, true, false],
    ]);
    expect(stepsOf(box!)).to.include('balance').and.not.include('polar').and.not.include('watch');
    expect(stepsOf(platform!).filter((s) => ['level', 'polar', 'balance', 'watch'].includes(s))).to.deep.equal([
      'level',
      'polar',
      'balance',
      'watch',
    ]);
    expect(orderOfNight(box!)).to.deep.equal([
      'boardDown',
      'boxOn',
      'tubeInBox',
      'finderOn',
      'dress',
      'balance',
      'focus',
    ]);
    expect(orderOfNight(platform!)).to.include.members(['platformDown', 'level', 'bearing', 'roughPole', 'powerOn']);
  });

  it('a box stands low on its board, does not tip, and asks for a chart where nothing finds by itself', () => {
    const night = derived(answers('floorReflector'));
    const { mount, support } = night.numbers;
    expect(support!.supportKind).to.equal('board');
    expect(pivotHeightM(mount, support)).to.be.within(0.3, 0.7);
    expect(footingSaying(payloadOfNight(night.records)).code).to.equal('board');
    const { tools } = packingModel(night, 'pack');
    expect(tools.map((t) => t.tool))
      .to.include('chart')
      .and.not.include('compass');
  });

  it('the run begins with the last time it was set back, for as long as was told, else an hour', () => {
    const at = (minute: number) => `2026-11-24T19:${String(minute).padStart(2, '0')}:00.000Z`;
    const set = (minute: number) => ({ id: `r${minute}`, takenAtUtc: at(minute), recordedAtUtc: at(minute) });
    const of = (...minutes: number[]) =>
      derived(answers('tiltingPlatform'), ({ nightId, rigId }) =>
        minutes.map((minute) =>
          reading('event', { what: 'platformReset' }, { ...set(minute), nightId, subject: { type: 'rig', id: rigId } }),
        ),
      );
    expect(platformRun(of())).to.deep.equal({ runMin: 60, assumed: true, sinceMs: null, endsMs: null });
    const twice = platformRun(of(5, 12))!;
    expect([twice.sinceMs, twice.endsMs]).to.deep.equal([Date.parse(at(12)), Date.parse(at(12)) + 3_600_000]);
    expect(plain(platformSentence(twice, twice.sinceMs!, f))).to.equal('It follows until 20:12: then set it back.');
    expect(plain(platformSentence(twice, twice.endsMs!, f))).to.match(/^Its run ended at 20:12: set it back/);
    const told = of(5);
    const mount = { ...told.numbers.mount!, runMinutes: 45 };
    expect(platformRun({ ...told, numbers: { ...told.numbers, mount } })).to.include({ runMin: 45, assumed: false });
    expect(platformRun(derived(answers('altAzimuth')))).to.equal(null);
    expect(tonight(told, nightAt(told, NOW)).platform).to.deep.equal(platformRun(told));
  });

  it('a camera on a platform rests while it is set back: no sub outlasts a run, and the card names each', () => {
    const { rig } = answers('tiltingPlatform');
    const night = derived({
      ...answers('tiltingPlatform'),
      rig: { ...rig, sensor: { format: 'reduced' as const, megapixels: 24 } },
    });
    const resets = nightEventList(night).filter((e) => e.code === 'reset');
    const { breaks } = night.plan!;
    expect(resets.map((e) => e.timeMs)).to.deep.equal(breaks.map((b) => b.startMs));
    expect(resets.length).to.be.at.least(2);
    for (const b of breaks) expect((b.endMs - b.startMs) / 60_000).to.be.within(3, 4);
    const runs = [night.plan!.subs[0]!.startMs, ...breaks.map((b) => b.endMs)];
    breaks.forEach((b, i) => expect(b.startMs - runs[i]!).to.be.at.most(60 * 60_000));
    expect(
      derived({
        ...answers('altAzimuth'),
        rig: { ...rig, carrier: 'altAzimuth', sensor: { format: 'reduced' as const, megapixels: 24 } },
      }).plan!.breaks,
    ).to.be.empty;
  });

  it('only what follows can be guided, and no lens lies in a box', () => {
    const guided = (carrier: Carrier, raMotor = false) => mayGuide({ carrier, raMotor, format: 'reduced' });
    expect([guided('byHand'), guided('byHand', true), guided('altAzimuth'), guided('trackerBallHead')]).to.deep.equal([
      false,
      true,
      true,
      true,
    ]);
    expect((['pushedAltAzimuth', 'floorReflector', 'tiltingPlatform'] as const).map((c) => guided(c))).to.deep.equal([
      false,
      false,
      false,
    ]);
    expect([isBox('floorReflector'), isBox('tiltingPlatform'), isBox('forkOnWedge'), isBox('')]).to.deep.equal([
      true,
      true,
      false,
      false,
    ]);
  });
});
