import Button from '@mui/material/Button';
import type { Schemas } from '../../api/client';

/** The word of an address for everybody of the academy. */
export const everybody = 'everybody';

interface Props {
  counted: Schemas['CountedStudents'];
  /** What the address says: nothing, everybody, or a squad. */
  chosen: string;
  onChoose: (chosen: string) => void;
}

/** The coach's own students, where they are not all, or everybody. */
export function WhoseButtons({ counted: { all, mine }, chosen, onChoose }: Props) {
  const areOthers = mine > 0 && mine < all;
  return (
    <>
      {areOthers && <WhoseButton name={`Mine (${mine})`} isChosen={chosen === ''} onChoose={() => onChoose('')} />}
      <WhoseButton
        name={`Everybody (${all})`}
        isChosen={chosen === everybody || (chosen === '' && !areOthers)}
        onChoose={() => onChoose(areOthers ? everybody : '')}
      />
    </>
  );
}

interface ButtonProps {
  name: string;
  isChosen: boolean;
  onChoose: () => void;
}

/** One of those whose weeks can be looked at. */
export function WhoseButton({ name, isChosen, onChoose }: ButtonProps) {
  return (
    <Button
      onClick={onChoose}
      aria-pressed={isChosen}
      sx={{
        textDecoration: 'none',
        borderRadius: 0,
        borderBottom: '3px solid',
        borderColor: isChosen ? 'text.primary' : 'transparent',
      }}
    >
      {name}
    </Button>
  );
}
