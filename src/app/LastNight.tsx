import { Button } from 'react-bootstrap';
import { Navigate, useNavigate, useSearchParams } from 'react-router';
import { livingNights } from '../core/night/livingNights.ts';
import { useShared } from '../session/session.ts';
import { Header } from './frame/Header.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';

/** Opens the night last shown on this device, else the newest; an empty database is welcomed. */
export function LastNight() {
  const { stored } = useShared();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const nights = livingNights(stored.nights);
  const last = nights.find((n) => n.id === localStorage.getItem('tidy-owl-last-night')) ?? nights[0];
  const asked = params.get('to');
  // A plain host answers a deep address with a page that sends the app here with what was asked for.
  if (asked !== null && /^\/(?!\/)/.test(asked)) return <Navigate to={asked} replace />;
  if (last) return <Navigate to={`/n/${last.id}/balance`} replace />;
  return (
    <div className="frame plain">
      <Header night={null} />
      <main className="bench">
        <PageTitle>Welcome</PageTitle>
        <p className="sentence">Enter your rig and your site, or bring in what you saved on another device.</p>
        <div className="actions">
          <Button variant="primary" onClick={() => void navigate('/kit/rigs/new')}>
            Enter a rig
          </Button>
          <Button variant="outline" onClick={() => void navigate('/sites/new')}>
            Enter a site
          </Button>
          <Button variant="outline" onClick={() => void navigate('/data')}>
            Bring in a file
          </Button>
        </div>
      </main>
    </div>
  );
}
