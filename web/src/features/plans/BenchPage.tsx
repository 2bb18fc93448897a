import { useState } from 'react';
import { useLocation, useParams, useSearchParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { Loading, ErrorNotice } from '../../ui/states';
import { Bench } from './Bench';
import { copyOf, emptyPlan, planFrom, type Plan } from './benchState';
import { squad } from './ConstraintFields';
import { usePlan } from './queries';
import type { BenchSlots } from './useBench';

/** The planning bench: a new plan, or one from the list. */
export function BenchPage(slots: BenchSlots) {
  const { id = 'new' } = useParams();
  return id === 'new' ? <NewPlan {...slots} /> : <SavedPlan key={id} id={id} {...slots} />;
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

function NewPlan(slots: BenchSlots) {
  const [id] = useState(() => uuid());
  const copied = (useLocation().state as { copyOf?: Plan } | null)?.copyOf;
  const [start] = useState(() => (copied ? copyOf(copied) : emptyPlan));
  return (
    <Bench
      id={id}
      draftName="new"
      start={emptyPlan}
      begins={start}
      version={undefined}
      {...useWrittenFor()}
      {...slots}
    />
  );
}

function SavedPlan({ id, ...slots }: { id: string } & BenchSlots) {
  const plan = usePlan(id);
  const writtenFor = useWrittenFor();
  if (plan.isPending) return <Loading what="the plan" />;
  if (plan.error) return <ErrorNotice error={plan.error} onRetry={() => void plan.refetch()} />;
  return (
    <Bench
      id={id}
      draftName={id}
      start={planFrom(plan.data.plan)}
      version={plan.data.version}
      {...writtenFor}
      {...slots}
    />
  );
}
