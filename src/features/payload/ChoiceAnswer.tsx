import {
  USE_WANTS,
  type ChoiceQuestion,
  type ChoiceUse,
  type ClassAnswer,
  type MountChoice,
} from '../../core/rig/mountChoice.ts';
import { tryOut } from '../../core/rig/tryOut.ts';
import { useShared } from '../../session/session.ts';
import { CLASS_NAMES, STAR_NAMES, TRY_OUT, tryWords, TUBE_NAMES } from '../../text/choiceWords.ts';
import { LOAD_NAMES } from '../../text/payloadWords.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import { ScrollTable } from '../../ui/ScrollTable.tsx';

/** Long subs are judged by their stars, who looks by where the eye has to be. */
function Classes({ classes, use }: { classes: readonly ClassAnswer[]; use: ChoiceUse }) {
  const { format } = useShared();
  const { judgesStars } = USE_WANTS[use];
  const byEye = use === 'looking';
  return (
    <ScrollTable
      label="Classes of mounts"
      headings={[
        'Class',
        'Load',
        ...(judgesStars ? ['Stars'] : []),
        'To carry',
        'Pieces',
        ...(byEye ? ['Eye at'] : []),
      ]}
    >
      {classes.map((one) => (
        <tr key={one.mount.id} className={one.enough ? 'shown' : undefined}>
          <th scope="row">
            <strong>{CLASS_NAMES[one.mount.id]}</strong>
            <span className="soft">rated {format.quantity(one.mount.ratedKg, 'mass', 0)}</span>
          </th>
          <td>
            <span className="figures">{format.quantity(one.loadShare, 'percent')}</span> {LOAD_NAMES[one.load]}
          </td>
          {judgesStars && (
            <td>
              {STAR_NAMES[one.stars]}, {format.quantity(one.account.shareAcceptable, 'percent')} usable
            </td>
          )}
          <td className="figures">{format.quantity(one.carriedKg, 'mass', 0)}</td>
          <td className="figures">{one.pieces}</td>
          {byEye && (
            <td className="figures">
              {format.number(format.shown(one.eyeHeightM[0], 'length'), 1)} to{' '}
              {format.quantity(one.eyeHeightM[1], 'length', 1)}
            </td>
          )}
        </tr>
      ))}
    </ScrollTable>
  );
}

function Optics({ choice, use }: { choice: MountChoice; use: ChoiceUse }) {
  const { format } = useShared();
  const { focalMm, apertureMm, scaleArcsecPerPx, tube } = choice.optics;
  return (
    <FigureList
      figures={[
        { name: 'Focal length', value: format.quantity(focalMm, 'opticsMm', 0) },
        { name: 'Aperture', value: format.quantity(apertureMm, 'opticsMm', 0) },
        // An eye has no pixels, and short frames take a barlow as they need it.
        ...(!USE_WANTS[use].judgesStars
          ? []
          : [{ name: 'Scale', value: format.quantity(scaleArcsecPerPx, 'imageScale') }]),
        { name: `The ${TUBE_NAMES[tube.kind]}`, value: format.quantity(tube.massKg, 'mass', 1) },
        { name: 'With all on it', value: format.quantity(choice.tubeSideKg, 'mass', 1) },
      ]}
    />
  );
}

/** What to try before it is bought or kept. */
function TryOut({ choice, question }: { choice: MountChoice; question: Pick<ChoiceQuestion, 'use' | 'exposureS'> }) {
  const { format } = useShared();
  const steps = tryOut(choice, question).map((step) => ({ code: step.code, ...tryWords(step, format) }));
  if (steps.length === 0) return null;
  return (
    <div className="section">
      <h2>{TRY_OUT.title}</h2>
      <p className="soft">{TRY_OUT.hint}</p>
      <ol>
        {steps.map((step) => (
          <li key={step.code} className="mb-2">
            <strong>{step.do}.</strong> {step.shows}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** What is enough, and what to try of it. */
export function Answer({ choice, question }: { choice: MountChoice; question: ChoiceQuestion }) {
  return (
    <>
      <Optics choice={choice} use={question.use} />
      <Classes classes={choice.classes} use={question.use} />
      <TryOut choice={choice} question={question} />
    </>
  );
}
