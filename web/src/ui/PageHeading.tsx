import Typography, { type TypographyProps } from '@mui/material/Typography';
import { Children, useEffect } from 'react';

/** The one heading of a page. The page is called by it in the tab, the history and by a screen reader, too. */
export function PageHeading({ children, ...heading }: TypographyProps) {
  const title = Children.toArray(children)
    .filter((child) => typeof child === 'string' || typeof child === 'number')
    .join('');
  useEffect(() => {
    document.title = title ? `${title} · Morning Round` : 'Morning Round';
  }, [title]);
  return (
    <Typography variant="h1" {...heading}>
      {children}
    </Typography>
  );
}
