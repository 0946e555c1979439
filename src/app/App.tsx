import { useState } from 'react';
import { SessionContext } from '../session/session.ts';
import { Router } from './Router.tsx';
import { createSession } from './services.ts';

export function App() {
  const [session] = useState(createSession);
  return (
    <SessionContext value={session}>
      <Router />
    </SessionContext>
  );
}
