import type { FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';
import { MissingPart } from '../core/missingPart.ts';
import { MissingPartNote } from '../ui/MissingPartNote.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';

export function NotFound() {
  return (
    <div className="lone-page">
      <PageTitle>Nothing here</PageTitle>
      <p>This address leads to no page of Tidy Owl. Nothing you recorded is lost.</p>
      <p>
        <Link to="/">Go to the last night</Link>
      </p>
    </div>
  );
}

/** The whole page failed: say so, keep the way out. */
export function RouteError({ error }: Pick<FallbackProps, 'error'>) {
  return (
    <main className="lone-page" role="alert">
      <h1>This page could not be shown</h1>
      {error instanceof MissingPart ? (
        <MissingPartNote what={null} />
      ) : (
        <>
          <p>{error instanceof Error ? error.message : 'Something unexpected happened.'}</p>
          <p>Your records are kept on this device. Reload the page; if it happens again, go back to the last night.</p>
        </>
      )}
      <p>
        <a href={document.baseURI}>Go to the last night</a>
      </p>
    </main>
  );
}
