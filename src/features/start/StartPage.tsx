/** Three screens from nothing to a night of one's own. */
import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ownNight } from '../../core/night/advice/ownNight.ts';
import { MissingPart } from '../../core/missingPart.ts';
import { ok, type Result } from '../../core/result.ts';
import { useSession, useShared } from '../../session/session.ts';
import { useBusy, useWrite } from '../../session/useWrite.ts';
import { writeTogether } from '../../storage/writeTogether.ts';
import type { WriteCode } from '../../storage/transact.ts';
import {
  CARRIER_WORDS,
  pieceName,
  placeName,
  rigNameOf,
  SCREENS,
  SIZE_WORDS,
  START,
  targetName,
  type Screen,
} from '../../text/startWords.ts';
import { CHOOSE } from '../../text/choiceWords.ts';
import { formResolver } from '../../ui/form/formResolver.ts';
import { MissingPartNote } from '../../ui/MissingPartNote.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { Said } from '../../ui/Said.tsx';
import {
  answersSchema,
  ASKED,
  BOX_DRAFT,
  forgetDraft,
  isBox,
  keepDraft,
  keptDraft,
  ownAnswers,
  type Answers,
  type Draft,
} from './answers.ts';
import { Carries, Looks, Where } from './screens.tsx';
import { zoneOf } from './zoneOf.ts';

const SHOWN: Record<Screen, () => React.JSX.Element> = { where: Where, carries: Carries, looks: Looks };

/** What is known so far, above the question. */
function Strip({ screen }: { screen: Screen }) {
  const { format } = useShared();
  const { latDeg, lonDeg, carrier, size, opticsKind, focalMm, format: looker } = useWatch<Draft>();
  const at = SCREENS.indexOf(screen);
  const known = [
    typeof latDeg === 'number' && typeof lonDeg === 'number' ? placeName(latDeg, lonDeg, format) : null,
    carrier && size ? `${CARRIER_WORDS[carrier].name}, ${SIZE_WORDS[size].toLowerCase()}` : null,
    at === 2 && opticsKind && looker && typeof focalMm === 'number'
      ? rigNameOf({ kind: opticsKind, focalMm }, looker, format)
      : null,
  ];
  return (
    <ol className="start-strip" aria-label="What is known so far">
      {SCREENS.map((one, i) => (
        <li key={one} aria-current={one === screen ? 'step' : undefined}>
          <span className="figures">{i + 1}</span> {known[i] ?? START.unknown[one]}
        </li>
      ))}
    </ol>
  );
}

function useScreen(): [Screen, (screen: Screen) => void] {
  const [params, setParams] = useSearchParams();
  const asked = params.get('screen');
  const go = (screen: Screen): void => {
    setParams((before) => {
      before.set('screen', screen);
      return before;
    });
  };
  return [SCREENS.find((s) => s === asked) ?? 'where', go];
}

/** Null: the part of the program that tells did not come. @throws whatever else went wrong. */
async function orMissing(asked: Promise<string | null>): Promise<{ found: string | null } | null> {
  try {
    return { found: await asked };
  } catch (error) {
    if (error instanceof MissingPart) return null;
    throw error;
  }
}

/** As the town brought it, else looked up; null = nobody knows it. */
async function zoneFor({ zoneIana, latDeg, lonDeg }: Answers): Promise<string | null> {
  return zoneIana === '' ? zoneOf(latDeg, lonDeg) : zoneIana;
}

/** Makes the night and goes to its first answers. */
function useMake(setMissing: (missing: boolean) => void): (answers: Answers) => Promise<void> {
  const { clock } = useSession();
  const { notify, format } = useShared();
  const write = useWrite();
  const navigate = useNavigate();
  return async (answers) => {
    const zone = await orMissing(zoneFor(answers));
    setMissing(!zone);
    if (!zone) return;
    const { found } = zone;
    if (found === null) notify(START.zoneFailed);
    const own = ownAnswers(answers, found ?? Intl.DateTimeFormat().resolvedOptions().timeZone, format);
    const made = await write(
      ['start', own],
      async (w): Promise<Result<string, WriteCode>> => {
        const { nightId, records } = ownNight(own, clock.nowMs(), {
          newId: () => w.newId(),
          nameOf: (piece, massKg) =>
            pieceName(piece, massKg, { carrier: own.rig.carrier, rigName: own.rigName }, format),
          targetName,
        });
        const written = await writeTogether(w, own.rigName, records);
        return written.ok ? ok(nightId) : written;
      },
      START.made,
    );
    if (!made.ok) return;
    forgetDraft();
    void navigate(`/n/${made.value}/tonight`);
  };
}

function useKept(form: UseFormReturn<Draft, unknown, Answers>): void {
  useEffect(() => {
    const { unsubscribe } = form.watch((draft, { name, type }) => {
      // Typed coordinates are another place than the town before.
      if (type === 'change' && (name === 'latDeg' || name === 'lonDeg')) {
        form.setValue('placeName', '');
        form.setValue('zoneIana', '');
      }
      keepDraft(draft as Draft);
    });
    return unsubscribe;
  }, [form]);
}

/** What was never answered follows the carrier: no lens lies in a box. */
function fitOptics(form: UseFormReturn<Draft, unknown, Answers>): void {
  const { carrier, opticsKind } = form.getValues();
  if (!isBox(carrier) || opticsKind !== 'lens') return;
  for (const [field, value] of Object.entries(BOX_DRAFT)) form.setValue(field as keyof Draft, value);
}

export function StartPage() {
  const [screen, go] = useScreen();
  const form = useForm<Draft, unknown, Answers>({
    resolver: formResolver(answersSchema),
    defaultValues: keptDraft(),
  });
  useKept(form);
  const busy = useBusy();
  const [isMissing, setMissing] = useState(false);
  const make = useMake(setMissing);
  const at = SCREENS.indexOf(screen);
  const next = SCREENS[at + 1];
  const before = SCREENS[at - 1];
  const submit = async (): Promise<void> => {
    if (next) {
      if (!(await form.trigger(ASKED[screen]))) return;
      fitOptics(form);
      go(next);
      return;
    }
    // A reload may have come to a later screen than what was answered.
    for (const one of SCREENS) {
      if (await form.trigger(ASKED[one])) continue;
      go(one);
      return;
    }
    await form.handleSubmit(make)();
  };
  const question = useRef<HTMLParagraphElement>(null);
  const shown = useRef(screen);
  // The next question is where whoever works by keys goes on.
  useEffect(() => {
    if (shown.current === screen) return;
    shown.current = screen;
    question.current?.focus();
  }, [screen]);
  const Screen = SHOWN[screen];
  return (
    <FormProvider {...form}>
      <form
        className="start"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <PageTitle>{START.title}</PageTitle>
        <Strip screen={screen} />
        <p ref={question} className="sentence" aria-live="polite" tabIndex={-1}>
          <Said said={START.sentences[screen]} />
        </p>
        <Screen />
        {isMissing && <MissingPartNote what={START.zones} />}
        <div className="actions">
          {before && (
            <Button variant="outline" onClick={() => go(before)}>
              {START.back}
            </Button>
          )}
          <Button variant="primary" type="submit" aria-disabled={busy} data-next-stop>
            {next ? START.next : START.done}
          </Button>
          {at === 0 && <Link to="/data">{START.bringIn}</Link>}
          {at === 1 && <Link to="/choose">{CHOOSE.link}</Link>}
        </div>
      </form>
    </FormProvider>
  );
}
