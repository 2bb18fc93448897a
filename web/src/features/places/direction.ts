import { compass } from '../../ui/format';

/** Where something stands, as seen from the bays: degrees from straight ahead and what one says to that. */
const words = [
  [-45, 'far left'],
  [-25, 'left'],
  [-12, 'half left'],
  [-5, 'slightly left'],
  [0, 'straight ahead'],
  [5, 'slightly right'],
  [12, 'half right'],
  [25, 'right'],
  [45, 'far right'],
] as const;

const nearest = (degrees: number) =>
  words.reduce((best, now) => (Math.abs(now[0] - degrees) < Math.abs(best[0] - degrees) ? now : best));

/** Where something stands, in words. */
export const bearingInWords = (degrees: number) => nearest(degrees)[1];

interface Option {
  value: string;
  label: string;
}

/** The directions there are to choose from; one that was pointed at exactly stands among them with its degrees. */
export function bearingOptions(degrees: number): Option[] {
  const exact = words.some(([d]) => d === degrees);
  const named: Option[] = words.map(([d, label]) => ({ value: String(d), label }));
  if (exact) return named;
  const pointed = { value: String(degrees), label: `${bearingInWords(degrees)}, ${Math.abs(degrees)}°` };
  const at = words.findIndex(([d]) => d > degrees);
  return at < 0 ? [...named, pointed] : named.toSpliced(at, 0, pointed);
}

/** A direction of the compass in words: "north-east", and where it lies between two of them "about east". */
export function facingInWords(degrees: number): string {
  const near = (Math.round(degrees / 45) % 8) * 45;
  return `${near === degrees ? '' : 'about '}${compass[near]}`;
}

/** The directions of the compass to choose from; one given in degrees stands among them. */
export function facingOptions(degrees: number | null | undefined): Option[] {
  const named = Object.entries(compass).map(([value, label]) => ({ value, label }));
  return degrees === null || degrees === undefined || compass[degrees]
    ? named
    : [...named, { value: String(degrees), label: `${facingInWords(degrees)}, ${degrees}°` }];
}
