import { useEffect, useEffectEvent, useReducer, useState } from 'react';
import { useBlocker, useNavigate } from 'react-router';
import { Problem, type Schemas } from '../../api/client';
import { draftKey, usePerson } from '../../app/session';
import { changed, opened, planFrom, type Plan } from './draft';
import { useCheck, useSavePlan, type For } from './queries';

function keptDraft(key: string): Plan | undefined {
  const text = localStorage.getItem(key);
  return text ? planFrom(JSON.parse(text) as Schemas['SessionPlan']) : undefined;
}

/** How long nothing has to change before a plan that was saved once is saved by itself. */
const autosaveAfter = 2_500;

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
  /** Under what name unsaved changes are kept on this device. */
  draftName: string;
  start: Plan;
  /** What the bench begins with where nothing of it is saved, such as a copy of another plan. */
  begins?: Plan;
  /** None for a plan that was never saved. */
  version: number | undefined;
  /** For whom it is written. */
  writtenFor: For;
}

/** The state of the bench: the text, what the server makes of it, and whether it is saved. */
export function useBench({ id, draftName, start, begins, version: startVersion, writtenFor }: BenchProps) {
  const stored = draftKey(usePerson().accountId, `bench-${draftName}`);
  const [restored] = useState(() => keptDraft(stored));
  const [draft, change] = useReducer(changed, begins && begins !== start ? begins : (restored ?? start), opened);
  const [saved, setSaved] = useState({ plan: start, version: startVersion });
  const [newer, setNewer] = useState<Schemas['PlanView']>();
  const check = useCheck(useSettled(draft.plan, 25), writtenFor);
  const save = useSavePlan(id);
  const navigate = useNavigate();
  const isDirty = JSON.stringify(draft.plan) !== JSON.stringify(saved.plan);

  // What was typed survives a closed tab or a browser that gave up.
  useEffect(() => {
    if (isDirty) localStorage.setItem(stored, JSON.stringify(draft.plan));
    else localStorage.removeItem(stored);
  }, [draft.plan, isDirty, stored]);
  useEffect(() => {
    if (!isDirty) return;
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
          setSaved({ plan, version: view.version });
          setNewer(undefined);
          localStorage.removeItem(stored);
          if (version === undefined)
            void navigate({ pathname: `/plans/${id}`, search: window.location.search }, { replace: true });
        },
        onError: (e) => {
          if (e instanceof Problem && e.status === 412) setNewer(e.current as Schemas['PlanView']);
        },
      },
    );
  };

  // A plan that was saved once is saved by itself, unless something stands in the way that a person has to decide.
  const mayAutosave =
    isDirty &&
    saved.version !== undefined &&
    !newer &&
    !save.isPending &&
    !save.error &&
    check.data?.reading.toKeep.length === 0;
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
    reading: check.data?.reading,
    checkError: check.error,
    isDirty,
    isSaved: saved.version !== undefined,
    isSaving: save.isPending,
    saveError: newer ? null : save.error,
    save: () => saveOver(saved.version),
    /** Until something is written on top: what is dropped is what was found, and nothing since. */
    wasRestored: restored !== undefined && isDirty && draft.plan === restored,
    discard: () => change({ do: 'open', plan: saved.plan }),
    newer: newer && {
      take: () => {
        const plan = planFrom(newer.plan);
        setSaved({ plan, version: newer.version });
        setNewer(undefined);
        change({ do: 'open', plan });
      },
      overwrite: () => saveOver(newer.version),
    },
    blocker,
  };
}

export type BenchState = ReturnType<typeof useBench>;
