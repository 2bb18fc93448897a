import Box from '@mui/material/Box';
import Button from '@mui/material/Button';

interface Props {
  wasRestored: boolean;
  /** What was kept on this device could not be read and is gone. */
  wasDropped: boolean;
  onDiscard: () => void;
  /** Somebody else saved in between. */
  isStale: boolean;
  onTakeTheirs: () => void;
  onOverwrite: () => void;
}

/** What somebody has to know about what they are writing, and what they can do about it. */
export function LocalDraftNotices({ wasRestored, wasDropped, onDiscard, isStale, onTakeTheirs, onOverwrite }: Props) {
  if (isStale)
    return (
      <Notice text="Somebody saved a newer version in the meantime. Nothing was overwritten; yours is still here.">
        <Button onClick={onTakeTheirs}>Take theirs</Button>
        <Button onClick={onOverwrite}>Save mine over it</Button>
      </Notice>
    );
  if (wasRestored)
    return (
      <Notice text="Changes you had not saved are back.">
        <Button onClick={onDiscard}>Drop them</Button>
      </Notice>
    );
  if (wasDropped)
    return <Notice text="What you had not saved on this device could not be read any more and was dropped." />;
  return null;
}

export function Notice({ text, children }: { text: string; children?: React.ReactNode }) {
  return (
    <Box
      role="status"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        flexWrap: 'wrap',
        mb: 1.5,
        pl: 2,
        py: 0.5,
        borderLeft: '4px solid',
        borderColor: 'secondary.main',
        bgcolor: 'background.paper',
      }}
    >
      <span>{text}</span>
      {children}
    </Box>
  );
}
