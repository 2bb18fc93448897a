import { useState } from 'react';
import { useLocation, useParams, useSearchParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { Loading, ErrorNotice } from '../../ui/states';
import { Bench } from './Bench';
import { copyOf, emptyPlan, planFrom, type Plan } from './benchState';
import { squad } from './frame';
import { usePlan, useSavePlan } from './queries';
import type { BenchSlots } from './useBench';

/**
 * The planning bench: a new plan, or one from the list. A new plan stays on the bench it was begun on when saving gives it
 * an address, so that what was typed meanwhile is still there.
 */
export function BenchPage(slots: BenchSlots) {
  const { id = 'new' } = useParams();
  const [shown, setShown] = useState(id);
  const [newId, setNewId] = useState(() => uuid());
  if (shown !== id) {
    setShown(id);
    if (id !== newId) setNewId(uuid());
  }
  return id === 'new' || id === newId ? (
    <NewPlan key={newId} id={newId} {...slots} />
  ) : (
    <SavedPlan key={id} id={id} {...slots} />
  );
}

/** For whom the plan is written stands in the address: it belongs to the look, not to the plan. */
function useWrittenFor() {
  const [params, setParams] = useSearchParams();
  const who = params.get('for');
  const isSquad = who === squad;
  return {
    writtenFor: { studentId: isSquad ? null : who, isSquad },
    onFor: (next: string | null) => setParams(next ? { for: next } : {}, { replace: true }),
  };
}

function NewPlan({ id, ...slots }: { id: string } & BenchSlots) {
  const copied = (useLocation().state as { copyOf?: Plan } | null)?.copyOf;
  const [start] = useState(() => (copied ? copyOf(copied) : emptyPlan));
  const kept = { save: useSavePlan(id), savesItself: true, ...useWrittenFor() };
  return <Bench id={id} start={emptyPlan} begins={start} version={undefined} {...kept} {...slots} />;
}

function SavedPlan({ id, ...slots }: { id: string } & BenchSlots) {
  const plan = usePlan(id);
  const kept = { save: useSavePlan(id), savesItself: true, ...useWrittenFor() };
  if (plan.isPending) return <Loading what="the plan" />;
  if (plan.error) return <ErrorNotice error={plan.error} onRetry={() => void plan.refetch()} />;
  return <Bench id={id} start={planFrom(plan.data.plan)} version={plan.data.version} {...kept} {...slots} />;
}
