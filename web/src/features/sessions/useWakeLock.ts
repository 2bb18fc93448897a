import { useEffect } from 'react';

/** Keeps the screen awake while practising, where the browser can. */
export function useWakeLock(isOn: boolean) {
  useEffect(() => {
    if (!isOn || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (taken) => {
          lock = taken;
          if (isOver) void taken.release();
        },
        // A phone low on battery refuses; practising goes on without.
        () => undefined,
      );
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, [isOn]);
}
