import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import { useListing } from '../../session/demo.ts';
import { DemoSwitch } from '../../session/DemoSwitch.tsx';
import { Gone } from '../../session/Gone.tsx';
import { useShared } from '../../session/session.ts';
import { Boundary } from '../../ui/Boundary.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { Empty } from '../../ui/Problem.tsx';
import { SiteForm } from './SiteForm.tsx';

export function SitesPage() {
  const { id } = useParams();
  const { stored, format } = useShared();
  const navigate = useNavigate();
  const sites = stored.sites.filter((s) => s.deletedAtUtc === null).sort((a, b) => a.name.localeCompare(b.name));
  const listed = useListing()(sites);
  const site = sites.find((s) => s.id === id) ?? null;
  return (
    <div className="kit">
      <div>
        <h2 className="h5">Sites</h2>
        <ul className="kit-list" aria-label="Sites">
          {listed.map((s) => (
            <li key={s.id}>
              <Link to={`/sites/${s.id}`} aria-current={s.id === id ? 'page' : undefined}>
                <span>{s.name}</span>
                <span className="figures">
                  {format.quantity(Math.abs(s.latDeg), 'angleDeg')} {s.latDeg < 0 ? 'S' : 'N'}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        <DemoSwitch records={sites} />
        {sites.length === 0 && <Empty>No site yet. Add the place where you set up.</Empty>}
        <Button variant="outline" className="w-100 mt-2" onClick={() => void navigate('/sites/new')}>
          Add a site
        </Button>
      </div>
      <Boundary what="This form" resetKey={id}>
        <div>
          {site || id === 'new' ? (
            <SiteForm key={id ?? ''} site={site} />
          ) : id === undefined ? (
            <>
              <PageTitle>Sites</PageTitle>
              <Empty>
                Choose a site on the list, or add the place where you set up. Dark hours, pole and compass follow from
                it.
              </Empty>
            </>
          ) : (
            <Gone table="sites" id={id} />
          )}
        </div>
      </Boundary>
    </div>
  );
}
