import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';

const client = new QueryClient({
  defaultOptions: { queries: { networkMode: 'offlineFirst', retry: false, staleTime: Infinity } },
});

/** Around a bench that fetches something; comes with the first of them, and what was fetched stays for the tab. */
export function Queries({ children }: { children: ReactNode }) {
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}
