import { Practice } from './Practice';
import { ToPractise } from './ToPractise';

export function PracticePage() {
  return <ToPractise as={Practice} />;
}
