import { mountTraits } from '../../../core/mount/mountKinds.ts';
import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { z } from 'zod';
import type { TrackAnalysis } from '../../../core/tracking/analyseTrack.ts';
import type { FolderFile } from '../../../frames/folder.ts';
import type { StandInMount } from '../../../standins/mountStream.ts';
import { driveOfOtherNight } from '../../../core/night/learned/driveOfOtherNight.ts';
import { turnOfDrive, type OwnTurn } from '../../../core/rig/driveTurn.ts';
import { earlierDrive, trackValues } from '../../../core/tracking/trackReading.ts';
import { toCsv } from '../../../formats/csv.ts';
import { Queries } from '../../../session/Queries.tsx';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useShared, type NewReadingHere } from '../../../session/session.ts';
import { WorkGoing } from '../../../session/WorkGoing.tsx';
import {
  guiderAdvice,
  LOG,
  logReason,
  logSaying,
  logSentence,
  logFigures,
  ONE_SESSION,
  rowsWords,
  type LogSaying,
} from '../../../text/logWords.ts';
import { columnsWords, DOUBT_WORDS, lostWords, noteWords } from '../../../text/logReadingWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { FigureList } from '../../../ui/FigureList.tsx';
import { CheckField, QuantityField } from '../../../ui/form/Fields.tsx';
import { Problem } from '../../../ui/Problem.tsx';
import { Awaited } from '../../../ui/later.tsx';
import { saveFile } from '../../../ui/saveFile.ts';
import { useDrawn } from '../../../ui/useDrawn.ts';
import type { LogTold } from '../../../workers/log.worker.ts';
import { DriftForPole } from './DriftForPole.tsx';
import { LogCourse, LogPeriods } from './LogCharts.tsx';
import { LogMappingForm } from './LogMappingForm.tsx';
import { LogCuts, type Shown } from './LogCuts.tsx';
import { tenth } from './logModel.ts';
import { CountedDrive } from './CountedDrive.tsx';
import { FolderDoor } from './FolderDoor.tsx';
import { StandInDoor } from './StandInDoor.tsx';
import { useFolder } from './useFolder.ts';
import { useLog, type LogHere, type LogState } from './useLog.ts';
import { useStandIn } from './useStandIn.ts';

const schema = z.object({ decDeg: z.number().min(-85).max(85), atAxis: z.boolean() });
type Fields = { decDeg: number | null; atAxis: boolean };

/** The drive of this log as a reading; what a guider reached as another one. */
function RecordDrive({ analysis }: { analysis: TrackAnalysis }) {
  const { records, targetSky } = useNight();
  const { format } = useShared();
  const toReading = ({ decDeg, atAxis }: z.infer<typeof schema>) => {
    const mount = { type: 'mount' as const, id: records.rig.mountId };
    const drive: NewReadingHere = {
      step: 'tracking',
      subject: mount,
      kind: 'track',
      source: 'log',
      values: trackValues(analysis, atAxis ? 0 : decDeg),
    };
    const { guided } = analysis;
    const night = { type: 'night' as const, id: records.night.id };
    const rms: NewReadingHere[] = guided
      ? [{ step: 'tracking', subject: night, kind: 'guiding', source: 'log', ...guided }]
      : [];
    const { decPlayArcsec } = analysis;
    const play: NewReadingHere[] =
      decPlayArcsec === null
        ? []
        : [
            {
              step: 'tracking',
              subject: mount,
              kind: 'backlash',
              source: 'log',
              values: { arcsec: decPlayArcsec, axis: 'dec' },
            },
          ];
    return { reading: [drive, ...rms, ...play], said: analysis.periodic ? LOG.recorded : LOG.otherRecorded };
  };
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title={analysis.periodic ? LOG.record : LOG.recordOther}
      button={analysis.periodic ? LOG.record : LOG.recordOther}
      schema={schema}
      defaults={{ decDeg: targetSky ? tenth(targetSky.ofDate.decDeg) : 0, atAxis: false }}
      toReading={toReading}
      keep
    >
      <QuantityField name="decDeg" label={LOG.decDeg} kind="angleDeg" system={format.system} hint={LOG.decHint} />
      <CheckField name="atAxis" label={LOG.atAxis} />
    </RecordForm>
  );
}

function saveCurve({ points }: TrackAnalysis): void {
  const rows = Array.from(points.timeS, (timeS, i) => ({
    timeS,
    raArcsec: points.ra[i] ?? 0,
    decArcsec: points.dec[i] ?? 0,
  }));
  saveFile('tracking-curve.csv', new Blob([toCsv(rows)], { type: 'text/csv' }));
}

type FoundProps = { log: LogHere; state: Extract<LogState, { at: 'read' }>; own: OwnTurn | null; cuts: Shown };

