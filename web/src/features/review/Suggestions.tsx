import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';
import { Key } from '../../ui/states';

type Decided = Schemas['DecidedSuggestion'];

export const suggestionKinds: Record<Schemas['SuggestionKind'], string> = {
  retest: 'Again',
  raise: 'Raise',
  ease: 'Ease',
  step: 'Another step',
  swap: 'Swap',
  hold: 'Hold',
  retire: 'Rest',
  merge: 'Merge',
  trial: 'Trial',
};

const decisions: Record<Schemas['Decision'], string> = { taken: 'taken', left: 'left', other: 'taken otherwise' };

interface Props {
  decided: readonly Decided[];
  chosen: number;
  isBusy: boolean;
  onChoose: (at: number) => void;
  /** Whether the student has next week already: then nothing can be taken into it from here. */
  isPublished: boolean;
  onDecide: (at: number, decision: Schemas['Decision'] | null) => void;
  onOther: (decided: Decided) => void;
}

/** What is suggested for the next week, each with its evidence and one key each: take, leave, other. */
export function Suggestions({ decided, chosen, isBusy, isPublished, onChoose, onDecide, onOther }: Props) {
  return (
    <Box component="section" aria-label="Suggestions">
      <Typography variant="h2">Suggested for the next week</Typography>
      {decided.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing that was counted in that week can be judged. The next one goes on as it was.
        </Typography>
      )}
      {isPublished && decided.length > 0 && (
        <Typography role="status" sx={{ mt: 0.5 }}>
          That week is published already. Change its sessions in the week: the student is told.
        </Typography>
      )}
      <Box component="ol" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
        {decided.map((one, i) => (
          <One
            key={one.suggestion.id}
            one={one}
            isChosen={i === chosen}
            isBusy={isBusy}
            isPublished={isPublished}
            onChoose={() => onChoose(i)}
            onDecide={(decision) => onDecide(i, decision)}
            onOther={() => onOther(one)}
          />
        ))}
      </Box>
    </Box>
  );
}

function One({
  one: { suggestion, decision, other },
  isChosen,
  isBusy,
  isPublished,
  onChoose,
  onDecide,
  onOther,
}: {
  one: Decided;
  isChosen: boolean;
  isBusy: boolean;
  isPublished: boolean;
  onChoose: () => void;
  onDecide: (decision: Schemas['Decision'] | null) => void;
  onOther: () => void;
}) {
  const holds = suggestion.change.kind === 'hold';
  return (
    <Box
      component="li"
      aria-current={isChosen}
      onClick={onChoose}
      sx={{
        py: 1,
        pl: 1.5,
        borderLeft: '4px solid',
        borderColor: isChosen ? 'primary.main' : 'transparent',
      }}
    >
      <Typography>
        <Box component="span" sx={{ fontWeight: 650, mr: 1 }}>
          {suggestionKinds[suggestion.change.kind]}
        </Box>
        {suggestion.why}
      </Typography>
      {suggestion.evidence.length > 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {suggestion.measure && `${suggestion.measure.label}: `}
          {suggestion.evidence.slice(-5).map((e, i) => (
            <span key={`${e.sessionId} ${i}`}>
              {i > 0 && ' · '}
              <Link to={`/sessions/${e.sessionId}`}>{dayName(e.day).slice(4)}</Link> {Math.round(e.value * 10) / 10}
              {suggestion.measure?.unit}
              {e.doubt && ` (${Math.round(e.doubt.low)}–${Math.round(e.doubt.high)})`}
            </span>
          ))}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 0.5, flexWrap: 'wrap' }}>
        {decision === null ? (
          <>
            {!holds && (
              <Button
                size="small"
                variant="outlined"
                disabled={isBusy || isPublished}
                onClick={() => onDecide('taken')}
              >
                Take<Key>t</Key>
              </Button>
            )}
            {!holds && (
              <Button size="small" disabled={isBusy} onClick={() => onDecide('left')}>
                Leave<Key>l</Key>
              </Button>
            )}
            {(!holds || isChosen) && (
              <Button size="small" disabled={isBusy || isPublished} onClick={onOther}>
                Other<Key>o</Key>
              </Button>
            )}
          </>
        ) : (
          <>
            <Box component="span" sx={{ fontWeight: 620 }}>
              {decisions[decision]}
              {other && `: ${other}`}
            </Box>
            <Button size="small" disabled={isBusy} onClick={() => onDecide(null)}>
              Undo<Key>u</Key>
            </Button>
          </>
        )}
      </Box>
    </Box>
  );
}
