import { expect } from 'chai';
import { RIG_THINGS, type RigHas, type RigThing } from '../../../src/core/rig/rigHas.ts';
import { STEPS } from '../../../src/core/records/reading.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { calendarTodo, cardEventName } from '../../../src/text/cardWords.ts';
import { inUnits } from '../../../src/text/inUnits.ts';
import { cardCautions, cautionOf } from '../../../src/text/cautions.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const WHOLE: RigHas = new Set(RIG_THINGS.filter((thing) => thing !== 'eye'));
const without = (...things: RigThing[]): RigHas => new Set([...WHOLE].filter((thing) => !things.includes(thing)));
const BY_HAND = without('motor', 'slew');
const isSentence = (said: string, code: string) => expect(said, code).to.match(/^[A-Z][^!]*[.]$/);

describe('cautions and the card speak of what there is', () => {
  it('every station has a caution, of this rig', () => {
    for (const step of STEPS) {
      isSentence(cautionOf(step, WHOLE, f)!, step);
      const byHand = cautionOf(step, without('motor', 'slew'), f);
      isSentence(byHand!, step);
      expect(byHand, step).not.to.match(/slew|[Cc]ables/);
      const pushed = cautionOf(step, without('motor', 'slew', 'clutches', 'bar', 'flip', 'legs'), f) ?? '';
      expect(pushed, step).not.to.match(/slew|clutch|[Ww]eights|flip|leg\b/);
    }
  });

  it('masses and lengths in them are told in the user’s units', () => {
    expect(cautionOf('payload', WHOLE, f)).to.include('over 20 kg with');
    expect(cautionOf('payload', WHOLE, makeFormat('imperial', 'Europe/Lisbon'))).to.include('over 44 lb with');
    expect(inUnits('At {200 m}, {250 mm} up, {20 kg}.', makeFormat('imperial', 'UTC'))).to.match(
      /^At 656 ft, 1?\d in up, 44 lb\.$/,
    );
  });

  it('card and calendar', () => {
    for (const caution of cardCautions(WHOLE)) isSentence(caution, caution);
    expect(cardCautions(without('motor', 'slew')).join(' ')).not.to.match(/slew/);
    const codes = [
      ...(['setUp', 'align', 'sunset', 'dark', 'start', 'refocus', 'flip', 'secondFlip'] as const),
      ...(['limit', 'end', 'dawn', 'sunrise'] as const),
    ];
    for (const code of codes) expect(cardEventName({ code, target: 'M 33' })).to.match(/^[A-Z].+, M 33$/);
    const todos = [WHOLE, BY_HAND].flatMap((has) => codes.flatMap((c) => calendarTodo(c, has) ?? []));
    for (const todo of todos) isSentence(todo, todo);
    expect(todos).to.have.lengthOf(19);
    expect([calendarTodo('flip', WHOLE), calendarTodo('flip', BY_HAND)]).to.deep.equal([
      'Free the cables. Send the tube over.',
      'Carry the tube over by hand.',
    ]);
  });
});
