import { useEffect, useReducer, useState } from 'react';
import { useBlocker, useNavigate } from 'react-router';
import { Problem, type Schemas } from '../../api/client';
import { changed, planFrom, type Plan } from './draft';
import { useReading, useSavePlan } from './queries';

const storageKey = (key: string) => `morning-round-bench-${key}`;

function keptDraft(key: string): Plan | undefined {
  const text = localStorage.getItem(storageKey(key));
  return text ? (JSON.parse(text) as Plan) : undefined;
}

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
  draftKey: string;
  start: Plan;
  /** None for a plan that was never saved. */
  version: number | undefined;
}

/** The state of the bench: the text, what the server makes of it, and whether it is saved. */
export function useBench({ id, draftKey, start, version: startVersion }: BenchProps) {
  const [restored] = useState(() => keptDraft(draftKey));
  const [draft, change] = useReducer(changed, restored ?? start, (plan) => ({
    plan,
    selected: plan.segments[0]?.id,
    removed: undefined,
  }));
  const [saved, setSaved] = useState({ plan: start, version: startVersion });
  const [newer, setNewer] = useState<Schemas['PlanView']>();
  const reading = useReading(useSettled(draft.plan, 60));
  const save = useSavePlan(id);
  const navigate = useNavigate();
  const isDirty = JSON.stringify(draft.plan) !== JSON.stringify(saved.plan);

  // What was typed survives a closed tab or a browser that gave up.
  useEffect(() => {
    if (isDirty) localStorage.setItem(storageKey(draftKey), JSON.stringify(draft.plan));
    else localStorage.removeItem(storageKey(draftKey));
  }, [draft.plan, isDirty, draftKey]);
  useEffect(() => {
    if (!isDirty) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isDirty]);
  const blocker = useBlocker(({ nextLocation }) => isDirty && !nextLocation.pathname.endsWith(id));

  const saveOver = (version: number | undefined) => {
    const plan = draft.plan;
    save.mutate(
      { plan, version },
      {
        onSuccess: (view) => {
          setSaved({ plan, version: view.version });
          setNewer(undefined);
          localStorage.removeItem(storageKey(draftKey));
          if (version === undefined) void navigate(`/plans/${id}`, { replace: true });
        },
        onError: (e) => {
          if (e instanceof Problem && e.status === 412) setNewer(e.current as Schemas['PlanView']);
        },
      },
    );
  };

  return {
    draft,
    change,
    reading: reading.data,
    readingError: reading.error,
    isDirty,
    isSaved: saved.version !== undefined,
    isSaving: save.isPending,
    saveError: newer ? null : save.error,
    save: () => saveOver(saved.version),
    wasRestored: restored !== undefined && isDirty,
    discard: () => change({ do: 'replace', plan: saved.plan }),
    newer: newer && {
      take: () => {
        const plan = planFrom(newer.plan);
        setSaved({ plan, version: newer.version });
        setNewer(undefined);
        change({ do: 'replace', plan });
      },
      overwrite: () => saveOver(newer.version),
    },
    blocker,
  };
}
