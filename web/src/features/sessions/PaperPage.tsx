import { Paper } from './Paper';
import { ToPractise } from './ToPractise';

/** The same session, typed in from a card. */
export function PaperPage() {
  return <ToPractise as={Paper} />;
}
