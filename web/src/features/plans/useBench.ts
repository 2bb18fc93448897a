import { useMutation } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useReducer, useState, type ComponentType } from 'react';
import { flushSync } from 'react-dom';
import { useBlocker, useNavigate } from 'react-router';
import { Problem, type Schemas } from '../../api/client';
import { draftKey, usePerson } from '../../app/signIn';
import { dropLocalDraft, readLocalDraft, writeLocalDraft } from '../../ui/localDrafts';
import { changed, opened, planFrom, type Plan } from './benchState';
import { useCheck, type For } from './queries';

/** What the server has instead of what the bench began from. */
interface Newer {
  plan: Plan;
  version: number;
}

/** How long nothing has to change before a plan that was saved once is saved by itself. */
const autosaveAfter = 2_500;

/** A pause in typing after which the plan is checked: one check a pause, not one a key. */
const checkAfter = 150;

/** The last value once it has stood still for a moment. */
function useSettled<T>(value: T, milliseconds: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}

export interface BenchProps {
  id: string;
  start: Plan;
  /** What the bench begins with where nothing of it is saved, such as a copy of another plan. */
  begins?: Plan;
  /** None for a plan that was never saved. */
  version: number | undefined;
  /** For whom it is written. */
  writtenFor: For;
  /** Writes the text over a version, or for the first time, and says which version it is then. */
  save: (plan: Plan, version: number | undefined) => Promise<{ version: number }>;
  /** Whether what was saved once is saved by itself while it is written. */
  savesItself: boolean;
}

/** What the bench needs of features that stand above it. */
export interface BenchSlots {
  /** Puts a plan into students' weeks; none for a text that is no plan but somebody's session. */
  SetFor?: ComponentType<{ planId: string; title: string; onClose: () => void }>;
}

/** Under what name unsaved changes are kept on this device: there is one plan at a time that was never saved. */
const draftName = (id: string, version: number | undefined) => `bench-${version === undefined ? 'new' : id}`;

/** What asks before a plan with unsaved changes is left. */
export const fetchLeaveDialog = () => import('./LeaveDialog');

/** The state of the bench: the text, what the server makes of it, and whether it is saved. */
export function useBench(props: BenchProps) {
  const { id, start, begins, version: startVersion, writtenFor } = props;
  const { accountId } = usePerson();
  const [{ draft: kept, wasDropped }] = useState(() =>
    readLocalDraft<Plan>(draftKey(accountId, draftName(id, startVersion)), start),
  );
  const [restored] = useState(() => kept && planFrom(kept.content));
  const [draft, change] = useReducer(changed, begins && begins !== start ? begins : (restored ?? start), opened);
  // What was typed on an older version waits for a person to decide; it is not saved over the newer one.
  const isStale = kept !== undefined && startVersion !== undefined && kept.version !== startVersion;
  const [saved, setSaved] = useState({ plan: start, version: isStale ? kept.version : startVersion });
  const stored = draftKey(accountId, draftName(id, saved.version));
  const [newer, setNewer] = useState<Newer | undefined>(isStale ? { plan: start, version: startVersion } : undefined);
  const check = useCheck(useSettled(draft.plan, checkAfter), writtenFor);
  const save = useMutation({
    mutationFn: ({ plan, version }: { plan: Plan; version: number | undefined }) => props.save(plan, version),
  });
  const navigate = useNavigate();
  const isDirty = JSON.stringify(draft.plan) !== JSON.stringify(saved.plan);

  // What was typed survives a closed tab or a browser that gave up.
  useEffect(() => {
    if (isDirty) writeLocalDraft(stored, { content: draft.plan, version: saved.version });
    else dropLocalDraft(stored);
  }, [draft.plan, isDirty, stored, saved.version]);
  useEffect(() => {
    if (!isDirty) return;
    // Whatever cannot be fetched now is tried again when it is needed.
    fetchLeaveDialog().catch(() => undefined);
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isDirty]);
  // For whom it is written stands in the address too: choosing somebody does not leave the plan.
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      isDirty && nextLocation.pathname !== currentLocation.pathname && !nextLocation.pathname.endsWith(id),
  );

  const saveOver = (version: number | undefined) => {
    const plan = draft.plan;
    save.mutate(
      { plan, version },
      {
        onSuccess: (view) => {
          // At once: who goes back in the next moment leaves nothing unsaved, and is not asked.
          flushSync(() => {
            setSaved({ plan, version: view.version });
            setNewer(undefined);
          });
          dropLocalDraft(stored);
          if (version === undefined)
            void navigate({ pathname: `/plans/${id}`, search: window.location.search }, { replace: true });
        },
        onError: (e) => {
          if (!(e instanceof Problem) || e.status !== 412) return;
          const view = e.current as Schemas['PlanView'];
          setNewer({ plan: planFrom(view.plan), version: view.version });
        },
      },
    );
  };

  // What was saved once is saved by itself where it may be, unless something stands in the way that a person has to decide.
  const mayAutosave =
    props.savesItself &&
    isDirty &&
    saved.version !== undefined &&
    !newer &&
    !save.isPending &&
    !save.error &&
    check.data?.analysis.toKeep.length === 0;
  const autosave = useEffectEvent(() => saveOver(saved.version));
  useEffect(() => {
    if (!mayAutosave) return;
    const timer = setTimeout(() => autosave(), autosaveAfter);
    return () => clearTimeout(timer);
  }, [mayAutosave, draft.plan]);

  return {
    draft,
    change,
    check: check.data,
    analysis: check.data?.analysis,
    checkError: check.error,
    isDirty,
    isSaved: saved.version !== undefined,
    version: saved.version,
    isSaving: save.isPending,
    saveError: newer ? null : save.error,
    save: () => saveOver(saved.version),
    /** What was kept on this device could not be read and is gone. */
    wasDropped,
    /** Until something is written on top: what is dropped is what was found, and nothing since. */
    wasRestored: restored !== undefined && isDirty && draft.plan === restored,
    discard: () => change({ do: 'open', plan: saved.plan }),
    newer: newer && {
      take: () => {
        setSaved(newer);
        setNewer(undefined);
        change({ do: 'open', plan: newer.plan });
      },
      overwrite: () => saveOver(newer.version),
    },
    blocker,
  };
}

export type Bench = ReturnType<typeof useBench>;
