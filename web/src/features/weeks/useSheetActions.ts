import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { answer, api, type Schemas } from '../../api/client';
import { weekKeys, weekViews } from '../../api/queryKeys';
import { count, excuses } from '../../ui/format';
import { changedBefore, moveTo, putTogether, type Card, type Change, type Put, type Sheet, type Whose } from './sheet';
import { getSheet } from './useSheet';

interface Step {
  /** What is taken back, as it is said on the button. */
  what: string;
  undo: () => Promise<readonly string[]>;
}

/** Something done on the sheet: what came of it, and how it is taken back. */
type Action = () => Promise<{ text: string; refused?: readonly string[]; undo?: Step['undo'] }>;

/** What the sheet last did, to be said once. */
export interface Said {
  text: string;
  refused: readonly string[];
}

const moved = (sessions: number) => `Moved ${count(sessions, 'session')}.`;

/** How last week is copied where something stands already. */
export type CopyHow = 'empty' | 'replace' | 'add';

/** What a coach does on the sheet. Everything can be taken back, the last first. */
export function useSheetActions(week: string, whose: Whose) {
  const queries = useQueryClient();
  const steps = useRef<readonly Step[]>([]);
  const turn = useRef(Promise.resolve());
  const [canUndo, setCanUndo] = useState(false);
  const [said, setSaid] = useState<Said>();
  const [isBusy, setIsBusy] = useState(false);
  const key = weekKeys.sheet(week, whose);

  const keep = (now: readonly Step[]) => {
    steps.current = now;
    setCanUndo(now.length > 0);
  };

  const change = (changes: readonly Change[]) =>
    answer(api.POST('/api/weeks/changes', { body: { changes: [...changes] } }));

  const refusedOf = (changed: readonly Schemas['WeekChanged'][], title: (id: string) => string) =>
    changed.flatMap((c) => (c.refused ? [`${title(c.id)}: ${c.refused}`] : []));

  /**
   * Does something, says what came of it, and shows what is there now. Nothing is lost when it fails: it says so. One after the
   * other: what is pressed meanwhile finds what came of the one before, undo above all.
   */
  function run(action: Action) {
    const done = turn.current.then(() => perform(action));
    turn.current = done.catch(() => undefined);
    return done;
  }

  async function perform(action: Action) {
    setIsBusy(true);
    let told: Said | undefined;
    try {
      const done = await action();
      told = { text: done.text, refused: done.refused ?? [] };
      const { undo } = done;
      if (undo) keep([...steps.current.slice(-49), { what: done.text, undo }]);
    } catch (e) {
      told = { text: '', refused: [e instanceof Error ? e.message : 'Something went wrong.'] };
    } finally {
      // It is said once it is seen.
      await queries.invalidateQueries({ queryKey: key });
      if (told) setSaid(told);
      setIsBusy(false);
      for (const queryKey of weekViews) void queries.invalidateQueries({ queryKey });
    }
  }

  const titles = () =>
    new Map(
      queries
        .getQueryData<Sheet>(key)
        ?.rows.flatMap((r) => r.sessions.map((s) => [s.assignmentId, `“${s.title}” of ${r.name}`] as const)) ?? [],
    );

  function applyNow(changes: readonly Change[]) {
    queries.setQueryData<Sheet>(key, (sheet) => sheet && changedBefore(sheet, changes));
  }

  /** Moves sessions, or changes how they count. */
  const move = async (moves: readonly Change[], before: readonly Card[], text = moved) =>
    moves.length > 0 &&
    run(async () => {
      const names = titles();
      await queries.cancelQueries({ queryKey: key });
      applyNow(moves);
      const changed = await change(moves);
      const done = changed.flatMap((c) => (c.card ? [c.card] : []));
      return {
        text: done.length > 0 ? text(done.length) : '',
        refused: refusedOf(changed, (id) => names.get(id) ?? 'A session'),
        ...(done.length > 0 && { undo: () => back(done, before) }),
      };
    });

  /** Excuses sessions, or with no reason takes their excuse back. */
  const excuse = (cards: readonly Card[], why: Schemas['Excuse'] | null) =>
    run(async () => {
      const names = titles();
      const excused = (some: readonly Card[], whyOf: (id: string) => Schemas['Excuse'] | null) =>
        change(
          some.map((c) => ({
            kind: 'excuse' as const,
            id: c.assignmentId,
            version: versionNow(c),
            excuse: whyOf(c.assignmentId),
          })),
        );
      const before = new Map(cards.map((c) => [c.assignmentId, c.excuse]));
      const changed = await excused(cards, () => why);
      const done = changed.flatMap((c) => (c.card ? [c.card] : []));
      return {
        text: why
          ? `Excused ${count(done.length, 'session')}: ${excuses[why].toLowerCase()}.`
          : `Took the excuse of ${count(done.length, 'session')} back.`,
        refused: refusedOf(changed, (id) => names.get(id) ?? 'A session'),
        undo: async () =>
          refusedOf(await excused(done, (id) => before.get(id) ?? null), (id) => names.get(id) ?? 'A session'),
      };
    });

  /** The version of a session that the coach sees at this moment: steps that are taken back change it too. */
  const versionNow = (card: Card) =>
    queries
      .getQueryData<Sheet>(key)
      ?.rows.flatMap((r) => r.sessions)
      .find((s) => s.assignmentId === card.assignmentId)?.version ?? card.version;

  /** Sessions back on the days where they were before. */
  async function back(now: readonly Card[], before: readonly Card[]) {
    const were = new Map(before.map((c) => [c.assignmentId, c]));
    const moves = now.flatMap((card) => {
      const was = were.get(card.assignmentId);
      return was && (was.day !== card.day || was.requirement !== card.requirement)
        ? [{ ...moveTo(was, was.day), version: versionNow(card), isDayChosen: was.notes?.isDayChosen ?? false }]
        : [];
    });
    return moves.length === 0 ? [] : refusedOf(await change(moves), (id) => were.get(id)?.title ?? 'A session');
  }

  const takeOut = async (cards: readonly Card[]) =>
    cards.length > 0 &&
    run(async () => {
      const names = titles();
      const changes = cards.map((c) => ({ kind: 'takeOut' as const, id: c.assignmentId, version: c.version }));
      await queries.cancelQueries({ queryKey: key });
      applyNow(changes);
      const changed = await change(changes);
      const out = cards.filter((c) => changed.some((d) => d.id === c.assignmentId && !d.refused));
      return {
        text: out.length > 0 ? `Took out ${count(out.length, 'session')}.` : '',
        refused: refusedOf(changed, (id) => names.get(id) ?? 'A session'),
        ...(out.length > 0 && {
          undo: async () =>
            refusedOf(
              await change(out.map((c) => ({ kind: 'restore' as const, id: c.assignmentId, version: c.version + 1 }))),
              (id) => names.get(id) ?? 'A session',
            ),
        }),
      };
    });

  /** Takes sessions out that were put in a moment ago. */
  const outAgain = async (cards: readonly Card[]) =>
    refusedOf(
      await change(cards.map((c) => ({ kind: 'takeOut' as const, id: c.assignmentId, version: versionNow(c) }))),
      (id) => cards.find((c) => c.assignmentId === id)?.title ?? 'A session',
    );

  const put = async (puts: readonly Put[]) =>
    puts.length > 0 &&
    run(async () => {
      const cards: Card[] = [];
      const refused: string[] = [];
      // One call a plan, day and requirement, for as many students as there are.
      for (const [first, ...others] of putTogether(puts)) {
        if (!first) continue;
        try {
          const set = await answer(
            api.POST('/api/weeks/{week}/set', {
              params: { path: { week } },
              body: {
                planId: first.planId,
                day: first.day,
                requirement: first.requirement,
                sessions: [first, ...others].map((p) => ({ id: uuid(), studentId: p.studentId })),
              },
            }),
          );
          cards.push(...set.flatMap((w) => w.sessions));
        } catch (e) {
          refused.push(e instanceof Error ? e.message : 'Something went wrong.');
        }
      }
      const own = cards.filter((c) => c.hasOwnText).length;
      return {
        text:
          cards.length === 0
            ? ''
            : `Put in ${count(cards.length, 'session')}${own > 0 ? `, ${own} made the student’s own` : ''}.`,
        refused,
        ...(cards.length > 0 && { undo: () => outAgain(cards) }),
      };
    });

  /** Copies last week: into empty weeks alone, in the place of drafts, or beside what is there. */
  const copyLastWeek = (students: readonly string[], how: CopyHow = 'add') =>
    run(async () => {
      const before = new Set(titles().keys());
      const drafts =
        how !== 'replace'
          ? []
          : (queries
              .getQueryData<Sheet>(key)
              ?.rows.filter((r) => students.includes(r.studentId))
              .flatMap((r) => r.sessions.filter((s) => !s.isPublished && s.requirement !== 'own')) ?? []);
      if (drafts.length > 0)
        await change(drafts.map((c) => ({ kind: 'takeOut' as const, id: c.assignmentId, version: c.version })));
      const replaced = new Set(drafts.map((c) => c.assignmentId));
      for (const id of replaced) before.delete(id);
      const set = await answer(
        api.POST('/api/weeks/{week}/copy', {
          params: { path: { week } },
          body: { students: [...students], onlyEmpty: how === 'empty' },
        }),
      );
      const cards = set.flatMap((w) => w.sessions).filter((c) => !before.has(c.assignmentId));
      if (cards.length === 0) return { text: 'Nothing new to copy: last week is here already, or was empty.' };
      const [missed, offers] = [
        cards.filter((c) => c.notes?.wasMissed).length,
        cards.filter((c) => (c.notes?.offers?.length ?? 0) > 0).length,
      ];
      return {
        text: [
          `Copied ${count(cards.length, 'session')}.`,
          missed > 0 && `${missed} had been missed.`,
          offers > 0 && `${count(offers, 'session')} could go on a step.`,
        ]
          .filter(Boolean)
          .join(' '),
        undo: async () => {
          // A draft that the copy brought back was there before, and stays.
          const brought = new Set(cards.map((c) => c.assignmentId));
          const left = await outAgain(cards.filter((c) => !replaced.has(c.assignmentId)));
          const gone = drafts.filter((c) => !brought.has(c.assignmentId));
          if (gone.length === 0) return left;
          const back = await change(
            gone.map((c) => ({ kind: 'restore' as const, id: c.assignmentId, version: c.version + 1 })),
          );
          return [...left, ...refusedOf(back, (id) => drafts.find((c) => c.assignmentId === id)?.title ?? 'A session')];
        },
      };
    });

  /** Puts in what this week of their programmes holds. */
  const fill = (students: readonly string[]) =>
    run(async () => {
      const before = new Set(titles().keys());
      const set = await answer(
        api.POST('/api/weeks/{week}/programmes', { params: { path: { week } }, body: { students: [...students] } }),
      );
      const cards = set.flatMap((w) => w.sessions).filter((c) => !before.has(c.assignmentId));
      return cards.length === 0
        ? { text: 'Nothing new from programmes: what they hold for this week is here already.' }
        : { text: `Put in ${count(cards.length, 'session')} from programmes.`, undo: () => outAgain(cards) };
    });

  /** Lets a programme wait this week for a student, or not any more. */
  const wait = (studentId: string, runId: string, waits: boolean) =>
    run(async () => {
      const put = (waits: boolean) =>
        answer(
          api.PUT('/api/programmes/runs/{id}/waits', {
            params: { path: { id: runId } },
            body: { studentId, week, waits },
          }),
        );
      await put(waits);
      return {
        text: waits ? 'The programme waits this week.' : 'The programme goes on this week.',
        undo: async () => {
          await put(!waits);
          return [];
        },
      };
    });

  const place = (students: readonly string[]) =>
    run(async () => {
      const before = queries.getQueryData<Sheet>(key)?.rows.flatMap((r) => r.sessions) ?? [];
      const weeks = await answer(
        api.POST('/api/weeks/{week}/place', { params: { path: { week } }, body: { students: [...students] } }),
      );
      const placed = weeks.flatMap((w) => w.placed);
      if (placed.length === 0) return { text: 'No drafts to place: what you put on a day stays there.' };
      const nowhere = placed.filter((p) => p.day === null).length;
      const cards = weeks.flatMap((w) => w.sessions);
      return {
        text: `Placed ${count(placed.length - nowhere, 'session')}.${
          nowhere > 0
            ? ` ${count(nowhere, 'session')} found no day and ${nowhere === 1 ? 'stays' : 'stay'} on any day.`
            : ''
        }`,
        undo: () => back(cards, before),
      };
    });

  const publish = (students: readonly string[]) =>
    run(async () => {
      const weeks = await answer(
        api.POST('/api/weeks/{week}/publish', { params: { path: { week } }, body: { students: [...students] } }),
      );
      const published = weeks.flatMap((w) => w.published);
      const kept = weeks.flatMap((w) =>
        w.notPublished.map((k) => `${w.studentName}, ${k.title}${k.segment ? `, “${k.segment}”` : ''}: ${k.why}`),
      );
      return {
        text: `Published ${count(published.length, 'session')}.`,
        refused: kept,
        ...(published.length > 0 && {
          undo: async () => {
            const sheet = await getSheet(week, whose);
            const ids = new Set(published.map((p) => p.assignmentId));
            const cards = sheet.rows.flatMap((r) => r.sessions).filter((c) => ids.has(c.assignmentId));
            return refusedOf(
              await change(cards.map((c) => ({ kind: 'withdraw' as const, id: c.assignmentId, version: c.version }))),
              (id) => cards.find((c) => c.assignmentId === id)?.title ?? 'A session',
            );
          },
        }),
      };
    });

  const undo = () =>
    void run(async () => {
      const last = steps.current.at(-1);
      if (!last) return { text: '' };
      const refused = await last.undo();
      // What could not even be tried can be tried again.
      keep(steps.current.filter((step) => step !== last));
      return { text: `Taken back: ${last.what.charAt(0).toLowerCase()}${last.what.slice(1)}`, refused };
    });

  const step = (card: Card, take: readonly string[], leave: readonly string[]) =>
    run(async () => {
      await answer(
        api.PUT('/api/weeks/assignments/{id}/steps', {
          params: { path: { id: card.assignmentId } },
          headers: { 'If-Match': `"${card.version}"` },
          body: { take: [...take], leave: [...leave] },
        }),
      );
      return { text: take.length > 0 ? `Took the next step in “${card.title}”.` : `Left “${card.title}” as it is.` };
    });

  return {
    move,
    takeOut,
    excuse,
    put,
    copyLastWeek,
    fill,
    wait,
    place,
    publish,
    undo,
    step,
    said,
    say: setSaid,
    isBusy,
    canUndo,
  };
}
