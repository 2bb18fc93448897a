import Box from '@mui/material/Box';
import { useEffect, useState, type RefObject } from 'react';
import type { Schemas } from '../../api/client';
import { SessionStrip, type StripSegment } from '../../ui/SessionStrip';
import { leftOver } from './frame';

interface Props {
  /** What it stands in for while that is scrolled away. */
  of: RefObject<HTMLElement | null>;
  segments: StripSegment[];
  selected: string | undefined;
  check: Schemas['PlanCheckView'] | undefined;
}

/**
 * The strip, what is left of minutes and balls, and how much there is to look at, kept in sight while the details of a segment
 * are written further down. It repeats what the page already says, so nobody has it read out twice.
 */
export function StickySummary({ of, segments, selected, check }: Props) {
  const [isAway, setIsAway] = useState(false);
  useEffect(() => {
    const strip = of.current;
    if (!strip) return;
    const watch = new IntersectionObserver(([entry]) => setIsAway(entry !== undefined && !entry.isIntersecting));
    watch.observe(strip);
    return () => watch.disconnect();
  }, [of]);
  // What is reached by the keyboard is scrolled to below this, not behind it.
  useEffect(() => {
    if (!isAway) return;
    document.documentElement.style.scrollPaddingTop = '76px';
    return () => {
      document.documentElement.style.scrollPaddingTop = '';
    };
  }, [isAway]);
  if (!isAway) return null;
  const standing = check?.findings.filter((f) => f.overruledBecause === null).length ?? 0;
  return (
    <Box
      aria-hidden
      className="no-print"
      data-testid="in-sight"
      sx={{
        position: 'fixed',
        zIndex: 2,
        top: 0,
        left: 0,
        right: 0,
        px: { xs: 2, md: 3 },
        py: 1,
        bgcolor: 'background.default',
        borderBottom: '1px solid',
        borderColor: 'line',
        display: 'flex',
        alignItems: 'flex-end',
        gap: 3,
      }}
    >
      <Box sx={{ flex: 1, minWidth: 0, maxWidth: 760, display: { xs: 'none', md: 'block' } }}>
        <SessionStrip segments={segments} shows="plan" size="small" label="Session strip" selected={selected} />
      </Box>
      <Box sx={{ fontWeight: 620, whiteSpace: 'nowrap', fontSize: 15 }}>
        {[leftOver(check), standing === 0 ? 'nothing to look at' : `${standing} to look at`]
          .filter(Boolean)
          .join(' · ')}
      </Box>
    </Box>
  );
}
