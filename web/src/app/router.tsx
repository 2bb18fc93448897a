import { createBrowserRouter, Navigate, Outlet, useMatches, useRouteError } from 'react-router';
import { onDemand } from '../ui/onDemand';
import { ErrorNotice } from '../ui/states';
import { homes } from './homes';
import { usePerson } from './signIn';

/** The first page of whoever is signed in. */
function Home() {
  return <Navigate replace to={homes[usePerson().role].to} />;
}

function Broken() {
  const error = useRouteError();
  return (
    <main style={{ padding: 24 }}>
      <ErrorNotice
        error={error instanceof Error ? error : new Error('This page broke.')}
        onRetry={() => window.location.reload()}
      />
    </main>
  );
}

/** A page that can't be shown, in its own place. One that can't be fetched comes with the next signal. */
function BrokenPage() {
  const error = useRouteError();
  const isNotFetched = error instanceof Error && /import|fetch|load/i.test(error.message);
  return (
    <ErrorNotice
      error={
        isNotFetched || !(error instanceof Error)
          ? new Error('This page couldn’t be loaded. Check your signal and try again. Nothing you entered is lost.')
          : error
      }
      onRetry={() => window.location.reload()}
    />
  );
}

const Nowhere = onDemand(() => import('./NotHere').then((m) => m.Nowhere));

const isId = (id: string) => id === 'new' || /^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}$/i.test(id);

/** The page of an address, where the ids in it can be ids at all. */
function Page() {
  const ids = Object.entries(useMatches().at(-1)?.params ?? {}).filter(([name]) => /id$/i.test(name));
  return ids.every(([, id]) => isId(id ?? '')) ? <Outlet /> : <Nowhere />;
}

/** A page of its own file, fetched when it is first needed. */
const named = async <K extends string>(module: Promise<Record<K, React.ComponentType>>, name: K) => ({
  Component: (await module)[name],
});

const SetForDialog = onDemand(() => import('../features/weeks/SetForDialog').then((m) => m.SetForDialog));

/** The bench, and the dialog of the weeks above it that it opens. */
async function bench() {
  const { BenchPage } = await import('../features/plans/BenchPage');
  return { element: <BenchPage SetFor={SetForDialog} /> };
}

const StudentGuardians = onDemand(() =>
  import('../features/guardians/StudentGuardians').then((m) => m.StudentGuardians),
);

const DaysAwayOffer = onDemand(() => import('../features/weeks/DaysAwayOffer').then((m) => m.DaysAwayOffer));

/** A student's file, who answers for a minor, and what of the weeks falls on days away. */
async function file() {
  const { FilePage } = await import('../features/students/FilePage');
  return { element: <FilePage Guardians={StudentGuardians} DaysAway={DaysAwayOffer} /> };
}

