import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { dayName, dueInWords, minutes, moment, percent, requirements, statuses } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { useChildren, useChildWeek, useWithdraw } from './queries';

type Child = Schemas['ChildView'];
type Week = Schemas['ChildWeekView'];

/** What a guardian sees: a child's week, how much of it was done, what hurts, and the coach's word. */
export function MyChildrenPage() {
  const children = useChildren();
  const [chosen, setChosen] = useState('');
  if (children.isPending) return <Loading what="the week" />;
  if (children.error) return <ErrorNotice error={children.error} onRetry={() => void children.refetch()} />;
  const child = children.data.find((c) => c.studentId === chosen) ?? children.data[0];
  if (!child) return <Nothing title="No child of yours is here">The coach makes a link by which you consent.</Nothing>;
  return (
    <>
      {children.data.length > 1 && (
        <Box role="group" aria-label="Whose week" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2 }}>
          {children.data.map((c) => (
            <Button
              key={c.studentId}
              variant={c === child ? 'contained' : 'outlined'}
              aria-pressed={c === child}
              onClick={() => setChosen(c.studentId)}
              sx={{ minHeight: 48 }}
            >
              {c.name || 'Consent taken back'}
            </Button>
          ))}
        </Box>
      )}
      {child.withdrawnAt ? (
        <Withdrawn at={child.withdrawnAt} />
      ) : child.isGrownUp ? (
        <Nothing title={`${child.name} is of age`}>Their practice is theirs alone to show.</Nothing>
      ) : (
        <ChildWeek key={child.studentId} child={child} />
      )}
    </>
  );
}

/** Why there is no week to see. */
function Nothing({ title, children }: { title: string; children: ReactNode }) {
  return (
    <>
      <PageHeading sx={{ mt: 2, mb: 2 }}>The week</PageHeading>
      <Empty title={title}>{children}</Empty>
    </>
  );
}

function Withdrawn({ at }: { at: string }) {
  return (
    <Nothing title={`You took your consent back on ${moment(at)}`}>
      The child’s account is closed, and nothing further is shown here. What was kept before can be asked for, or
      deleted, through the academy. A new link from the coach opens it all again.
    </Nothing>
  );
}

function ChildWeek({ child }: { child: Child }) {
  const person = usePerson();
  const [week, setWeek] = useState(person.week);
  const view = useChildWeek(child.studentId, week);
  return (
    <>
      <PageHeading sx={{ mt: 2 }}>{child.name}</PageHeading>
      {view.isPending && <Loading what="the week" />}
      {view.error && <ErrorNotice error={view.error} onRetry={() => void view.refetch()} />}
      {view.data && <Shown view={view.data} isThisWeek={week === person.week} onWeek={setWeek} />}
      <Consent child={child} />
    </>
  );
}

function Shown({ view, isThisWeek, onWeek }: { view: Week; isThisWeek: boolean; onWeek: (week: string) => void }) {
  const { completion, pain, sessions } = view;
  return (
    <>
      <Typography sx={{ color: 'text.secondary' }}>
        {isThisWeek ? 'This week' : `Week of ${dayName(view.monday).slice(4)}`}
        {completion.fraction !== null && `: ${percent(completion.fraction)} done, ${completion.text}`}
        {isThisWeek && dueInWords(completion) && `. ${dueInWords(completion)}`}
      </Typography>
      {pain.length > 0 && (
        <Box role="note" sx={{ mt: 1.5, pl: 1.5, borderLeft: '4px solid', borderColor: 'error.main' }}>
          {pain.map((p) => (
            <div key={p.text}>
              {p.text}, since {dayName(p.since)}, told last on {dayName(p.lastOn)}
            </div>
          ))}
          Coaching is not medicine: a doctor or physiotherapist says what is good for it.
        </Box>
      )}
      {view.word && (
        <Typography sx={{ pl: 1.5, mt: 2, borderLeft: '4px solid', borderColor: 'primary.main', fontSize: 18 }}>
          {view.word}
          <Box component="span" sx={{ display: 'block', fontSize: 14, color: 'text.secondary' }}>
            {view.saidBy}
          </Box>
        </Typography>
      )}
      {sessions.length === 0 && (
        <Box sx={{ mt: 3 }}>
          <Empty title="Nothing is set for this week" />
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, mt: 2 }}>
        {sessions.map((session, i) => (
          <Session key={i} session={session} today={view.today} />
        ))}
      </Box>
      <Before weeks={view.before} />
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mt: 3 }}>
        <Button onClick={() => onWeek(view.previous)} sx={{ minHeight: 56 }}>
          Week before
        </Button>
        <Button onClick={() => onWeek(view.next)} sx={{ minHeight: 56 }}>
          Week after
        </Button>
      </Box>
    </>
  );
}

