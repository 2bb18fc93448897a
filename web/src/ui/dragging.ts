/** What is dragged moves only once the hand has gone so far, in pixels: a press is not a drag. */
const least = 6;

/** Follows a pointer that went down until it comes up. A move is told once it is one; an end that was none tells nothing. */
export function followPointer(
  start: React.PointerEvent,
  moved: (e: PointerEvent) => void,
  ended: (e: PointerEvent) => void,
) {
  let isDrag = false;
  const move = (e: PointerEvent) => {
    if (!isDrag && Math.hypot(e.clientX - start.clientX, e.clientY - start.clientY) < least) return;
    isDrag = true;
    // What is passed over on the way is not marked as text.
    document.body.style.userSelect = 'none';
    moved(e);
  };
  const finish = (e: PointerEvent) => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', finish);
    window.removeEventListener('pointercancel', finish);
    document.body.style.userSelect = '';
    if (isDrag) ended(e);
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', finish);
  window.addEventListener('pointercancel', finish);
}

interface Part {
  id?: string | null;
  minutes: number;
}

/**
 * Dragging on a strip: the edge of a segment makes it longer or shorter minute by minute, the segment itself moves it in the
 * order. Keys do the same; this is for the hand.
 */
export function stripDrag(
  segments: readonly Part[],
  onResize: ((id: string, by: number) => void) | undefined,
  onReorder: ((id: string, to: number) => void) | undefined,
) {
  const beginResize = (id: string) => (start: React.PointerEvent) => {
    const strip = start.currentTarget.parentElement?.parentElement;
    if (!onResize || !strip) return;
    start.preventDefault();
    start.stopPropagation();
    const all = segments.reduce((sum, s) => sum + s.minutes, 0);
    const pixelsPerMinute = strip.clientWidth / Math.max(1, all);
    let given = 0;
    followPointer(
      start,
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
    followPointer(
      start,
      () => undefined,
      (e) => {
        if (e.type === 'pointercancel') return;
        const at = [...strip.children].findIndex((child) => e.clientX < child.getBoundingClientRect().right);
        const to = at < 0 ? segments.length - 1 : at;
        if (segments[to]?.id !== id) onReorder(id, to);
      },
    );
  };
  return { begin, beginResize };
}

interface Row {
  top: number;
  height: number;
}

/** A row of a list on its way: which one, how far it is from where it stood, and the place it would take. */
export interface RowDrag {
  from: number;
  by: number;
  to: number;
}

/** The place that a row takes which was moved so far down, or up where that is below zero: the one whose middle is nearest. */
export function placeOf(rows: readonly Row[], from: number, by: number): number {
  const middle = (row: Row) => row.top + row.height / 2;
  const dragged = rows[from];
  if (!dragged) return from;
  const at = middle(dragged) + by;
  const away = rows.map((row) => Math.abs(middle(row) - at));
  return away.indexOf(Math.min(...away));
}

/** How far each other row makes way for the one that is on its way, in pixels. */
export function makesWay({ from, to }: RowDrag, row: number, height: number): number {
  if (row > from && row <= to) return -height;
  return row < from && row >= to ? height : 0;
}

/**
 * Dragging a row of a list by its handle. The page may scroll meanwhile.
 * @param from Which row.
 * @param onDrag What to show; no value once it is over.
 * @param onDrop The place it was let go over, when that is another one.
 */
export function dragRow(
  start: React.PointerEvent,
  from: number,
  onDrag: (drag: RowDrag | undefined) => void,
  onDrop: (to: number) => void,
) {
  const list = start.currentTarget.closest('ol');
  if (!list || start.button !== 0) return;
  const rows = [...list.children].map((row) => row.getBoundingClientRect());
  const scrolledBefore = window.scrollY;
  let to = from;
  followPointer(
    start,
    (e) => {
      const by = e.clientY - start.clientY + window.scrollY - scrolledBefore;
      to = placeOf(rows, from, by);
      onDrag({ from, by, to });
    },
    (e) => {
      onDrag(undefined);
      if (e.type !== 'pointercancel' && to !== from) onDrop(to);
    },
  );
}
