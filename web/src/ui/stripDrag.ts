const least = 6;

/**
 * Dragging on a strip: the edge of a segment makes it longer or shorter minute by minute, the segment itself moves it in the
 * order. Keys do the same; this is for the hand.
 */
export function stripDrag(
  segments: readonly { id?: string | null; minutes: number }[],
  onResize: ((id: string, by: number) => void) | undefined,
  onReorder: ((id: string, to: number) => void) | undefined,
) {
  const follow = (move: (e: PointerEvent) => void, end: (e: PointerEvent) => void) => {
    const finish = (e: PointerEvent) => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', finish);
      window.removeEventListener('pointercancel', finish);
      end(e);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', finish);
    window.addEventListener('pointercancel', finish);
  };

  const beginResize = (id: string) => (start: React.PointerEvent) => {
    const strip = start.currentTarget.parentElement?.parentElement;
    if (!onResize || !strip) return;
    start.preventDefault();
    start.stopPropagation();
    const all = segments.reduce((sum, s) => sum + s.minutes, 0);
    const pixelsPerMinute = strip.clientWidth / Math.max(1, all);
    let given = 0;
    follow(
      (e) => {
        const by = Math.round((e.clientX - start.clientX) / pixelsPerMinute);
        if (by !== given) onResize(id, by - given);
        given = by;
      },
      () => undefined,
    );
  };

  const begin = (id: string) => (start: React.PointerEvent) => {
    const strip = start.currentTarget.parentElement;
    if (!onReorder || !strip || start.button !== 0) return;
    follow(
      () => undefined,
      (e) => {
        if (Math.abs(e.clientX - start.clientX) < least || e.type === 'pointercancel') return;
        const at = [...strip.children].findIndex((child) => e.clientX < child.getBoundingClientRect().right);
        const to = at < 0 ? segments.length - 1 : at;
        if (segments[to]?.id !== id) onReorder(id, to);
      },
    );
  };
  return { begin, beginResize };
}
