import { useEffect, useEffectEvent } from 'react';

/** While something is open over a page, the phone's Back closes it instead of leaving the page. */
export function useBackCloses(isOpen: boolean, onClose: () => void) {
  const close = useEffectEvent(onClose);
  useEffect(() => {
    if (!isOpen) return;
    const marker = { ...(window.history.state as object | null), isOver: true };
    window.history.pushState(marker, '');
    let isGone = false;
    const back = () => {
      isGone = true;
      close();
    };
    window.addEventListener('popstate', back);
    return () => {
      window.removeEventListener('popstate', back);
      // Closed by its own button: the step that Back would have taken is taken back.
      if (!isGone && (window.history.state as { isOver?: boolean } | null)?.isOver) window.history.back();
    };
  }, [isOpen]);
}