export const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    hydrateFallbackElement: <></>,
    children: [
      { path: '/sign-in', lazy: () => named(import('../features/accounts/SignInPage'), 'SignInPage') },
      { path: '/join/:token', lazy: () => named(import('../features/accounts/JoinPage'), 'JoinPage') },
      { path: '/forgotten', lazy: () => named(import('../features/accounts/ForgottenPage'), 'ForgottenPage') },
      { path: '/reset/:accountId/:token', lazy: () => named(import('../features/accounts/ResetPage'), 'ResetPage') },
      {
        path: '/confirm/:accountId/:token',
        lazy: () => named(import('../features/accounts/ConfirmPage'), 'ConfirmPage'),
      },
      { path: '/found', lazy: () => named(import('../features/accounts/FoundPage'), 'FoundPage') },
      {
        lazy: () => named(import('./Shell'), 'Shell'),
        children: [
          {
            // What breaks a page leaves what stands around it.
            errorElement: <BrokenPage />,
            element: <Page />,
            children: [
              { index: true, element: <Home /> },
              { path: '/tee-line', lazy: () => named(import('../features/review/TeeLinePage'), 'TeeLinePage') },
              { path: '/students/:id', lazy: () => named(import('../features/review/StudentPage'), 'StudentPage') },
              { path: '/students/:id/file', lazy: file },
              { path: '/students/:id/data', lazy: () => named(import('../features/dataRights/DataPage'), 'DataPage') },
              {
                path: '/students/:id/warm-up',
                lazy: () => named(import('../features/weeks/WarmUpPage'), 'WarmUpPage'),
              },
              { path: '/warm-up', lazy: () => named(import('../features/weeks/WarmUpPage'), 'WarmUpPage') },
              {
                path: '/students/:id/rounds',
                lazy: () => named(import('../features/onCourse/RoundsPage'), 'RoundsPage'),
              },
              { path: '/my-rounds', lazy: () => named(import('../features/onCourse/RoundsPage'), 'RoundsPage') },
              { path: '/my-file', lazy: file },
              { path: '/courses', lazy: () => named(import('../features/courses/CoursesPage'), 'CoursesPage') },
              { path: '/places', lazy: () => named(import('../features/plans/GroundsPage'), 'GroundsPage') },
              { path: '/drills', lazy: () => named(import('../features/drills/ShelfPage'), 'ShelfPage') },
              {
                path: '/drills/new',
                lazy: () => named(import('../features/drills/DrillEditorPage'), 'DrillEditorPage'),
              },
              { path: '/drills/:id', lazy: () => named(import('../features/drills/DrillPage'), 'DrillPage') },
              {
                path: '/drills/:id/edit',
                lazy: () => named(import('../features/drills/DrillEditorPage'), 'DrillEditorPage'),
              },
              { path: '/plans', lazy: () => named(import('../features/plans/PlansPage'), 'PlansPage') },
              { path: '/plans/:id', lazy: bench },
              {
                path: '/programmes',
                lazy: () => named(import('../features/programmes/ProgrammesPage'), 'ProgrammesPage'),
              },
              {
                path: '/programmes/:id',
                lazy: () => named(import('../features/programmes/ProgrammePage'), 'ProgrammePage'),
              },
              {
                path: '/sessions/:id/bench',
                lazy: () => named(import('../features/weeks/OwnTextPage'), 'OwnTextPage'),
              },
              { path: '/sessions/:id', lazy: () => named(import('../features/sessions/SessionPage'), 'SessionPage') },
              { path: '/week', lazy: () => named(import('../features/weeks/WeekSheetPage'), 'WeekSheetPage') },
              { path: '/print', lazy: () => named(import('../features/weeks/PrintPage'), 'PrintPage') },
              { path: '/my-week', lazy: () => named(import('../features/weeks/MyWeekPage'), 'MyWeekPage') },
              { path: '/reminders', lazy: () => named(import('../features/reminders/RemindersPage'), 'RemindersPage') },
              {
                path: '/my-progress/drills/:drillId',
                lazy: () => named(import('../features/progress/CurvePage'), 'CurvePage'),
              },
              {
                path: '/students/:id/drills/:drillId',
                lazy: () => named(import('../features/progress/CurvePage'), 'CurvePage'),
              },
              {
                path: '/students/:id/report',
                lazy: () => named(import('../features/progress/ReportPage'), 'ReportPage'),
              },
              {
                path: '/students/:id/competitions/:competitionId',
                lazy: () => named(import('../features/competitions/CompetitionPage'), 'CompetitionPage'),
              },
              {
                path: '/my-competitions/:competitionId',
                lazy: () => named(import('../features/competitions/CompetitionPage'), 'CompetitionPage'),
              },
              { path: '/test-days', lazy: () => named(import('../features/testDays/TestDaysPage'), 'TestDaysPage') },
              { path: '/test-days/:id', lazy: () => named(import('../features/testDays/TestDayPage'), 'TestDayPage') },
              {
                path: '/test-days/:id/score',
                lazy: () => named(import('../features/testDays/ScoringPage'), 'ScoringPage'),
              },
              {
                path: '/test-days/:testId/score/:id',
                lazy: () => named(import('../features/testDays/ScorePadPage'), 'ScorePadPage'),
              },
              { path: '/my-report', lazy: () => named(import('../features/progress/ReportPage'), 'ReportPage') },
              {
                path: '/my-children',
                lazy: () => named(import('../features/guardians/MyChildrenPage'), 'MyChildrenPage'),
              },
              { path: '/account', lazy: () => named(import('../features/accounts/MyAccountPage'), 'MyAccountPage') },
              { path: '/people', lazy: () => named(import('../features/accounts/PeoplePage'), 'PeoplePage') },
              {
                path: '/people/data',
                lazy: () => named(import('../features/dataRights/AcademyDataPage'), 'AcademyDataPage'),
              },
              { path: '/deleted', lazy: () => named(import('../features/dataRights/DeletedPage'), 'DeletedPage') },
              {
                path: '/people/log',
                lazy: () => named(import('../features/accounts/SecurityLogPage'), 'SecurityLogPage'),
              },
              { path: '/goals', lazy: () => named(import('../features/review/GoalsPage'), 'GoalsPage') },
              { path: '/walk', lazy: () => named(import('../features/review/WalkPage'), 'WalkPage') },
              {
                path: '/my-progress',
                lazy: () => named(import('../features/progress/MyProgressPage'), 'MyProgressPage'),
              },
              {
                path: '/practice/new',
                lazy: () => named(import('../features/sessions/OwnPracticePage'), 'OwnPracticePage'),
              },
              { path: '/practice/:id/paper', lazy: () => named(import('../features/sessions/PaperPage'), 'PaperPage') },
              { path: '/practice/:id', lazy: () => named(import('../features/sessions/PracticePage'), 'PracticePage') },
              { path: '*', element: <Nowhere /> },
            ],
          },
        ],
      },
    ],
  },
]);
