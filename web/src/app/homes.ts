import type { Person } from './signIn';

/** Home is the tee line for a coach, the own week for a student, a child's week for a guardian. */
export const homes: Record<Person['role'], { to: string; name: string }> = {
  owner: { to: '/tee-line', name: 'To the tee line' },
  coach: { to: '/tee-line', name: 'To the tee line' },
  student: { to: '/my-week', name: 'To my week' },
  guardian: { to: '/my-children', name: 'To the week' },
};
