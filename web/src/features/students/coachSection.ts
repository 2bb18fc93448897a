import type { Schemas } from '../../api/client';

type Coachs = Schemas['CoachSection'];

/** What every part of the coach's fields is given. */
export interface PartProps {
  studentId: string;
  coach: Coachs;
  set: (part: Partial<Coachs>) => void;
  errorAt: (path: string) => string | undefined;
}

export const none = { value: '', label: '–' } as const;
export const columns = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(200px, 1fr))',
  gap: 2,
} as const;
