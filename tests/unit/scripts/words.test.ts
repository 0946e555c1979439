import { expect } from 'chai';
import { unfitWords } from '../../../scripts/trials/unfitWords.ts';
import { contradictions, emptyPlan } from '../../../scripts/trials/wordsTrial.ts';
import { derived, PORTUGAL } from '../../support/ownNights.ts';

const rig = {
  size: 'middle' as const,
  finder: 'none' as const,
  optics: { kind: 'newtonian' as const, focalMm: 1200, apertureMm: 200 },
  guided: false,
};
const box = derived({
  where: PORTUGAL,
  rigName: 'Own',
  rig: { ...rig, carrier: 'floorReflector', sensor: 'eye' },
});
const what = (...lines: string[]): string[] => unfitWords(box, [{ name: 'level', lines }]).map((one) => one.what);

describe('reading every page', () => {
  it('finds words of what a rig lacks, and leaves those of what it has', () => {
    expect(what('Open the clutch.', 'Slide the weight outward.', 'Point it at the pole.')).to.deep.equal([
      'no clutches',
      'no bar',
      'no polarAxis',
    ]);
    expect(what('Turn a leg.', 'Cables free.', 'Send it by the controller.', 'The camera looks.')).to.deep.equal([
      'no legs',
      'no cables',
      'no slew',
      'no camera',
    ]);
    expect(what('Push the tube low, let go.', 'Begin with the 25 mm eyepiece.')).to.deep.equal([]);
  });

  it('what the run says once may be said, and only that', () => {
    const once = 'No polar alignment: this mount has no polar axis.';
    const pages = (line: string) => [
      { name: 'run', lines: [once] },
      { name: 'tonight', lines: [line] },
    ];
    expect(unfitWords(box, pages(once))).to.deep.equal([]);
    expect(unfitWords(box, pages(`${once} Really.`))).to.have.length(1);
  });

  it('finds mishaps of a sentence', () => {
    expect(
      what('Hydrus in in view.', 'NaN mm', 'Wait 416 min.', '1 nights', 'Stop ..', 'two  blanks', 'a eye', '{20 kg}'),
    ).to.deep.equal([
      'a word doubled',
      'no value',
      'many minutes',
      'one of several',
      'a stop too many',
      'a blank too many',
      'no article',
      'a unit not told in the user’s',
    ]);
  });

  it('finds two figures of one name on two pages, not two on one', () => {
    const page = (name: string, ...lines: string[]) => ({ name, lines });
    expect(contradictions([page('a', 'Usable subs', '95%'), page('b', 'Usable subs', '90%')])).to.have.length(1);
    expect(contradictions([page('a', 'Usable subs', '95%'), page('b', 'Usable subs', '95%')])).to.deep.equal([]);
    expect(contradictions([page('a', 'Usable subs', '95%', 'Usable subs', '90%')])).to.deep.equal([]);
  });

  it('finds a plan whose subs nobody can have', () => {
    const still = derived({
      where: PORTUGAL,
      rigName: 'Own',
      rig: {
        ...rig,
        carrier: 'germanEquatorial',
        optics: { kind: 'refractor', focalMm: 480, apertureMm: 80 },
        sensor: { format: 'reduced', megapixels: 24, body: 'telescope' },
      },
    });
    expect(emptyPlan(still)).to.equal(null);
    const plan = still.plan!;
    expect(emptyPlan({ ...still, plan: { ...plan, subs: [] } })).to.match(/no sub of .* fits/);
    expect(emptyPlan({ ...still, plan: { ...plan, integrationS: 20 } })).to.match(/20 s of light/);
    expect(emptyPlan({ ...still, entry: { ...still.entry!, subS: 7200 } })).to.match(/none of them usable/);
  });
});
