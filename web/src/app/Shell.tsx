import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { Navigate, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { startSending } from '../features/sessions/sending';
import { dayName } from '../ui/format';
import { onDemand } from '../ui/onDemand';
import { DeletedMessage, forgetDeleted } from '../ui/deleted';
import { Key, Loading, ErrorNotice } from '../ui/states';
import { useKeys } from './keys';
import { Mark } from './Mark';
import { useKeptApplication } from './offline';
import { useOutdoor } from './outdoor';
import { asOfNow, isSigningOut, PersonContext, useSignIn, useSignOut, type Person, type Session } from './signIn';
import { useKeptPerson } from './useKeptPerson';

const ForOthers = onDemand(() => import('./NotHere').then((m) => m.ForOthers));
const KeysDialog = onDemand(() => import('./KeysDialog').then((m) => m.KeysDialog));

/**
 * What surrounds every page once somebody is signed in. Until the server has answered, and without a signal, that is whoever
 * was signed in last on this device; and while practising it stays so even when the sign-in has run out.
 */
export function Shell() {
  const session = useSignIn();
  const kept = useKeptPerson();
  const { pathname } = useLocation();
  const mayBeKept = session.data === undefined || pathname.startsWith('/practice/');
  const heard = session.data?.person;
  // The server's day holds while it answers; without a signal the day goes on by itself.
  const person = heard ? (session.error ? asOfNow(heard) : heard) : mayBeKept ? kept?.person : undefined;
  if (isSigningOut()) return <Navigate replace to="/sign-in" />;
  if (person) return <SignedIn session={session.data} person={person} />;
  if (session.isPending || !kept)
    return (
      <Box sx={{ px: 3 }}>
        <Loading what="your day" />
      </Box>
    );
  if (session.error)
    return (
      <Box sx={{ p: 3 }}>
        <ErrorNotice error={session.error} onRetry={() => void session.refetch()} />
      </Box>
    );
  return <Navigate replace to="/sign-in" state={{ from: pathname }} />;
}

function SignedIn({ session, person }: { session: Session | undefined; person: Person }) {
  const isCoach = person.role === 'owner' || person.role === 'coach';
  const { pathname } = useLocation();
  const isPractising = pathname.startsWith('/practice/');
  useEffect(() => startSending(person.accountId), [person.accountId]);
  useEffect(() => forgetDeleted, [person.accountId]);
  useEffect(() => {
    if (person.role !== 'student') return;
    const begun = sendingOf(person.accountId);
    return () => void begun.then((stop) => stop());
  }, [person.accountId, person.role]);
  return (
    <Box sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <Box
        component="a"
        href="#content"
        sx={{
          position: 'absolute',
          left: -9999,
          '&:focus': { left: 8, top: 8, p: 1, bgcolor: 'background.paper', zIndex: 10 },
        }}
      >
        Skip to the page
      </Box>
      {!isPractising && (isCoach ? <CoachBar person={person} /> : <PhoneBar person={person} />)}
      {!isPractising && <NewVersion />}
      {session?.demo?.isStale && (
        <Box role="status" sx={{ px: 3, py: 1, bgcolor: 'glow', color: '#2b1a06', fontSize: 15 }}>
          This demo was laid out for {dayName(session.demo.madeFor)} and has grown old. Renew it with{' '}
          <code>./start --reset</code>.
        </Box>
      )}
      <Box
        component="main"
        id="content"
        sx={{
          flex: 1,
          width: '100%',
          maxWidth: isCoach ? 1360 : 620,
          mx: 'auto',
          px: { xs: 2, sm: 3 },
          pb: 6,
          // A phone on its side uses its whole width.
          ...(!isCoach && { '@media (max-height: 480px)': { maxWidth: 900 } }),
        }}
      >
        <PersonContext value={person}>
          {person.role === 'guardian' && !guardiansPages.includes(pathname) ? (
            <Navigate replace to="/my-children" />
          ) : isForOthers(person.role, pathname) ? (
            <ForOthers />
          ) : (
            <Outlet />
          )}
        </PersonContext>
      </Box>
      {!isPractising && <DeletedMessage />}
      <Box
        component="footer"
        className="no-print"
        sx={{
          px: 3,
          py: 2,
          fontSize: 13,
          color: 'text.secondary',
          textAlign: 'center',
          // It would only be pushed down by what is on its way.
          'main:has([data-loading]) + &': { visibility: 'hidden' },
        }}
      >
        Coaching is not medicine. Stop when it hurts and see a doctor or physiotherapist. The range’s own rules come
        first.
      </Box>
    </Box>
  );
}

/** That a newer version of the application is there. Never during practice. */
function NewVersion() {
  const { renew } = useKeptApplication();
  if (!renew) return null;
  return (
    <Box role="status" sx={{ px: 3, py: 0.5, bgcolor: 'background.paper', fontSize: 15 }}>
      A new version is ready.{' '}
      <Button onClick={renew} sx={{ minHeight: 44 }}>
        Reload
      </Button>
    </Box>
  );
}

/** Sends what a student said of sessions without a signal; fetched apart, since most have nothing waiting. */
const sendingOf = (accountId: string) =>
  import('../features/weeks/waitingChanges').then((m) => m.startSendingChanges(accountId));

/** What a guardian can open. */
const guardiansPages = ['/my-children', '/account'];

const begins = (...addresses: string[]) => new RegExp(`^/(${addresses.join('|')})(/|$)`);

/** Pages of coaches and of students, by how their addresses begin; what is in neither list is for both. */
const coachesPages = begins(
  ...['tee-line', 'students', 'courses', 'places', 'drills', 'plans', 'programmes', 'week', 'test-days'],
  ...['people', 'goals', 'walk', 'deleted', 'sessions/[^/]+/bench'],
);
const studentsPages = begins(...['my-week', 'my-file', 'my-progress', 'my-rounds', 'my-report', 'my-competitions']);

/** Whether a page is for others than those of this role; the server refuses what it holds in any case. */
function isForOthers(role: Person['role'], pathname: string) {
  return (role === 'student' ? coachesPages : studentsPages).test(pathname);
}

/** What stands above a student's pages, and above a guardian's. */
const phonePages = {
  student: [
    ['/my-week', 'My week'],
    ['/my-progress', 'My progress'],
    ['/my-file', 'My file'],
  ],
  guardian: [['/my-children', 'The week']],
} as const;

const link = {
  position: 'relative',
  whiteSpace: 'nowrap',
  flex: 'none',
  color: 'text.primary',
  textDecoration: 'none',
  fontWeight: 600,
  py: '9px',
  borderBottom: '3px solid transparent',
  '&.active': { borderColor: 'text.primary' },
  '&:hover': { borderColor: 'text.secondary' },
} as const;

function CoachBar({ person }: { person: Person }) {
  const navigate = useNavigate();
  const [showsKeys, setShowsKeys] = useState(false);
  useKeys({
    '1': () => void navigate('/tee-line'),
    '2': () => void navigate('/plans'),
    '3': () => void navigate('/drills'),
    '4': () => void navigate('/places'),
    '5': () => void navigate('/week'),
    '?': () => setShowsKeys(true),
  });
  return (
    <Box
      component="header"
      className="no-print"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: { xs: 2, sm: 3 },
        px: { xs: 2, sm: 3 },
        pt: 1,
        flexWrap: 'wrap',
      }}
    >
      <Mark />
      <Box component="nav" aria-label="Main" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: { xs: 2, sm: 3 } }}>
        <Box component={NavLink} to="/tee-line" sx={link}>
          Tee line<Key>1</Key>
        </Box>
        <Box component={NavLink} to="/plans" sx={link}>
          Plans<Key>2</Key>
        </Box>
        <Box component={NavLink} to="/drills" sx={link}>
          Drills<Key>3</Key>
        </Box>
        <Box component={NavLink} to="/places" sx={link}>
          Places<Key>4</Key>
        </Box>
        <Box component={NavLink} to="/week" sx={link}>
          Week<Key>5</Key>
        </Box>
      </Box>
      <Box
        sx={{
          ml: 'auto',
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          gap: { xs: 0, lg: 1 },
          color: 'text.secondary',
          fontSize: 15,
        }}
      >
        <Box component="span" sx={{ display: { xs: 'none', lg: 'inline' } }}>
          {/* A line of its own is more than the academy's name is worth where there is little room. */}
          <Box component="span" sx={{ display: { xs: 'none', xl: 'inline' } }}>
            {person.academyName} ·{' '}
          </Box>
          {dayName(person.today)}
        </Box>
        <Button component={NavLink} to="/account" aria-label={`${person.name}: your account`}>
          <Box component="span" sx={{ display: { xs: 'none', lg: 'inline' } }}>
            {person.name}
          </Box>
          <Box component="span" sx={{ display: { lg: 'none' } }}>
            Account
          </Box>
        </Button>
        {person.role === 'owner' && (
          <Button component={NavLink} to="/people">
            People
          </Button>
        )}
        <Button component={NavLink} to="/reminders">
          Mail
        </Button>
        <Button onClick={() => setShowsKeys(true)}>
          Keys<Key>?</Key>
        </Button>
        <SignOut />
      </Box>
      {showsKeys && <KeysDialog open onClose={() => setShowsKeys(false)} />}
    </Box>
  );
}

