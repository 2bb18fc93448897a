import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { LocalDraftNotices, Notice } from '../../ui/LocalDraftNotices';
import { onDemand } from '../../ui/onDemand';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Key, ErrorNotice } from '../../ui/states';
import { AddSegment, addKeys } from './AddSegment';
import { BenchHead } from './BenchHead';
import { CheckPanel } from './CheckPanel';
import { keepingWords, newSegment, planFrom, segmentOf, type Plan } from './benchState';
import { DrillsThatFit } from './DrillsThatFit';
import { HeadInBrief } from './HeadInBrief';
import { StickySummary } from './StickySummary';
import { useDraftOne, useFix, usePlanContext, useRemovePlan } from './queries';
import { SegmentEditor } from './SegmentEditor';
import { SegmentList } from './SegmentList';
import { marksOf, stripOf } from './stripOf';
import { Totals } from './Totals';
import { fetchLeaveDialog, useBench, type BenchProps, type BenchSlots } from './useBench';

// Dialogs, the words and the frame, which wait behind a line, and what only an empty plan or a drafted one shows, come when they
// are needed. The one before leaving is fetched as soon as there is something to lose.
const Head = onDemand(() => import('./Head').then((m) => m.Head));
const Drafted = onDemand(() => import('./Drafted').then((m) => m.Drafted));
const Templates = onDemand(() => import('./Templates').then((m) => m.Templates));
const DraftDialog = onDemand(() => import('./DraftDialog').then((m) => m.DraftDialog));
const DrillDialog = onDemand(() => import('./DrillDialog').then((m) => m.DrillDialog));
const LeaveDialog = onDemand(() => fetchLeaveDialog().then((m) => m.LeaveDialog));

/** Stays beside whatever is written, however long that is, below what is kept in sight. */
const besideAll = {
  position: { md: 'sticky' },
  top: { md: 76 },
  alignSelf: 'start',
  maxHeight: { md: 'calc(100vh - 88px)' },
  overflowY: { md: 'auto' },
} as const;

interface Own {
  /** Chooses for whom it is written; none where that is settled. */
  onFor?: (studentId: string | null) => void;
  /** What stands under the title; it may put another text on the bench. */
  above?: (take: (plan: Plan) => void) => ReactNode;
}

/**
 * Where a coach writes a plan: the words on top, the strip across, segments to the left, the one in hand in the middle,
 * what is to be said to the right.
 */
