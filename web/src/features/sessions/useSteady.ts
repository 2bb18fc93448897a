import { useEffect, useState } from 'react';

/** A second tap of a double tap comes within this time, in milliseconds. */
export const doubleTap = 700;

/** Whether a part of the screen has stood long enough that a tap on it was meant for it, and not for what stood there before. */
export function useSteady(): boolean {
  const [isSteady, setIsSteady] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsSteady(true), doubleTap);
    return () => clearTimeout(timer);
  }, []);
  return isSteady;
}
