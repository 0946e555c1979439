import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { MissingPart } from '../core/missingPart.ts';
import { MissingPartNote } from './MissingPartNote.tsx';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';

function Broken({ error, resetErrorBoundary, what }: FallbackProps & { what: string }) {
  if (error instanceof MissingPart) return <MissingPartNote what={what} />;
  return (
    <div role="alert" className="problem">
      <p className="mb-1">
        <strong>{what} could not be drawn.</strong> Nothing you recorded was lost. The rest of the page still works.
      </p>
      <p className="soft mb-2">{error instanceof Error ? error.message : String(error)}</p>
      <Button variant="outline" onClick={resetErrorBoundary}>
        Draw it again
      </Button>
    </div>
  );
}

/** Keeps one broken drawing from taking the page. `resetKey` changing tries again. */
export function Boundary({ what, resetKey, children }: { what: string; resetKey?: unknown; children: ReactNode }) {
  return (
    <ErrorBoundary fallbackRender={(props) => <Broken {...props} what={what} />} resetKeys={[resetKey]}>
      {children}
    </ErrorBoundary>
  );
}
