import { Navigate, useSearchParams } from 'react-router';
import { livingNights } from '../core/history/livingNights.ts';
import { useShared } from '../session/session.ts';

/** Opens the night last shown on this device, else the newest; an empty database begins at the start. */
export function LastNight() {
  const { stored } = useShared();
  const [params] = useSearchParams();
  const nights = livingNights(stored.nights);
  const last = nights.find((n) => n.id === localStorage.getItem('tidy-owl-last-night')) ?? nights[0];
  const asked = params.get('to');
  // A plain host answers a deep address with a page that sends the app here with what was asked for.
  if (asked !== null && /^\/(?!\/)/.test(asked)) return <Navigate to={asked} replace />;
  if (last) return <Navigate to={`/n/${last.id}/balance`} replace />;
  return <Navigate to="/start" replace />;
}
