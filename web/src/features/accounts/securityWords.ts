import type { Schemas } from '../../api/client';

type Line = Schemas['SecurityLine'];

const gone = 'somebody who is gone';

/** Who did it. */
const actor = (line: Line) => line.actor ?? gone;

/** Whose account it is about, as seen by whoever did it. */
const whose = (line: Line) => (line.account === line.actor ? 'their own' : `${line.account ?? gone}’s`);

const words: Record<Line['kind'], (line: Line) => string> = {
  signedIn: (l) => `${l.account ?? gone} signed in`,
  signInFailed: (l) => `Somebody tried to sign in as ${l.account ?? gone}, and could not`,
  signInHeldUp: (l) => `Too many tries to sign in as ${l.account ?? gone}: held up`,
  secondStepFailed: (l) => `A wrong code after ${l.account ?? gone}’s password`,
  signInsEnded: (l) => `${actor(l)} ended sign-ins of ${whose(l)} account`,
  joined: (l) => `${l.account ?? gone} joined by a link`,
  invited: (l) => `${actor(l)} made a link for ${l.student ?? 'a coach'}`,
  guardianInvited: (l) => `${actor(l)} made a link for a guardian of ${l.student ?? gone}`,
  invitationRevoked: (l) => `${actor(l)} took a link back`,
  passwordChanged: (l) => `${actor(l)} changed ${whose(l)} password`,
  passwordLinkMade: (l) => `${actor(l)} made a link by which ${l.account ?? gone} chooses a new password`,
  passwordReset: (l) => `${l.account ?? gone} chose a new password by a link`,
  emailConfirmed: (l) => `${l.account ?? gone} confirmed the address`,
  secondStepOn: (l) => `${actor(l)} switched ${whose(l)} second step on`,
  secondStepOff: (l) => `${actor(l)} switched ${whose(l)} second step off`,
  recoveryCodesMade: (l) => `${actor(l)} made other recovery codes`,
  passkeyAdded: (l) => `${actor(l)} made a passkey`,
  passkeyRemoved: (l) => `${actor(l)} removed a passkey`,
  roleChanged: (l) => `${actor(l)} changed ${whose(l)} role`,
  disabled: (l) => `${actor(l)} closed ${whose(l)} account`,
  letInAgain: (l) => `${actor(l)} opened ${whose(l)} account again`,
  removed: (l) => `${actor(l)} took ${whose(l)} account away`,
  academyChanged: (l) => `${actor(l)} changed the academy’s name or zone`,
  academyFounded: (l) => `${actor(l)} founded the academy`,
  consentGiven: (l) => `${actor(l)} consented for ${l.student ?? gone}`,
  consentWithdrawn: (l) => `${actor(l)} took back consent for ${l.student ?? gone}`,
  guardianRemoved: (l) => `${actor(l)} let ${l.account ?? gone} see nothing of ${l.student ?? gone} any more`,
  studentForgotten: (l) => `${actor(l)} deleted everything of a student`,
  takenOut: (l) => `${actor(l)} took out everything of ${l.student ?? l.account ?? gone}`,
  academyTakenOut: (l) => `${actor(l)} took out the whole academy`,
  retentionChanged: (l) => `${actor(l)} changed how long things are kept`,
  agedOut: () => 'What was too old was deleted',
  careNotesSeen: (l) => `${actor(l)} read the care notes of ${l.student ?? gone}`,
};

/** A line of the security log as a sentence. */
export function securityWords(line: Line) {
  const sentence = words[line.kind](line);
  return sentence.charAt(0).toUpperCase() + sentence.slice(1);
}
