import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import { RouterProvider } from 'react-router';
import { SessionContext } from '../session/session.ts';
import { createRouter } from './router.tsx';
import { createSession } from './services.ts';

export function App() {
  const [session] = useState(createSession);
  const [router] = useState(createRouter);
  const [queries] = useState(
    () =>
      new QueryClient({
        defaultOptions: { queries: { networkMode: 'offlineFirst', retry: false, staleTime: Infinity } },
      }),
  );
  return (
    <QueryClientProvider client={queries}>
      <SessionContext value={session}>
        <RouterProvider router={router} />
      </SessionContext>
    </QueryClientProvider>
  );
}
