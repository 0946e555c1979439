import { useMemo, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Rig } from '../../../core/records/rig.ts';
import { rigNumbers } from '../../../core/rig/rigNumbers.ts';
import { useShared } from '../../../session/session.ts';
import { placedByHand, useWrittenRig } from '../../../session/useDraggedRig.ts';
import { plain } from '../../../text/said.ts';
import { RIG, rigSentence } from '../../../text/rigWords.ts';
import { Boundary } from '../../../ui/Boundary.tsx';
import { rearEndOf } from '../../../core/rig/lookerPlace.ts';
import { TUBE_ENDS, type TubeEnds } from '../../../text/tubeEnds.ts';
import { RigDrawing, type DrawnPiece, type RigMove } from '../../../ui/instruments/RigDrawing.tsx';
import { Said } from '../../../ui/Said.tsx';
import { AddPiece } from './AddPiece.tsx';
import { drawnPieces } from './drawn.ts';
import { PiecePanel } from './PiecePanel.tsx';

type DrawingsProps = {
  pieces: readonly DrawnPiece[];
  chosen: string | null;
  choose: (id: string) => void;
  move: (move: RigMove) => void;
  label: string;
  ends: TubeEnds;
};

function Drawings({ label, ends, ...same }: DrawingsProps) {
  const { format } = useShared();
  return (
    <div className="rig-views">
      <figure>
        <RigDrawing view="behind" label={`${RIG.behind}. ${label}`} words={RIG.behindWords} format={format} {...same} />
        <figcaption>{RIG.behind}</figcaption>
      </figure>
      <figure>
        <RigDrawing
          view="side"
          label={`${RIG.side}. ${label}`}
          words={{ left: ends.front, right: ends.rear }}
          format={format}
          {...same}
        />
        <figcaption>{RIG.side}</figcaption>
      </figure>
    </div>
  );
}

/** The same pieces as buttons, for the finger that does not hit a small one. */
function PieceButtons({ pieces, chosen, choose }: Pick<DrawingsProps, 'pieces' | 'chosen' | 'choose'>) {
  return (
    <div className="piece-buttons" role="group" aria-label={RIG.pieces}>
      {pieces.map((p, at) => (
        <Button key={p.id} variant="outline" size="sm" aria-pressed={p.id === chosen} onClick={() => choose(p.id)}>
          <span className="figures">{at + 1}</span> {p.name}
        </Button>
      ))}
    </div>
  );
}

/** A rig on its drawing: tap a piece to name, weigh, move it or take it off; hang another on. */
export function RigOnDrawing({ rig: stored }: { rig: Rig }) {
  const { stored: all } = useShared();
  const { parts } = all;
  const { base: rig, write } = useWrittenRig({ rig: stored, parts });
  const [chosen, setChosen] = useState<string | null>(null);
  const pieces = useMemo(() => drawnPieces(rig, parts), [rig, parts]);
  const numbers = useMemo(() => rigNumbers(rig, parts), [rig, parts]);
  const offered = useMemo(() => parts.filter((p) => p.deletedAtUtc === null && !p.archived), [parts]);
  const move = ({ id, key, byM }: RigMove): void => {
    const placed = rig.placed.map((p) =>
      p.placedId === id ? { ...placedByHand(p), [key]: Number((p[key] + byM).toFixed(4)) } : p,
    );
    write(placed, id, key);
  };
  const sentence = rigSentence(numbers.gaps, pieces.filter((p) => p.guessed).length);
  const placed = rig.placed.find((p) => p.placedId === chosen);
  const part = parts.find((p) => p.id === placed?.partId);
  return (
    <>
      <p className="sentence" aria-live="polite">
        <Said said={sentence} />
      </p>
      <p className="reason">{RIG.why}</p>
      {pieces.length > 0 && (
        <Boundary what="The rig’s drawing">
          <Drawings
            pieces={pieces}
            chosen={chosen}
            choose={setChosen}
            move={move}
            label={plain(sentence)}
            ends={TUBE_ENDS[rearEndOf(numbers)]}
          />
          <PieceButtons pieces={pieces} chosen={chosen} choose={setChosen} />
        </Boundary>
      )}
      {placed && part && (
        <PiecePanel
          key={`${placed.placedId} ${rig.rev} ${part.rev}`}
          rig={rig}
          placed={placed}
          part={part}
          offered={offered}
          done={() => setChosen(null)}
        />
      )}
      <AddPiece rig={rig} numbers={numbers} offered={offered} hung={setChosen} />
    </>
  );
}
