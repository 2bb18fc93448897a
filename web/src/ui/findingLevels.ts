import type { Schemas } from '../api/client';

/** How each level of a finding is called, drawn and coloured: by sign as well as by colour. */
export const findingLevels: Record<Schemas['FindingLevel'], { name: string; sign: string; colour: string }> = {
  stop: { name: 'Stop', sign: '■', colour: '#a3261c' },
  caution: { name: 'Caution', sign: '▲', colour: '#8a4b00' },
  advice: { name: 'Advice', sign: '◆', colour: '#1e4f6b' },
  note: { name: 'Note', sign: '●', colour: '#5a6259' },
};