export function Bench({ onFor, SetFor, above, ...props }: BenchProps & BenchSlots & Own) {
  const bench = useBench(props);
  const { draft, change } = bench;
  const { plan, selected } = draft;
  const remove = useRemovePlan();
  const navigate = useNavigate();
  // Above the fold stands the work: the words and the constraints of a plan that has segments wait behind a line.
  const [showsHead, setShowsHead] = useState(plan.segments.length === 0 || plan.purpose === '');
  const [isSetting, setIsSetting] = useState(false);
  const [isChoosing, setIsChoosing] = useState(false);
  const [isDrafting, setIsDrafting] = useState(false);
  const [drafted, setDrafted] = useState<{ asked: Schemas['PlanDraftInput']; draft: Schemas['Drafted']; over: Plan }>();
  const { studentId } = props.writtenFor;
  const context = usePlanContext(studentId);
  const fix = useFix();
  const draftOne = useDraftOne();
  const index = plan.segments.findIndex((s) => s.id === selected);
  const segment = plan.segments[index];
  const strip = useRef<HTMLElement>(null);
  const editor = useRef<HTMLElement>(null);
  const drawn = stripOf(plan, bench.analysis?.strip ?? []);
  const place = plan.segments.findLast((s) => s.kind === 'practice')?.place ?? 'range';
  const add = (of: keyof typeof addKeys) => change({ do: 'add', segment: newSegment(of, place) });
  const problems = bench.saveError instanceof Problem ? bench.saveError : undefined;
  const errorAt = (path: string) =>
    bench.analysis?.toKeep.find((e) => e.path === path && path !== 'title')?.message ?? problems?.fieldError(path);

  const mend = (finding: Schemas['Finding']) =>
    fix.mutate(
      { plan, studentId, finding: finding.id, segmentId: finding.segmentId ?? null },
      { onSuccess: (mended) => change({ do: 'take', plan: planFrom(mended) }) },
    );
  const overrule = (finding: Schemas['Finding'], reason: string | undefined) => {
    const others = plan.overruled.filter((o) => o.finding !== finding.id || o.segmentId !== finding.segmentId);
    const overruled =
      reason === undefined
        ? others
        : [...others, { finding: finding.id, segmentId: finding.segmentId ?? null, reason }];
    change({ do: 'write', text: { overruled } });
  };
  const draftWith = (asked: Schemas['PlanDraftInput'], over: Plan) =>
    draftOne.mutate(asked, {
      onSuccess: (draft) => {
        setDrafted({ asked, draft, over });
        setIsDrafting(false);
        if (!draft.plan) return;
        // A draft brings its words along, and what it has to fit was just said.
        setShowsHead(false);
        change({ do: 'take', plan: keepingWords(over, planFrom(draft.plan)) });
      },
    });
  const draftAgain = (part: Partial<Schemas['DraftRequest']>) =>
    drafted && draftWith({ ...drafted.asked, request: { ...drafted.asked.request, ...part } }, drafted.over);
  const take = (drill: Schemas['DrillView']) => change({ do: 'add', segment: segmentOf(drill, place) });
  const firstFix = bench.check?.findings.find((f) => f.fix && f.overruledBecause === null);

  const goInto = () => editor.current?.querySelector<HTMLElement>('input, textarea')?.focus();
  // Whoever picks the segment that is in hand already wants to write in it.
  const select = (id: string) => (id === selected ? goInto() : change({ do: 'select', id }));

  useKeys({
    'Ctrl+s': bench.save,
    'Ctrl+z': () => change({ do: 'undo' }),
    'Ctrl+y': () => change({ do: 'redo' }),
    'Alt+d': () => selected && change({ do: 'duplicate', id: selected }),
    'Alt+s': () => selected && change({ do: 'split', id: selected }),
    f: () => firstFix && mend(firstFix),
    g: () => setIsDrafting(true),
    ArrowUp: () => change({ do: 'selectNext', by: -1 }),
    ArrowDown: () => change({ do: 'selectNext', by: 1 }),
    'Alt+ArrowUp': () => selected && change({ do: 'move', id: selected, to: index - 1 }),
    'Alt+ArrowDown': () => selected && change({ do: 'move', id: selected, to: index + 1 }),
    'Alt+ArrowLeft': () => selected && change({ do: 'lengthen', id: selected, by: -1 }),
    'Alt+ArrowRight': () => selected && change({ do: 'lengthen', id: selected, by: 1 }),
    Delete: () => selected && change({ do: 'remove', id: selected }),
    w: () => add('warmUp'),
    b: () => add('block'),
    r: () => add('random'),
    o: () => add('onCourse'),
    p: () => add('pause'),
    d: () => setIsChoosing(true),
    // Into the segment in hand and back out of it, without the mouse.
    Enter: goInto,
  });

  return (
    <>
      <BenchHead
        bench={bench}
        onDraftOne={() => setIsDrafting(true)}
        ofPlan={
          SetFor && {
            onSet: () => setIsSetting(true),
            onRemove: () =>
              remove.mutate(
                { id: props.id, name: plan.title, version: bench.version ?? 0 },
                { onSuccess: () => void navigate('/plans') },
              ),
          }
        }
      />
      {above?.((text) => change({ do: 'take', plan: text }))}

      <LocalDraftNotices
        wasRestored={bench.wasRestored}
        wasDropped={bench.wasDropped}
        onDiscard={bench.discard}
        isStale={bench.newer !== undefined}
        onTakeTheirs={() => bench.newer?.take()}
        onOverwrite={() => bench.newer?.overwrite()}
      />
      {bench.saveError && <ErrorNotice error={bench.saveError} onRetry={bench.save} />}
      {remove.error && <ErrorNotice error={remove.error} />}
      {draft.removed && (
        <Notice text={`“${draft.removed}” was taken out.`}>
          <Button onClick={() => change({ do: 'undo' })}>
            Put it back<Key>Ctrl Z</Key>
          </Button>
        </Notice>
      )}

      {fix.error && <ErrorNotice error={fix.error} />}
      {drafted && (
        <Drafted
          drafted={drafted.draft}
          variant={drafted.asked.request.variant ?? 0}
          plan={plan}
          isDrafting={draftOne.isPending}
          onVariant={(variant) => draftAgain({ variant })}
          onPlace={(place) => draftAgain({ places: [place], variant: 0 })}
          onClose={() => setDrafted(undefined)}
        />
      )}

      {showsHead ? (
        <>
          <Box sx={{ minHeight: { md: 142 } }}>
            <Head
              plan={plan}
              onWrite={(text) => change({ do: 'write', text })}
              writtenFor={props.writtenFor}
              onFor={onFor}
              check={bench.check}
              errorAt={errorAt}
            />
          </Box>
          {plan.segments.length > 0 && (
            <Button className="no-print" onClick={() => setShowsHead(false)} sx={{ ml: -1.25 }}>
              Fold words and frame away
            </Button>
          )}
        </>
      ) : (
        <HeadInBrief
          plan={plan}
          writtenFor={props.writtenFor}
          check={bench.check}
          onChange={() => setShowsHead(true)}
        />
      )}

      <Box ref={strip} sx={{ mt: 1 }}>
        {plan.segments.length > 0 ? (
          <SessionStrip
            size="large"
            shows="plan"
            label="Session strip"
            segments={drawn}
            selected={selected}
            onSelect={(id) => change({ do: 'select', id })}
            onResize={(id, by) => change({ do: 'lengthen', id, by })}
            onReorder={(id, to) => change({ do: 'move', id, to })}
            marks={marksOf(bench.check?.findings ?? [])}
            emptyMinutes={Math.max(
              0,
              (plan.constraints.minutes ?? 0) - plan.segments.reduce((sum, s) => sum + s.minutes, 0),
            )}
          />
        ) : (
          <>
            <Empty title="No segments yet">Begin with a warm-up, then climb: block, random, on-course.</Empty>
            <Templates onTake={(template) => change({ do: 'take', plan: keepingWords(plan, template) })} />
          </>
        )}
      </Box>
      {plan.segments.length > 0 && (
        <StickySummary of={strip} segments={drawn} selected={selected} check={bench.check} />
      )}
      {bench.checkError && <ErrorNotice error={bench.checkError} />}

      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '290px minmax(0, 1fr)', lg: '290px minmax(0, 1fr) 250px' },
          gridTemplateAreas: {
            xs: '"list" "editor" "side"',
            md: '"list editor" "side editor"',
            lg: '"list editor side"',
          },
          gap: 3,
          mt: 1,
        }}
      >
        <Box sx={{ gridArea: 'list' }}>
          <AddSegment onAdd={add} onDrill={() => setIsChoosing(true)} />
          <SegmentList
            segments={plan.segments}
            selected={selected}
            onSelect={select}
            onMove={(id, to) => change({ do: 'move', id, to })}
            onLengthen={(id, by) => change({ do: 'lengthen', id, by })}
            onRemove={(id) => change({ do: 'remove', id })}
          />
        </Box>
        <Box
          ref={editor}
          sx={{ ...besideAll, gridArea: 'editor', px: 0.5, mx: -0.5 }}
          onKeyDown={(e) => {
            if (e.key !== 'Escape' || e.defaultPrevented) return;
            e.preventDefault();
            (document.activeElement as HTMLElement | null)?.blur();
          }}
        >
          {segment ? (
            <SegmentEditor
              key={segment.id}
              segment={segment}
              writtenFor={context.data}
              errorAt={(field) => errorAt(`segments[${index}].${field}`)}
              onChange={(to) => change({ do: 'change', id: segment.id, to })}
            />
          ) : (
            <Box />
          )}
        </Box>
        <Box sx={{ gridArea: 'side', display: 'grid', gap: 3, alignContent: 'start' }}>
          <CheckPanel
            check={bench.check}
            plan={plan}
            onSelect={(id) => change({ do: 'select', id })}
            onFix={mend}
            isFixing={fix.isPending}
            onOverrule={overrule}
          />
          <Box className="no-print">
            <DrillsThatFit
              place={place}
              minutesLeft={bench.check?.minutesLeft ?? null}
              equipment={context.data?.equipment}
              onTake={take}
              onAll={() => setIsChoosing(true)}
            />
          </Box>
        </Box>
      </Box>
      {bench.analysis && <Totals analysis={bench.analysis} />}
      {isDrafting && (
        <DraftDialog
          constraints={plan.constraints}
          error={draftOne.error}
          isDrafting={draftOne.isPending}
          studentId={studentId}
          onDraft={(request, studentIds) => draftWith({ request, studentId, studentIds }, plan)}
          onClose={() => setIsDrafting(false)}
        />
      )}
      {isChoosing && (
        <DrillDialog
          onClose={() => setIsChoosing(false)}
          onChoose={(drill) => {
            take(drill);
            setIsChoosing(false);
          }}
        />
      )}
      {isSetting && SetFor && <SetFor planId={props.id} title={plan.title} onClose={() => setIsSetting(false)} />}
      {bench.blocker.state === 'blocked' && <LeaveDialog blocker={bench.blocker} />}
    </>
  );
}
