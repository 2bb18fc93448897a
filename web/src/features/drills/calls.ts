import type { Schemas } from '../../api/client';
import { clubs, shapes } from '../../ui/format';

/** A call as it is spoken: "7 iron, draw, low, at the left flag". */
export const callInWords = ({ club, shape, height, target }: Schemas['ShotCall']) =>
  [clubs[club], shapes[shape].toLowerCase(), height !== 'normal' && height, target && `at ${target}`]
    .filter(Boolean)
    .join(', ');
