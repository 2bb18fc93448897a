import { useEffect } from 'react';
import { Practice } from './Practice';
import { ToPractise } from './ToPractise';

/** What is opened in the middle of practising, when there may be no signal any more. */
const fetchTheRest = () => import('./HowItIsDone').catch(() => undefined);

export function PracticePage() {
  useEffect(() => void fetchTheRest(), []);
  return <ToPractise as={Practice} />;
}
