import type { ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { settingOf, type SettingValue } from '../../core/records/setting.ts';
import { clockWords, wallTime, zoneAnswer } from '../../core/time/civil.ts';
import { orderOfDevice } from '../../session/writtenTimes.ts';
import { useSaveSetting } from '../../session/useWrite.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { LATITUDE_LETTERS, LONGITUDE_LETTERS } from '../../text/format.ts';
import {
  ANGLE_STYLES,
  controllerAngle,
  controllerDate,
  DATE_ORDERS,
  offsetWords,
  SHEET_SENTENCE,
  sheetReason,
  summerWords,
} from '../../text/pointingWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';

const two = (n: number): string => String(n).padStart(2, '0');

type ControllerSetting = SettingValue<'controller'>;

/** As it was said of this controller, else with the device's order of a date. */
function useController(): ControllerSetting {
  const { settings } = useShared().stored;
  const told = settingOf(settings, 'controller');
  const isTold = settings.some((one) => one.key === 'controller' && one.deletedAtUtc === null);
  return isTold ? told : { ...told, dateOrder: orderOfDevice() };
}

function Answers() {
  const { format } = useShared();
  const { site } = useNight().records;
  const at = useNightAt();
  const { angles, dateOrder } = useController();
  const zone = zoneAnswer(at.timeMs, site.zoneIana);
  const wall = wallTime(at.timeMs, site.zoneIana);
  const date = `${wall.year}-${two(wall.month)}-${two(wall.day)}`;
  const polarH = (at.poleStar.haH + 24) % 24;
  const rows: [string, string][] = [
    ['Longitude', controllerAngle(site.lonDeg, LONGITUDE_LETTERS, angles)],
    ['Latitude', controllerAngle(site.latDeg, LATITUDE_LETTERS, angles)],
    ['Elevation', format.quantity(site.elevationM, 'elevation')],
    ['Time zone, without summer time', offsetWords(zone.standardMin)],
    ['Summer time', summerWords(zone)],
    [`Date (${DATE_ORDERS[dateOrder]})`, controllerDate(date, dateOrder)],
    ['Time', clockWords(wall, format.written.halfDays)],
    [`Hour angle of ${at.poleStar.name}`, format.hours(polarH)],
  ];
  return (
    <table className="sheet-table">
      <tbody>
        {rows.map(([question, answer]) => (
          <tr key={question}>
            <th scope="row">{question}</th>
            <td className="figures">{answer}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How this controller wants its numbers. */
function Styles() {
  const saveSetting = useSaveSetting();
  const controller = useController();
  const save = (change: Partial<typeof controller>): void => {
    saveSetting('controller', { ...controller, ...change });
  };
  const choice = <K extends 'angles' | 'dateOrder'>(
    key: K,
    label: string,
    names: Record<(typeof controller)[K], string>,
  ) => (
    <Form.Group controlId={`controller-${key}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Select value={controller[key]} onChange={(event) => save({ [key]: event.target.value })}>
        {Object.entries<string>(names).map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
  return (
    <div className="section fields">
      {choice('angles', 'It asks for angles in', ANGLE_STYLES)}
      {choice('dateOrder', 'It asks for the date as', DATE_ORDERS)}
    </div>
  );
}

/** What to key in, in the order in which controllers ask. */
export function ControllerSheet({ tabs }: { tabs: ReactNode }) {
  const { site } = useNight().records;
  const { timeMs } = useNightAt();
  return (
    <BenchLayout
      title="Focus and pointing"
      tabs={tabs}
      sentence={SHEET_SENTENCE}
      reason={sheetReason(zoneAnswer(timeMs, site.zoneIana))}
      instrumentName="The sheet"
      instrument={<Answers />}
    >
      <Styles />
    </BenchLayout>
  );
}
