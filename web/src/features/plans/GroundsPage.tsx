import { PlacesPage } from '../places/PlacesPage';
import { HoleOnRange } from './HoleOnRange';

/** The academy's grounds, a range with a hole laid on it. */
export function GroundsPage() {
  return <PlacesPage drawing={(view) => <HoleOnRange key={view.id} view={view} />} />;
}