function Found({ log, state: { told, origin }, own, cuts }: FoundProps) {
  const isReal = origin === 'mount';
  const { numbers, records, targetSky } = useNight();
  const { mount } = numbers;
  const { format } = useShared();
  const isDrawn = useDrawn();
  if (!told.found.ok) return null;
  const { analysis, rows, unusable, gaps, clockSteps } = told.found.value;
  const earlier = isReal ? earlierDrive(analysis, driveOfOtherNight(records), targetSky?.ofDate.decDeg ?? 0) : null;
  return (
    <>
      <LogCourse analysis={analysis} breaks={{ gaps, clockSteps }} cutAt={log.cutAt} />
      <p className="soft">{rowsWords(rows, unusable, gaps.length, analysis.jumps.length)}</p>
      {!analysis.isWhole && <p>{ONE_SESSION}</p>}
      <LogCuts analysis={analysis} cutAt={log.cutAt} shown={cuts} />
      {isReal && <RecordDrive analysis={analysis} />}
      <div className="section">
        <FigureList figures={logFigures(analysis, own, format)} />
        {guiderAdvice(analysis.guider, format).map((words) => (
          <p key={words} className="mb-1">
            {words}
          </p>
        ))}
        <Button variant="outline" onClick={() => saveCurve(analysis)}>
          {LOG.saveCurve}
        </Button>
      </div>
      {isDrawn ? (
        <>
          <LogPeriods analysis={analysis} earlier={earlier} />
          {isReal && mountTraits(mount).hasPolarAxis && <DriftForPole analysis={analysis} />}
        </>
      ) : (
        <Awaited />
      )}
    </>
  );
}

function sayingOf(state: LogState, own: OwnTurn | null): LogSaying {
  if (state.at === 'refused') return { code: 'refused', why: state.why, figures: {} };
  if (state.at !== 'read') return { code: 'none' };
  const { found } = state.told;
  if (!found.ok) return { code: 'refused', why: found.code, figures: found.figures };
  const saying = logSaying(found.value.analysis, own);
  return saying.code === 'told' && state.origin === 'standIn' ? { ...saying, code: 'standIn' } : saying;
}

function Door({ isFirst, choose }: { isFirst: boolean; choose: (file: File) => void }) {
  const [over, setOver] = useState(false);
  return (
    <div
      className={over ? 'drop-door over' : 'drop-door'}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const file = event.dataTransfer.files[0];
        if (file) choose(file);
      }}
    >
      <label className={isFirst ? 'btn btn-primary' : 'btn btn-outline'} htmlFor="log-file">
        {isFirst ? LOG.choose : LOG.other}
      </label>
      <input
        id="log-file"
        className="visually-hidden"
        type="file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) choose(file);
          // The same file chosen again is read again.
          event.target.value = '';
        }}
      />
      <span className="soft">{LOG.drop}</span>
    </div>
  );
}

/** What was chosen and made of it, before anything is told by it. */
function HowRead({ told: { layout, mapping, doubts, found } }: { told: LogTold }) {
  const { format } = useShared();
  const said = [
    columnsWords(layout.header, mapping),
    ...doubts.map((doubt) => DOUBT_WORDS[doubt]),
    ...(found.ok ? found.value.notes.map((note) => noteWords(note, format)) : []),
    ...(found.ok ? lostWords(found.value.analysis.lost) : []),
  ];
  return (
    <ul className="soft plain-list" aria-label={LOG.howRead}>
      {said.map((words, i) => (
        <li key={i}>{words}</li>
      ))}
    </ul>
  );
}

/** How it is read, open where the guess is doubtful. */
function Layout({ told, readAs }: { told: LogTold; readAs: LogHere['readAs'] }) {
  return (
    <details className="section" open={told.doubts.length > 0 || !told.found.ok}>
      <summary>{LOG.layout}</summary>
      <LogMappingForm key={JSON.stringify(told.mapping)} told={told} readAs={readAs} />
    </details>
  );
}

/** Where logs come from: one at a time, whichever was asked for last. */
function useSources(log: LogHere) {
  const folder = useFolder((file) => log.readOn(file, 'mount'));
  const standIn = useStandIn((file) => log.readOn(file, 'standIn'));
  return {
    choose: (file: File): void => {
      folder.follow(null);
      standIn.stop();
      log.read(file);
    },
    folder: {
      ...folder,
      follow: (file: FolderFile | null): void => {
        standIn.stop();
        folder.follow(file);
      },
    },
    standIn: {
      ...standIn,
      start: (mount: StandInMount): void => {
        folder.follow(null);
        standIn.start(mount);
      },
    },
  };
}

function ReadLog(props: FoundProps) {
  const { log, state } = props;
  return (
    <>
      <HowRead told={state.told} />
      <Found {...props} />
      <Layout told={state.told} readAs={log.readAs} />
    </>
  );
}

function LogBench({ tabs }: { tabs: ReactNode }) {
  const { mount } = useNight().numbers;
  const { format } = useShared();
  const ofMount = turnOfDrive(mount);
  const log = useLog(ofMount?.periodS ?? null);
  const { choose, folder, standIn } = useSources(log);
  const [cutsOpen, setCutsOpen] = useState(false);
  const { state, going } = log;
  const own = state.at === 'read' && state.origin === 'standIn' ? null : ofMount;
  const saying = sayingOf(state, own);
  const shown = state.at === 'read' && !going ? state : null;
  return (
    <BenchLayout
      title="Tracking"
      tabs={tabs}
      sentence={logSentence(saying, format)}
      reason={logReason(saying, format)}
      instrumentName="The log"
    >
      {going ? <WorkGoing going={going} /> : <Door isFirst={state.at === 'none'} choose={choose} />}
      {state.at === 'failed' && <Problem>{state.problem}</Problem>}
      {state.at === 'none' && <CountedDrive />}
      {shown && <ReadLog log={log} state={shown} own={own} cuts={{ isOpen: cutsOpen, set: setCutsOpen }} />}
      <FolderDoor folder={folder} />
      <StandInDoor standIn={standIn} />
    </BenchLayout>
  );
}

/** A log of any program, and what the drive does by itself. */
export function LogTab({ tabs }: { tabs: ReactNode }) {
  return (
    <Queries>
      <LogBench tabs={tabs} />
    </Queries>
  );
}