function PhoneBar({ person }: { person: Person }) {
  const [isOutdoor, setOutdoor] = useOutdoor();
  return (
    <Box component="header" className="no-print" sx={{ maxWidth: 620, width: '100%', mx: 'auto', px: 2, pt: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Mark isShort />
        <Button
          component={NavLink}
          to="/account"
          aria-label={`${person.name}: your account`}
          sx={{ color: 'text.secondary', fontSize: 15, lineHeight: 1.15, minWidth: 0, textAlign: 'left', px: 0.5 }}
        >
          {person.name}
        </Button>
        <Box sx={{ ml: 'auto', display: 'flex', flex: 'none' }}>
          <Button onClick={() => setOutdoor(!isOutdoor)} aria-pressed={isOutdoor}>
            {isOutdoor ? 'Indoor look' : 'Outdoor look'}
          </Button>
          <SignOut />
        </Box>
      </Box>
      <Box component="nav" aria-label="Main" sx={{ display: 'flex', gap: 3, mt: 0.5 }}>
        {phonePages[person.role === 'guardian' ? 'guardian' : 'student'].map(([to, name]) => (
          <Box key={to} component={NavLink} to={to} sx={{ ...link, py: 1.5 }}>
            {name}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function SignOut() {
  const signOut = useSignOut();
  const navigate = useNavigate();
  return <Button onClick={() => void signOut().then(() => navigate('/sign-in'))}>Sign out</Button>;
}
