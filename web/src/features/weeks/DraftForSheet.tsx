import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { places } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { ErrorNotice } from '../../ui/states';
import type { Schemas } from '../../api/client';
import { planFrom } from '../plans/benchState';
import { useAddPlan, useDraftOne } from '../plans/queries';

const DraftDialog = onDemand(() => import('../plans/DraftDialog').then((m) => m.DraftDialog));

interface Props {
  /** For whom it is drafted. */
  students: readonly string[];
  /** Takes the draft, which is a plan by then. */
  onDrafted: (planId: string) => void;
}

/** Drafts a plan for whoever is selected, and puts it in. It can be changed on the bench like any other. */
export function DraftForSheet({ students, onDrafted }: Props) {
  const [isAsking, setIsAsking] = useState(false);
  const [asked, setAsked] = useState<{ request: Schemas['DraftRequest']; together: string[] }>();
  const draft = useDraftOne();
  const add = useAddPlan();
  const one = students.length === 1 ? (students[0] ?? null) : null;
  const draftWith = (request: Schemas['DraftRequest'], together: string[]) => {
    setAsked({ request, together });
    draft.mutate(
      { request, studentId: one, studentIds: together },
      {
        onSuccess: (made) => {
          setIsAsking(false);
          if (made.plan) add.mutate(planFrom(made.plan), { onSuccess: (id) => onDrafted(id) });
        },
      },
    );
  };
  return (
    <Box sx={{ mb: 1 }}>
      <Button
        variant="outlined"
        disabled={students.length === 0 || draft.isPending || add.isPending}
        onClick={() => setIsAsking(true)}
      >
        Draft one
      </Button>
      {draft.data && !draft.data.plan && asked && (
        <Box role="status" sx={{ mt: 0.5, fontSize: 14 }}>
          Nothing honest can be drafted from these answers.
          {[...draft.data.compromises, ...draft.data.offers.map((o) => o.text)].map((text) => (
            <div key={text}>{text}</div>
          ))}
          {draft.data.offers.map((o) => (
            <Button key={o.place} onClick={() => draftWith({ ...asked.request, places: [o.place] }, asked.together)}>
              Draft one: {places[o.place].toLowerCase()}
            </Button>
          ))}
        </Box>
      )}
      {add.error && (
        <ErrorNotice
          error={add.error}
          onRetry={() =>
            draft.data?.plan && add.mutate(planFrom(draft.data.plan), { onSuccess: (id) => onDrafted(id) })
          }
        />
      )}
      {isAsking && (
        <DraftDialog
          constraints={{}}
          error={draft.error}
          isDrafting={draft.isPending}
          studentId={one}
          beginsWith={one ? [] : students}
          onDraft={draftWith}
          onClose={() => setIsAsking(false)}
        />
      )}
    </Box>
  );
}