function Session({ session, today }: { session: Schemas['ChildSession']; today: string }) {
  const { day, completion } = session;
  return (
    <Box component="li" sx={{ py: 2, borderBottom: '1px solid', borderColor: 'line' }}>
      <Box sx={{ display: 'flex', gap: 1, color: 'text.secondary', fontSize: 15 }}>
        <b>{day === null ? 'Any day' : day === today ? 'Today' : dayName(day)}</b>
        <span>{minutes(session.minutes)}</span>
        {session.requirement !== 'must' && <span>{requirements[session.requirement].toLowerCase()}</span>}
        <Box component="span" sx={{ ml: 'auto' }}>
          {session.status === 'stopped' ? completion.text : statuses[session.status]}
          {session.status === 'partDone' && completion.fraction !== null && ` ${percent(completion.fraction)}`}
        </Box>
      </Box>
      <Typography variant="h2" sx={{ mt: 0.5 }}>
        {session.title}
      </Typography>
      <Typography sx={{ mt: 0.5, mb: 1.5 }}>{session.purpose}</Typography>
      <SessionStrip segments={session.strip} label={session.title} />
    </Box>
  );
}

/** How much was done of the weeks before; said in words, because a share of nothing is no share. */
function Before({ weeks }: { weeks: Week['before'] }) {
  const counted = weeks.filter((w) => w.fraction !== null);
  if (counted.length === 0) return null;
  return (
    <Box component="section" aria-label="The weeks before" sx={{ mt: 3 }}>
      <Typography variant="h3">The weeks before</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 0.5 }}>
        {counted.map((w) => (
          <li key={w.monday}>
            {dayName(w.monday).slice(4)}: {percent(w.fraction)} done, {w.sessionsDone} of {w.sessions} whole
          </li>
        ))}
      </Box>
    </Box>
  );
}

function Consent({ child }: { child: Child }) {
  const withdraw = useWithdraw(child.studentId);
  const [isAsking, setIsAsking] = useState(false);
  return (
    <Box component="section" aria-label="Consent" sx={{ mt: 5, pt: 2, borderTop: '1px solid', borderColor: 'divider' }}>
      <Typography sx={{ color: 'text.secondary' }}>
        You consented on {moment(child.consentedAt)}. You can take that back at any time.
      </Typography>
      {!isAsking && (
        <Button onClick={() => setIsAsking(true)} sx={{ ml: -1, minHeight: 48 }}>
          Take my consent back …
        </Button>
      )}
      {isAsking && (
        <Box sx={{ mt: 1, pl: 1.5, borderLeft: '4px solid', borderColor: 'text.primary' }}>
          {child.name}’s account closes at once, on every phone; nothing more is set or kept, and you see nothing
          further here. What was kept before can be asked for, or deleted, through the academy.
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
            <Button
              variant="contained"
              onClick={() => withdraw.mutate()}
              disabled={withdraw.isPending}
              sx={{ minHeight: 56 }}
            >
              Take it back
            </Button>
            <Button onClick={() => setIsAsking(false)} sx={{ minHeight: 56 }}>
              Leave it
            </Button>
          </Box>
        </Box>
      )}
      {withdraw.error && <ErrorNotice error={withdraw.error} />}
    </Box>
  );
}
