import { Button } from 'react-bootstrap';
import type { Adjuster } from '../../../core/pole/poleWalk.ts';
import type { MountPart } from '../../../core/records/part.ts';
import { useNight } from '../../../session/session.ts';
import { useWrite } from '../../../session/useWrite.ts';
import { updateHead } from '../../../storage/heads.ts';
import { NO_ADJUSTERS_WORDS, SIDE_QUESTIONS } from '../../../text/knobWords.ts';

type Moves = NonNullable<MountPart['adjusters']>['altitude']['clockwiseMoves'];
const ANSWERS = {
  altitude: [
    ['up', SIDE_QUESTIONS.altitude.up],
    ['down', SIDE_QUESTIONS.altitude.down],
  ],
  azimuth: [
    ['east', SIDE_QUESTIONS.azimuth.east],
    ['west', SIDE_QUESTIONS.azimuth.west],
  ],
} as const;

const UNKNOWN = { pitchMm: null, leverMm: null, clockwiseMoves: null };
const NO_ADJUSTERS = { altitude: { ...UNKNOWN, paired: false }, azimuth: { ...UNKNOWN, paired: true } };

/** Asked once per mount: whether it has bolt and knobs, and which way each moves the axis; kept with the mount. */
export function AskSides() {
  const { records, numbers } = useNight();
  const write = useWrite();
  const { mount } = numbers;
  if (!mount || records.fromSnapshot) return null;
  const keep = (adjusters: NonNullable<MountPart['adjusters']>): void =>
    void write(['adjusters', mount.id, adjusters], (w) => updateHead(w, 'parts', mount.id, { adjusters }));
  const { adjusters } = mount;
  if (adjusters === null)
    return (
      <div className="section">
        <p className="mb-1">{NO_ADJUSTERS_WORDS}</p>
        <Button variant="outline" onClick={() => keep(NO_ADJUSTERS)}>
          This mount has them
        </Button>
      </div>
    );
  const open = (['altitude', 'azimuth'] as const).filter((a) => adjusters[a].clockwiseMoves === null);
  const answer = (adjuster: Adjuster, clockwiseMoves: Moves): void =>
    keep({ ...adjusters, [adjuster]: { ...adjusters[adjuster], clockwiseMoves } });
  return open.map((adjuster) => (
    <div className="section" key={adjuster}>
      <p className="mb-1">{SIDE_QUESTIONS[adjuster].ask}</p>
      <div className="actions">
        {ANSWERS[adjuster].map(([moves, words]) => (
          <Button key={moves} variant="outline" onClick={() => answer(adjuster, moves)}>
            {words}
          </Button>
        ))}
      </div>
    </div>
  ));
}
