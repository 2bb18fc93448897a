/** Time and chance, which a test makes up. Time only runs forward, whatever the device's clock is set to. */
export interface Timing {
  now: () => number;
  later: (run: () => void, after: number) => unknown;
  cancel: (timer: unknown) => void;
  chance: () => number;
}

export const realTiming: Timing = {
  now: () => performance.now(),
  later: (run, after) => setTimeout(run, after),
  cancel: (timer) => clearTimeout(timer as ReturnType<typeof setTimeout>),
  chance: Math.random,
};
