import { Button } from 'react-bootstrap';
import type { FolderNow } from '../../../frames/folder.ts';
import { useShared } from '../../../session/session.ts';
import { FOLDER, folderWords, followWords, lostWords, sizeWords, unreadWords } from '../../../text/logSourceWords.ts';
import type { FolderHere } from './useFolder.ts';

/** More are seldom looked for: the newest come first. */
const MOST_SHOWN = 8;

function Files({ now, folder }: { now: Extract<FolderNow, { at: 'there' }>; folder: FolderHere }) {
  const { format } = useShared();
  const files = now.files.slice(0, MOST_SHOWN);
  if (files.length === 0) return <p className="soft">{FOLDER.empty}</p>;
  return (
    <ul className="list-unstyled">
      {files.map((file) => {
        const isFollowed = folder.following === file.name;
        return (
          <li key={file.name} className="mb-1">
            <Button
              variant="outline"
              size="sm"
              aria-pressed={isFollowed}
              onClick={() => folder.follow(isFollowed ? null : file)}
            >
              {isFollowed ? FOLDER.leave : FOLDER.follow}
            </Button>{' '}
            {file.name} <span className="soft">{sizeWords(file.sizeBytes, format)}</span>
          </li>
        );
      })}
    </ul>
  );
}

function wordsOf(now: FolderNow, { following, isUnread }: FolderHere): string {
  if (following === null || now.at !== 'there') return folderWords(now);
  if (!now.files.some((file) => file.name === following)) return lostWords(following);
  return isUnread ? unreadWords(following) : followWords(following);
}

/** Logs as they come into a folder; nothing where neither the server nor the browser can watch one. */
export function FolderDoor({ folder }: { folder: FolderHere }) {
  const { now, pick, askAgain } = folder;
  if (!now && !pick) return null;
  return (
    <div className="section">
      <h2>{FOLDER.title}</h2>
      {now && <p role="status">{wordsOf(now, folder)}</p>}
      {now?.at === 'there' && <Files now={now} folder={folder} />}
      {now?.at === 'askAgain' && (
        <Button variant="outline" onClick={askAgain}>
          {FOLDER.askAgain}
        </Button>
      )}
      {pick && (
        <Button variant="outline" onClick={pick}>
          {now ? FOLDER.other : FOLDER.pick}
        </Button>
      )}
    </div>
  );
}
