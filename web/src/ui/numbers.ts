/** The one way in which a typed number is read: a point or a comma before the decimals, and any of the minus signs. */
export function readNumber(text: string): number | undefined {
  const plain = text.trim().replace(/[−–—]/g, '-').replace(/^\+/, '');
  return /^-?(\d+([.,]\d*)?|[.,]\d+)$/.test(plain) ? Number(plain.replace(',', '.')) : undefined;
}

/** What a number field keeps of what is typed or pasted: digits, separators, and a sign in front. */
export const numberText = (text: string) =>
  text
    .replace(/[−–—]/g, '-')
    .replace(/[^\d.,-]/g, '')
    .replace(/(?!^)-/g, '')
    .slice(0, 12);

export interface NumberRange {
  least: number;
  most: number;
}

/** What is wrong with a number as it stands in its field; nothing where it may be kept. */
export function numberProblem(
  text: string,
  { optional = false, whole = false, range, unit }: NumberKind,
): string | undefined {
  if (text.trim() === '') return optional ? undefined : 'Enter a number.';
  const number = readNumber(text);
  if (number === undefined) return 'Enter one number, such as 34.5.';
  if (whole && !Number.isInteger(number)) return 'Enter a whole number.';
  if (range && (number < range.least || number > range.most))
    return `Enter ${range.least} to ${range.most}${unit ? ` ${unit}` : ''}.`;
  return undefined;
}

export interface NumberKind {
  /** Whether the field may be left empty. */
  optional?: boolean | undefined;
  whole?: boolean | undefined;
  range?: NumberRange | undefined;
  unit?: string | undefined;
}
