import type { ReactNode } from 'react';
import { Outlet } from 'react-router';
import { SkipLink } from '../../ui/SkipLink.tsx';
import { Header } from './Header.tsx';
import { StoredNotices } from './StoredNotices.tsx';

/** Header and page, without a night. */
export function PlainPage({ children }: { children: ReactNode }) {
  return (
    <div className="frame plain">
      <SkipLink />
      <Header night={null} />
      <main className="bench" id="bench">
        <StoredNotices />
        {children}
      </main>
    </div>
  );
}

/** For pages that belong to no night. */
export function PlainFrame() {
  return (
    <PlainPage>
      <Outlet />
    </PlainPage>
  );
}
