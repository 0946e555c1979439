import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Cancelled } from '../../../core/work.ts';
import type { Stack } from '../../../core/optics/stack/fitStack.ts';
import { whereItFails } from '../../../core/optics/stack/whereItFails.ts';
import { boxFit, trainWithStack, type RigFit } from '../../../core/rig/boxFit.ts';
import { lengthMmOf } from '../../../core/rig/trainEdit.ts';
import { updateHead } from '../../../storage/heads.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { taskSession } from '../../../session/taskSession.ts';
import { useWatched } from '../../../session/useWatched.ts';
import { useWrite } from '../../../session/useWrite.ts';
import { WorkGoing } from '../../../session/WorkGoing.tsx';
import {
  FIT,
  fittedToWords,
  notTriedWords,
  nothingWords,
  offWords,
  stackWords,
  toBuyWords,
  triedWords,
} from '../../../text/fitWords.ts';
import { StackBar } from '../../../ui/instruments/StackBar.tsx';
import { Problem } from '../../../ui/Problem.tsx';
import type { FitFound, FitTask } from '../../../workers/fit.worker.ts';

const opened = taskSession<FitTask>(
  () => new Worker(new URL('../../../workers/fit.worker.ts', import.meta.url), { type: 'module' }),
);

type RowProps = { stack: Stack; wantedMm: number; longestMm: number; toleranceMm: number; take: () => void };

function Row({ stack, wantedMm, longestMm, toleranceMm, take }: RowProps) {
  const { parts } = useNight().records;
  const { format } = useShared();
  const found = stack.ids.map((id) => parts.find((p) => p.id === id));
  const words = stackWords(
    found.map((part, i) => part?.name ?? stack.ids[i] ?? ''),
    stack.shimsMm,
    format,
  );
  return (
    <li>
      <StackBar
        pieces={found.flatMap((part) => (part ? [{ id: part.id, lengthMm: lengthMmOf(part) ?? 0 }] : []))}
        shimsMm={stack.shimsMm}
        wantedMm={wantedMm}
        longestMm={longestMm}
        withinTolerance={Math.abs(stack.errorMm) <= toleranceMm}
      />
      <span className="name">{words}</span>
      <span className="figures">
        {format.quantity(stack.lengthMm, 'opticsMm', 2)}, {offWords(stack, format)}
      </span>
      <Button variant="outline" onClick={take} aria-label={`${FIT.take}: ${words}`}>
        {FIT.take}
      </Button>
    </li>
  );
}

function Found({ found, fit }: { found: FitFound; fit: RigFit }) {
  const { numbers, records } = useNight();
  const { rig, parts } = records;
  const { format } = useShared();
  const write = useWrite();
  const take = (stack: Stack): void => {
    // The solver takes every piece as it is drawn in the box.
    const fresh = { train: trainWithStack(rig.train, parts, stack), turned: [] };
    void write(['train', rig.id, fresh], (w) => updateHead(w, 'rigs', rig.id, fresh, { baseRev: rig.rev }), FIT.taken);
  };
  const name = (id: string): string => parts.find((p) => p.id === id)?.name ?? id;
  const { input, toleranceMm } = fit;
  const longestMm = Math.max(input.neededMm, ...found.best.map((s) => s.lengthMm)) * 1.02;
  return (
    <>
      {found.best.length === 0 && <Problem>{nothingWords(whereItFails(input.box, input.ends), name)}</Problem>}
      {found.best.length > 0 && (
        <ol className="sequence stacks" aria-label={FIT.found}>
          {found.best.map((stack) => (
            <Row
              key={[...stack.ids, ...stack.shimsMm].join()}
              stack={stack}
              wantedMm={input.neededMm}
              longestMm={longestMm}
              toleranceMm={toleranceMm}
              take={() => take(stack)}
            />
          ))}
        </ol>
      )}
      {!found.proven && <p className="soft">{FIT.unproven}</p>}
      {found.toBuy && <p>{toBuyWords(found.toBuy, name, format)}</p>}
      {fit.leftOut.length > 0 && <p className="soft">{notTriedWords(fit.leftOut.map(name))}</p>}
      {numbers.lightPath.assumed.includes('thread') && <p>{fittedToWords(input.ends.cameraFront)}</p>}
    </>
  );
}

type Outcome = { of: string; found: FitFound | null; problem: string | null };

/** Five stacks from the user's own pieces, the nearest first; one of them becomes the rig's train. */
export function FitFromBox() {
  const { numbers, records } = useNight();
  const { format } = useShared();
  const { going, watch } = useWatched();
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const { lightPath, camera } = numbers;
  const fit = boxFit(lightPath, camera, records.parts, records.rig.train);
  if (!fit || records.fromSnapshot) return null;
  // What was found of another box, camera or filter is not shown any more.
  const of = JSON.stringify(fit);
  const run = async (asked: RigFit): Promise<void> => {
    try {
      const found = await watch(async (options) => (await opened()).run(asked, options));
      setOutcome({ of, found, problem: null });
    } catch (error) {
      setOutcome({ of, found: null, problem: error instanceof Cancelled ? FIT.cancelled : FIT.died });
    }
  };
  const shown = outcome?.of === of ? outcome : null;
  return (
    <div className="section">
      <h2>{FIT.title}</h2>
      <p className="soft mb-1">
        {FIT.hint} {triedWords(fit.input.mostShimsMm, format)}
      </p>
      {going ? (
        <WorkGoing going={going} />
      ) : (
        <div className="actions">
          <Button variant="primary" onClick={() => void run(fit)}>
            {FIT.start}
          </Button>
        </div>
      )}
      {shown?.problem != null && <Problem>{shown.problem}</Problem>}
      {shown?.found && <Found found={shown.found} fit={fit} />}
    </div>
  );
}
