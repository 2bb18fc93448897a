import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { thumb } from '../../app/theme';
import type { Schemas } from '../../api/client';
import { Field } from '../../ui/Field';
import { findingLevels } from '../../ui/findingLevels';
import { approaches, areas, minutes } from '../../ui/format';
import { Key } from '../../ui/states';
import type { Plan } from './benchState';

type Finding = Schemas['Finding'];

interface Props {
  check: Schemas['PlanCheckView'] | undefined;
  plan: Plan;
  onSelect: (segmentId: string) => void;
  onFix: (finding: Finding) => void;
  isFixing: boolean;
  onOverrule: (finding: Finding, reason: string | undefined) => void;
}

/**
 * What the check says of the plan, beside it: each finding at its segment, its fix one click away; and how the minutes
 * divide.
 */
export function CheckPanel({ check, plan, onSelect, onFix, isFixing, onOverrule }: Props) {
  const findings = check?.findings ?? [];
  const standing = findings.filter((f) => f.overruledBecause === null);
  const overruled = findings.filter((f) => f.overruledBecause !== null);
  const firstFix = standing.find((f) => f.fix !== null);
  return (
    <Box component="section" aria-label="Check" sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ fontSize: '1.15rem' }}>
        {!check
          ? 'Looking it over …'
          : !check.isChecked
            ? 'Not checked yet'
            : standing.length === 0
              ? 'Nothing stands against it'
              : `${standing.length} to look at`}
      </Typography>
      {check && !check.isChecked && (
        <Typography sx={{ fontSize: 15 }}>The fields marked in red come first; then it is checked again.</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, mt: 0.5 }}>
        {standing.map((finding, i) => (
          <Item
            // A rule can find two things at one place; what it says tells them apart, and failing that their order.
            key={`${finding.id} ${finding.segmentId ?? ''} ${i}`}
            finding={finding}
            title={plan.segments.find((s) => s.id === finding.segmentId)?.title}
            hasKey={finding === firstFix}
            isFixing={isFixing}
            onSelect={onSelect}
            onFix={onFix}
            onOverrule={onOverrule}
          />
        ))}
      </Box>
      {overruled.length > 0 && (
        <Box sx={{ mt: 1.5, fontSize: 14.5, color: 'text.secondary' }}>
          {overruled.map((f) => (
            <Box key={`${f.id} ${f.segmentId ?? ''} ${f.why}`} sx={{ mb: 0.75 }}>
              {f.why} Kept, because: {f.overruledBecause}{' '}
              <Button size="small" sx={{ py: 0, minHeight: thumb(26) }} onClick={() => onOverrule(f, undefined)}>
                Take back
              </Button>
            </Box>
          ))}
        </Box>
      )}
      {check && check.shares.length > 0 && <Shares check={check} />}
      {check && check.areas.length > 0 && (
        <Box sx={{ mt: 2, fontSize: 14.5 }}>
          <Box sx={{ color: 'text.secondary' }}>Minutes by area</Box>
          {check.areas.map((a) => `${areas[a.area]} ${minutes(a.minutes)}`).join(', ')}
        </Box>
      )}
    </Box>
  );
}

function Item({
  finding,
  title,
  hasKey,
  isFixing,
  onSelect,
  onFix,
  onOverrule,
}: Omit<Props, 'check' | 'plan'> & { finding: Finding; title: string | undefined; hasKey: boolean }) {
  const [reason, setReason] = useState<string>();
  const level = findingLevels[finding.level];
  return (
    <Box
      component="li"
      data-testid="finding"
      sx={{ py: 1, borderBottom: '1px solid', borderColor: 'line', fontSize: 15 }}
    >
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline', fontSize: 13.5 }}>
        <Box component="span" sx={{ color: level.colour, fontWeight: 700 }}>
          <span aria-hidden>{level.sign}</span> {level.name}
        </Box>
        {finding.segmentId !== null && finding.segmentId !== undefined && (
          <Button
            size="small"
            sx={{ p: 0, minHeight: thumb(24), minWidth: 0, fontSize: 13.5, textAlign: 'left' }}
            onClick={() => onSelect(finding.segmentId ?? '')}
          >
            {title ?? 'segment'}
          </Button>
        )}
      </Box>
      {finding.why}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 0.25, ml: -1 }}>
        {finding.fix && (
          <Button
            size="small"
            disabled={isFixing}
            onClick={() => onFix(finding)}
            sx={{ minHeight: thumb(30), textAlign: 'left' }}
          >
            {finding.fix}
            {hasKey && <Key>f</Key>}
          </Button>
        )}
        {finding.level !== 'stop' && reason === undefined && (
          <Button size="small" onClick={() => setReason('')} sx={{ minHeight: thumb(30), color: 'text.secondary' }}>
            Keep it like this
          </Button>
        )}
      </Box>
      {reason !== undefined && (
        <Box
          component="form"
          onSubmit={(e: React.SyntheticEvent) => {
            e.preventDefault();
            if (reason.trim()) onOverrule(finding, reason.trim());
          }}
          sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, alignItems: 'end', mt: 0.5 }}
        >
          <Field
            label="Why"
            autoFocus
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            inputProps={{ maxLength: 400 }}
          />
          <Button type="submit" disabled={reason.trim() === ''}>
            Keep
          </Button>
        </Box>
      )}
    </Box>
  );
}

/** How the minutes after warm-up divide, against what the approach asks for. */
function Shares({ check }: { check: Schemas['PlanCheckView'] }) {
  return (
    <Box sx={{ mt: 2, fontSize: 14.5 }}>
      <Box sx={{ color: 'text.secondary' }}>
        Minutes after warm-up{check.approach && `, against “${approaches[check.approach]}”`}
      </Box>
      {check.shares.map((share) => (
        <Box key={share.text} sx={{ mt: 0.75 }}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
            <span>{share.text}</span>
            <span>
              <b>{Math.round(share.percent)} %</b> of{' '}
              {share.most >= 100
                ? `at least ${share.least}`
                : share.least <= 0
                  ? `at most ${share.most}`
                  : `${share.least}–${share.most}`}
            </span>
          </Box>
          <svg width="100%" height="12" viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden>
            <rect x="0" y="5" width="100" height="2" fill="#c9c5b8" />
            <rect x={share.least} y="2" width={Math.max(1, share.most - share.least)} height="8" fill="#bcd4a0" />
            <rect x={Math.max(0, Math.min(99, share.percent) - 0.6)} y="0" width="1.4" height="12" fill="#1e3b30" />
          </svg>
        </Box>
      ))}
    </Box>
  );
}
