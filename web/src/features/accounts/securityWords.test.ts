import { describe, expect, it } from 'vitest';
import { securityWords } from './securityWords';

const line = { id: '1', at: '2026-05-06T09:00:00Z', actor: null, account: null, student: null, address: '' };

describe('the security log in words', () => {
  it('begins with a capital, whoever is gone', () => {
    expect(securityWords({ ...line, kind: 'signedIn' })).toBe('Somebody who is gone signed in');
    expect(securityWords({ ...line, kind: 'passwordReset' })).toBe(
      'Somebody who is gone chose a new password by a link',
    );
  });

  it('tells one’s own account from another’s', () => {
    const owner = { ...line, actor: 'Mira Holt', kind: 'passwordChanged' } as const;
    expect(securityWords({ ...owner, account: 'Mira Holt' })).toBe('Mira Holt changed their own password');
    expect(securityWords({ ...owner, account: 'Jan Osk' })).toBe('Mira Holt changed Jan Osk’s password');
  });

  it('names the student whom a link is for', () => {
    expect(securityWords({ ...line, actor: 'Mira Holt', student: 'Bo Ruud', kind: 'guardianInvited' })).toBe(
      'Mira Holt made a link for a guardian of Bo Ruud',
    );
  });
});
