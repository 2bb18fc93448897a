import type { SxProps, Theme } from '@mui/material/styles';
import { useEffect, useRef, type ReactNode } from 'react';
import { PageHeading } from './PageHeading';

/** The heading of a step. It takes the focus when the step begins, so that whoever cannot see the screen hears where they are. */
export function StepHeading({ children, sx = {} }: { children: ReactNode; sx?: SxProps<Theme> }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  return (
    <PageHeading
      ref={heading}
      tabIndex={-1}
      sx={[{ outline: 'none' }, ...(Array.isArray(sx) ? (sx as SxProps<Theme>[]) : [sx])] as SxProps<Theme>}
    >
      {children}
    </PageHeading>
  );
}
