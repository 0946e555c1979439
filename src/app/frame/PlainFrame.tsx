import { Outlet } from 'react-router';
import { Header } from './Header.tsx';

/** Header and page, for what belongs to no night. */
export function PlainFrame() {
  return (
    <div className="frame plain">
      <Header night={null} />
      <main className="bench">
        <Outlet />
      </main>
    </div>
  );
}
