import type { Schemas } from '../../api/client';
import { hiddenThings } from '../../ui/format';

type Stages = readonly Schemas['HiddenFrom'][];

/** What is hidden once a share of a segment, from 0 to 1, is done. */
export const hiddenAt = (stages: Stages, share: number): readonly Schemas['Hidden'][] =>
  stages.findLast((stage) => stage.from <= share)?.hide ?? [];

const inWords = (hide: readonly Schemas['Hidden'][]) =>
  hide.length === 0 ? 'nothing' : hide.map((h) => hiddenThings[h].toLowerCase()).join(' and ');

/** All of it before it begins: "the numbers, then nothing". */
export const hidingInWords = (stages: Stages): string => stages.map((stage) => inWords(stage.hide)).join(', then ');
