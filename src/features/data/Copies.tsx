import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { useSession, useShared } from '../../session/session.ts';
import { useCopyState } from '../../session/useCopies.ts';
import type { Copy } from '../../storage/copies.ts';
import { readCopy } from '../../storage/copyFiles.ts';
import { chooseCopyFile, chosenCopyFile } from '../../storage/device.ts';
import { COPIES_WORDS, copyWords, lastCopyWords, LOST_WORDS, promiseWords, roomWords } from '../../text/dataWords.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import { Problem } from '../../ui/Problem.tsx';

type Picker = (options: object) => Promise<FileSystemFileHandle>;
type Askable = FileSystemFileHandle & { requestPermission?: (options: object) => Promise<string> };

const pickerOf = (): Picker | null => (window as unknown as { showSaveFilePicker?: Picker }).showSaveFilePicker ?? null;

type Room = { usedBytes: number; isKept: boolean };

/** What the browser says of the room used, and whether it promised to keep it; null where it does not say. */
function useRoom(): Room | null {
  const [room, setRoom] = useState<Room | null>(null);
  const { copies } = useCopyState();
  useEffect(() => {
    const storage = navigator.storage as StorageManager | undefined;
    if (!storage) return;
    void Promise.all([storage.estimate(), storage.persisted()]).then(([{ usage }, isKept]) =>
      setRoom({ usedBytes: usage ?? 0, isKept }),
    );
  }, [copies]);
  return room;
}

/** A file of the user's own beside the copies in the browser, where the browser can write to one. */
function CopyFile() {
  const { copies } = useSession();
  const { notify } = useShared();
  const [name, setName] = useState<string | null>(null);
  useEffect(() => {
    void chosenCopyFile().then((handle) => setName(handle?.name ?? null));
  }, []);
  const picker = pickerOf();
  if (!picker) return <p className="soft">{COPIES_WORDS.noFile}</p>;
  const choose = async (): Promise<void> => {
    try {
      const handle: Askable = await picker({
        suggestedName: 'tidy-owl-copy.json',
        types: [{ description: 'Tidy Owl', accept: { 'application/json': ['.json'] } }],
      });
      await handle.requestPermission?.({ mode: 'readwrite' });
      await chooseCopyFile(handle);
      setName(handle.name);
      copies.changed();
      await copies.now();
      // Said only once it is written: a file that refuses is no copy.
      if (copies.state().problem === null) notify(COPIES_WORDS.fileChosen);
      else notify(COPIES_WORDS.fileRefused, { tone: 'problem' });
    } catch (error) {
      // Closing the picker is no fault.
      if (!(error instanceof DOMException && error.name === 'AbortError'))
        notify(COPIES_WORDS.fileRefused, { tone: 'problem' });
    }
  };
  const leave = async (): Promise<void> => {
    await chooseCopyFile(null);
    setName(null);
  };
  return (
    <div className="actions">
      <Button variant="outline" onClick={() => void choose()}>
        {name === null ? COPIES_WORDS.choose : `${COPIES_WORDS.chosen} ${name}`}
      </Button>
      {name !== null && (
        <Button variant="link" onClick={() => void leave()}>
          {COPIES_WORDS.leave}
        </Button>
      )}
    </div>
  );
}

type ListProps = { copies: readonly Copy[]; look: (file: File) => void };

function CopyList({ copies, look }: ListProps) {
  const { notify } = useShared();
  const open = async (copy: Copy): Promise<void> => {
    const file = await readCopy(copy);
    if (file) look(file);
    else notify(LOST_WORDS.copyGone, { tone: 'problem' });
  };
  return (
    <ul className="copy-list" aria-label={COPIES_WORDS.title}>
      {copies.map((copy) => (
        <li key={copy.fileName}>
          {copyWords(copy)}
          <Button
            variant="link"
            aria-label={`${COPIES_WORDS.look}: ${copyWords(copy)}`}
            onClick={() => void open(copy)}
          >
            {COPIES_WORDS.look}
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** The automatic copies: how old, how much room, and what an older one would change. */
export function Copies({ look }: Pick<ListProps, 'look'>) {
  const { copies: keeper, clock } = useSession();
  const { format } = useShared();
  const { copies, problem } = useCopyState();
  const room = useRoom();
  useEffect(() => {
    void keeper.refresh();
  }, [keeper]);
  return (
    <section className="section" aria-labelledby="copies">
      <h2 id="copies">{COPIES_WORDS.title}</h2>
      <p>{COPIES_WORDS.what}</p>
      <FigureList
        figures={[
          { name: 'Last copy', value: lastCopyWords(copies, clock.nowMs(), format) },
          ...(room ? [{ name: 'Room used', value: roomWords(room.usedBytes, format) }] : []),
        ]}
      />
      {room && <p className="soft">{promiseWords(room.isKept)}</p>}
      {problem !== null && <Problem>{COPIES_WORDS.failed}</Problem>}
      {copies && copies.length > 0 && <CopyList copies={copies} look={look} />}
      <CopyFile />
    </section>
  );
}
